import { activeKey } from '../actives/actives'
import type { CardUse } from '../card/card'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import type { Area, Mass } from '../quantity/units'
import type { PlainDate } from '../time/calendar'
import { goesOver, groundLimit, yearlyLimit, type GroundLimit, type GroundUse } from './ground'

/** Less than this share of what is allowed is nothing that could be put on. */
const NOTHING = 1e-6

/** A card, as far as a limit looks at it. */
interface Limited {
  use: Pick<CardUse, 'limits'>
  product: { actives: readonly { name: string }[] }
}

/** What of a ground counts toward the limit a card sets for its first active; null where it sets none. */
function limitOf(
  { use, product }: Limited,
  area: Area,
  used: readonly GroundUse[],
): (GroundLimit & { active: string }) | null {
  const perArea = yearlyLimit(use)
  const first = product.actives[0]
  if (!perArea?.ok || !first) return null
  const active = activeKey(first.name)
  const of = used.find((u) => u.active === active) ?? { applied: 0, others: 0, planned: 0 }
  return { active, ...groundLimit(perArea.value, area, of) }
}

/**
 * Why nothing planned by a card may go on as it stands: with what went on already it is more than the ground may get in the year, as
 * the ground turned out smaller or somebody else put on more since. Null while it fits. Source: handbook, yearly limit per area.
 *
 * @example overPlanned(drench, 2000, [{ active: 'imidacloprid', planned: 0.2, … }], '2026-06-12', 'us') // 'All that is …'
 */
export function overPlanned(
  card: Limited,
  area: Area,
  used: readonly GroundUse[],
  on: PlainDate,
  units: UnitSystem,
): string | null {
  const limit = limitOf(card, area, used)
  if (!limit || !goesOver(0, limit)) return null
  const lb = (m: Mass) => shown(m, 'lb', units, 3)
  return `All that is put on and planned here in ${on.slice(0, 4)} comes to ${lb(limit.allowed - limit.left)} of ${limit.active}, and this ground may get ${lb(limit.allowed)}.`
}

/**
 * Why a card cannot be used on a ground any more this year, as nothing is left of its yearly limit, and from which day again; null while
 * something is left, or where the card sets no limit. Source: handbook, yearly limit per area.
 *
 * @example usedUp(drench, 4047, [{ active: 'imidacloprid', applied: 0.2, … }], '2026-06-12', 'us')?.until // '2027-01-01'
 */
export function usedUp(
  card: Limited,
  area: Area,
  used: readonly GroundUse[],
  on: PlainDate,
  units: UnitSystem,
): { why: string; until: PlainDate } | null {
  const limit = limitOf(card, area, used)
  if (!limit || limit.left > limit.allowed * NOTHING) return null
  const year = on.slice(0, 4)
  return {
    why: `Nothing is left of the ${shown(limit.allowed, 'lb', units, 3)} of ${limit.active} that this ground may get in ${year}.`,
    until: `${Number(year) + 1}-01-01`,
  }
}
