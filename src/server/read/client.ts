import { handMethod, isHand } from '@/core/methods/hand'
import { sayPlan, sayTask } from '@/core/methods/say'
import { methodOf } from '@/core/methods/registry'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { treeById } from '@/db/queries/tree'
import { isId, reading } from './reader'

/** What of a tree's work is the client's own to do, in words for somebody who is not of the trade. */
export function clientView(id: string) {
  return reading(async ({ sql, person }) => {
    const tree = isId(id) ? await treeById(sql, id) : undefined
    if (!tree) return null
    const all = (await prescriptionsOfTree(sql, id)).filter((p) => p.status === 'client')
    // Of the newest prescription that leaves anything to them.
    const own = all.filter((p) => p.id === all[0]!.id)
    return {
      tree: { id: tree.id, tag: tree.tag, siteId: tree.siteId, siteName: tree.siteName },
      firm: person.firmName,
      signedBy: own[0]?.signedBy ?? null,
      signedAt: own[0]?.signedAt ?? null,
      timeZone: tree.timeZone,
      steps: own.map((p) => ({
        id: p.itemId,
        name: isHand(p.method) ? handMethod(p.method).name : p.cardName,
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
