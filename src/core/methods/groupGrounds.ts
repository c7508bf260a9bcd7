import { activeKey } from '../actives/actives'
import { eachActive, type InIt } from '../limits/counted'
import { goesOver, leftOf, type GroundUse } from '../limits/ground'
import type { Method } from '../card/card'
import type { Mass } from '../quantity/units'
import type { GroupRow, GroupTree } from './group'
import type { UseOf } from './plan'
import { methodOf } from './registry'

/** A way on the table for a group, with what its yearly limit allows on the ground, kg; null where it has none. */
export interface GroupWay {
  id: string
  use: UseOf<Method>
  product: { actives: readonly InIt[] }
  limit: Mass | null
}

/** What a table would put on the ground of one active this year, beside what is on it. */
export interface GroupGround extends GroundUse {
  /** The tightest of the limits of the cards that hold it. */
  limit: Mass
  /** What that leaves before the table; negative when it is passed already. */
  left: Mass
  wanted: Mass
  /** The table is more than what is left. */
  over: boolean
  /** The ways that count to it. */
  useIds: string[]
}

/**
 * What a table would put on the ground, active by active, each held against the tightest limit of the cards on the table that hold it. `used`: what was put on, by others
 * too, and what is signed. Whatever has the active in it counts, also a way that sets no limit itself.
 *
 * @example groundsOf(rows, ways, [{ active: 'imidacloprid', applied: 0.1, others: 0, planned: 0 }])[0].over
 */
export function groundsOf(
  rows: readonly Pick<GroupRow, 'useId' | 'plan' | 'besides'>[],
  ways: readonly GroupWay[],
  used: readonly GroundUse[],
): GroupGround[] {
  const limited = ways.flatMap(({ id, limit, product }) =>
    limit === null || !product.actives[0] ? [] : [{ id, limit, active: activeKey(product.actives[0].name) }],
  )
  return [...new Set(limited.map((w) => w.active))].map((active) => {
    const own = limited.filter((w) => w.active === active)
    // How much of it goes on with a pound of the first active of each way.
    const shares = new Map(
      ways.flatMap(({ id, product }) =>
        eachActive(product.actives, 1).flatMap((a) => (a.active === active ? [[id, a.kg] as const] : [])),
      ),
    )
    const useIds = [...shares.keys()]
    const limit = Math.min(...own.map((w) => w.limit))
    const use = used.find((u) => u.active === active) ?? { active, applied: 0, others: 0, planned: 0 }
    let wanted = 0
    for (const { useId, plan, besides } of rows)
      for (const put of [{ useId, plan }, ...besides])
        wanted += (put.plan?.active ?? 0) * (put.useId === null ? 0 : (shares.get(put.useId) ?? 0))
    const left = leftOf(limit, use)
    return { ...use, limit, left, wanted, over: goesOver(wanted, { allowed: limit, left }), useIds }
  })
}

/**
 * The way a table begins with: in the order of merit the first that may go on at least half of the trees as they are measured; else the first that may go on any; else the first.
 * @example firstWay(ways, trees) // 'drench'
 */
export function firstWay(
  ways: readonly Pick<GroupWay, 'id' | 'use'>[],
  trees: readonly Pick<GroupTree, 'closed'>[],
): string | null {
  const open = (id: string) => trees.filter((t) => (t.closed[id] ?? []).length === 0).length
  const asksNothing = ({ use }: Pick<GroupWay, 'use'>) => methodOf(use).asks(use).length === 0
  return (
    (
      ways.find((w) => open(w.id) * 2 >= trees.length && asksNothing(w)) ??
      ways.find((w) => open(w.id) > 0) ??
      ways[0]
    )?.id ?? null
  )
}
