import { ok, refuse, type Result } from '@/core/problem'
import { assessmentById, assessmentOfTree, openAssessment } from '@/db/queries/assessment'
import type { TreeRow } from '@/db/queries/tree'
import { standingTree } from './standing'
import type { Context } from './verb'

/**
 * The examination something is to be written into: it must be this tree's, open, and the only one. The first thing noted
 * opens it. Holds the tree until the transaction ends, so that nobody signs or begins another meanwhile.
 * Problems: `unknown` without the tree; `conflict` when the examination is signed, another tree's, or not the newest.
 */
export async function openExamination(
  context: Pick<Context, 'sql' | 'person' | 'at'>,
  input: { treeId: string; assessmentId: string },
): Promise<Result<TreeRow>> {
  const no = (message: string) => refuse('conflict', 'assessmentId', message)
  const { sql, person, at } = context
  const standing = await standingTree(context, input.treeId)
  if (!standing.ok) return standing
  const tree = standing.value
  const named = await assessmentById(sql, input.assessmentId)
  if (named && named.treeId !== tree.id)
    return no('This examination is another tree’s. Load the page again and begin from there.')
  if (named?.closedAt) return no('This examination is signed and closed. Begin a new one to record more.')
  const newest = await assessmentOfTree(sql, tree.id)
  if (newest && !newest.closedAt && newest.id !== input.assessmentId)
    return no('Somebody else has begun an examination of this tree. Load the page again to go on with it.')
  if (!named)
    await openAssessment(sql, {
      id: input.assessmentId,
      firmId: person.firmId,
      treeId: tree.id,
      at,
      by: person.id,
    })
  return ok(tree)
}
