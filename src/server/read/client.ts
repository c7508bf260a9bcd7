import { isHand, METHOD_NAME } from '@/core/methods/names'
import { sayPlan, sayTask } from '@/core/methods/say'
import { methodOf } from '@/core/methods/registry'
import { causeName, cause as causeOf } from '@/almanac/causes'
import { decisionsOfTree, diagnosesOfTree } from '@/db/queries/assessment'
import { followUpsOfTree } from '@/db/queries/followUp'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { treeById } from '@/db/queries/tree'
import { FOR_CLIENT } from '../decided'
import { isId, reading } from './reader'

/**
 * What is told to the client of a tree, in words for somebody who is not of the trade: what was found, what is done and why,
 * when somebody looks again, and what is the client’s own to do.
 */
export function clientView(id: string) {
  return reading(async ({ sql, person }) => {
    const tree = isId(id) ? await treeById(sql, id) : undefined
    if (!tree) return null
    const all = (await prescriptionsOfTree(sql, id)).filter((p) => p.status === 'client')
    // Of the newest prescription that leaves anything to them.
    const own = all.filter((p) => p.id === all[0]!.id)
    const diagnosis = (await diagnosesOfTree(sql, id))[0]
    const decision = (await decisionsOfTree(sql, id))[0]
    const cause = diagnosis ? causeOf(diagnosis.cause) : undefined
    const next = (await followUpsOfTree(sql, id)).find(
      (f) => f.verdict === null && f.dropped === null && f.turn !== 'client',
    )
    const told =
      diagnosis && decision?.diagnosisId === diagnosis.id
        ? {
            found: causeName(diagnosis.cause),
            means: cause?.oneLine ?? null,
            does: FOR_CLIENT[decision.action],
            words: decision.words,
            /** Only what keeps people safe; what was weighed is for the trade. */
            reasons: decision.reasons.filter((r) => r.code === 'danger').map((r) => r.text),
            doNot: cause?.doNot ?? null,
            signedBy: decision.signedBy,
            signedAt: decision.signedAt,
            next: next ? { what: next.what, dueOn: next.dueOn } : null,
          }
        : null
    return {
      tree: { id: tree.id, tag: tree.tag, siteId: tree.siteId, siteName: tree.siteName },
      firm: person.firmName,
      told,
      timeZone: tree.timeZone,
      steps: own.map((p) => ({
        id: p.itemId,
        name: isHand(p.method) ? METHOD_NAME[p.method] : p.cardName,
        says: sayPlan(p.plan, p.use, person.units),
        tasks: p.plan.steps.flatMap((s) => {
          if (s.kind !== 'task') return []
          const { name, text } = sayTask(s.task, p.plan, p.use, person.units)
          return [{ name, text }]
        }),
        times: p.times,
        repeats: p.times > 1 ? methodOf(p.use).repeats(p.use) : null,
        worn: p.use.protectiveGear,
      })),
    }
  })
}

export type ClientView = NonNullable<Awaited<ReturnType<typeof clientView>>>
