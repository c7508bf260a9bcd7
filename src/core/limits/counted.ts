import { activeKey } from '../actives/actives'
import { readQuantity, readRate } from '../quantity/parse'
import type { Mass } from '../quantity/units'
import type { GroundUse } from './groundUse'

/** What a product has in it, as its card says. */
export interface InIt {
  name: string
  strength: string
}

/** A strength that can be held against another of the same kind: kg/m³, or a share. */
function strengthOf(text: string): { kind: 'rate' | 'share'; si: number } | null {
  const rate = readRate(text, 'mass', 'volume', 'strength')
  if (rate.ok) return { kind: 'rate', si: rate.value.si }
  const share = readQuantity(text, 'share', 'strength')
  return share.ok ? { kind: 'share', si: share.value.si } : null
}

/**
 * How much of every active goes on with so much of the first, kg, by their keys: a product with two counts to the limits of both.
 * A second whose strength cannot be held against the first’s is not counted; the shelf refuses such a card where it sets a limit.
 *
 * @example eachActive([{ name: 'imidacloprid', strength: '2 lb/gal' }, { name: 'bifenthrin', strength: '1 lb/gal' }], 0.4)[1] // { active: 'bifenthrin', kg: 0.2 }
 */
export function eachActive(actives: readonly InIt[], firstKg: Mass): { active: string; kg: Mass }[] {
  const [first, ...others] = actives
  if (!first) return []
  const base = strengthOf(first.strength)
  return [
    { active: activeKey(first.name), kg: firstKg },
    ...others.flatMap((other) => {
      const own = strengthOf(other.strength)
      return base && own && own.kind === base.kind && base.si > 0
        ? [{ active: activeKey(other.name), kg: (firstKg * own.si) / base.si }]
        : []
    }),
  ]
}

/** True where every active of a product can be counted by what its card says. */
export function countable(actives: readonly InIt[]): boolean {
  return actives.length <= 1 || eachActive(actives, 1).length === actives.length
}

/** Amounts as they stand in the database: of a product, by what its card has in it, or of an active that others put on. kg of the first. */
export interface Amount {
  actives: readonly InIt[]
  applied: Mass
  others: Mass
  planned: Mass
}

/** What counts of each active, however it was written and in whatever product. In the order of their names. */
export function countedUse(amounts: readonly Amount[]): GroundUse[] {
  const use = new Map<string, GroundUse>()
  for (const { actives, ...of } of amounts)
    for (const { active, kg: share } of eachActive(actives, 1)) {
      const now = use.get(active) ?? { active, applied: 0, others: 0, planned: 0 }
      use.set(active, {
        active,
        applied: now.applied + of.applied * share,
        others: now.others + of.others * share,
        planned: now.planned + of.planned * share,
      })
    }
  return [...use.values()].sort((a, b) => (a.active < b.active ? -1 : 1))
}
