import { sizeOf } from '@/core/place/measured'
import { isWet } from '@/core/place/outlineKinds'
import { groundOfSite, planSteps, waterSaidBy } from '@/db/queries/plan'
import { siteById } from '@/db/queries/site'
import { tagsOfTrees } from '@/db/queries/tree'
import type { OutlineState, PlanStepRow } from '@/db/queries/plan'
import { planOf } from './grounds'
import { isId, reading } from './reader'

/** Changes of a plan that are offered to be undone. */
const STEPS = 12

/** The plan of a site as it is drawn: outlines with their size, the picture, what was said of water, and its newest changes. */
export function planView(siteId: string) {
  return reading(async (context) => {
    const { sql, person } = context
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const [{ features, picture }, said, steps, trees] = await Promise.all([
      groundOfSite(sql, siteId),
      waterSaidBy(sql, siteId),
      planSteps(sql, siteId, STEPS),
      planOf(context, site, null),
    ])
    const tags = await tagsOfTrees(
      sql,
      steps.flatMap((s) => (s.what === 'tree' ? [s.of] : [])),
    )
    return {
      site,
      features: features.map((f) => ({ ...f, size: sizeOf(f.geometry) })),
      picture,
      water: { drawn: features.filter((f) => isWet(f.kind)).length, said },
      steps: steps.map((s) => ({ id: s.id, at: s.at, by: s.by, ...changeOf(s, tags) })),
      trees,
      units: person.units,
    }
  })
}
export type DrawPlanView = NonNullable<Awaited<ReturnType<typeof planView>>>

/** What a change did, and to what: an outline, the picture, or a tree by its tag. */
function changeOf(s: PlanStepRow, tags: ReadonlyMap<string, string>) {
  const did = s.before === null ? 'drawn' : s.after === null ? 'taken away' : 'changed'
  if (s.what === 'tree') return { did: 'moved', outline: null, name: tags.get(s.of) ?? 'A tree' }
  if (s.what === 'picture') return { did, outline: null, name: 'The picture' }
  const { kind, name } = (s.after ?? s.before) as OutlineState
  return { did, outline: { kind, name }, name: null }
}
