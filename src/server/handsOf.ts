import { grouped } from '@/core/grouped'
import type { JobSubjectRow } from '@/db/queries/job'
import { treesById } from '@/db/queries/tree'
import { treesAtHand, type TreeAtHand } from './treesAtHand'
import type { Context } from './verb'

/** The trees of work with what their gates rest on; those of several sites each by their own. */
export async function handsOf(
  context: Context,
  subjects: readonly JobSubjectRow[],
): Promise<Map<string, TreeAtHand>> {
  const trees = await treesById(context.sql, [...new Set(subjects.map((s) => s.treeId))])
  const rows = [
    ...new Map(subjects.map((s) => [s.useId, { id: s.useId, use: s.use, product: s.product }])).values(),
  ]
  const hands = []
  for (const own of grouped(trees, (t) => t.siteId).values())
    hands.push(...(await treesAtHand(context, own, rows)))
  return new Map(hands.map((h) => [h.tree.id, h]))
}
