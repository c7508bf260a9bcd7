import { activeKey } from '../actives/actives'
import type { CardUse } from '../card/card'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import type { Area } from '../quantity/units'
import type { PlainDate } from '../time/calendar'
import { groundLimit, yearlyLimit, type GroundUse } from './ground'

/** Less than this share of what is allowed is nothing that could be put on. */
const NOTHING = 1e-6

/**
 * Why a card cannot be used on a ground any more this year, as nothing is left of its yearly limit, and from which day again; null while
 * something is left, or where the card sets no limit. Source: handbook, yearly limit per area.
 *
 * @example usedUp(drench, 4047, [{ active: 'imidacloprid', applied: 0.2, … }], '2026-06-12', 'us')?.until // '2027-01-01'
 */
export function usedUp(
  { use, product }: { use: Pick<CardUse, 'limits'>; product: { actives: readonly { name: string }[] } },
  area: Area,
  used: readonly GroundUse[],
  on: PlainDate,
  units: UnitSystem,
): { why: string; until: PlainDate } | null {
  const perArea = yearlyLimit(use)
  const first = product.actives[0]
  if (!perArea?.ok || !first) return null
  const active = activeKey(first.name)
  const { allowed, left } = groundLimit(
    perArea.value,
    area,
    used.find((u) => u.active === active) ?? { applied: 0, others: 0, planned: 0 },
  )
  if (left > allowed * NOTHING) return null
  const year = on.slice(0, 4)
  return {
    why: `Nothing is left of the ${shown(allowed, 'lb', units, 3)} of ${active} that this ground may get in ${year}.`,
    until: `${Number(year) + 1}-01-01`,
  }
}
