import type { CardUse } from '../card/card'
import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { readRate } from '../quantity/parse'
import type { Area, Mass } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import type { GroundUse } from './groundUse'

export type { GroundUse }

/** What a card's yearly limit leaves on a ground. Negative when it is passed already. */
export interface GroundLimit {
  allowed: Mass
  left: Mass
}

/**
 * What a use allows of its active by area and year, kg per m²; null where it sets no limit. Problems are those of `readRate`.
 * @example yearlyLimit({ limits: { activePerAreaYear: '0.4 lb/acre' } }) // { ok: true, value: 4.48e-5 }
 */
export function yearlyLimit(use: Pick<CardUse, 'limits'>): Result<number> | null {
  const perArea = use.limits?.activePerAreaYear
  if (perArea === undefined) return null
  const rate = readRate(perArea, 'mass', 'area', 'limits.activePerAreaYear')
  return rate.ok ? ok(rate.value.si) : rate
}

/** What is left of a yearly limit of `perArea`, kg per m², on a ground. `groundLimit(4.5e-5, 4047, use).allowed` */
export function groundLimit(perArea: number, area: Area, use: Omit<GroundUse, 'active'>): GroundLimit {
  const allowed = perArea * area
  return { allowed, left: leftOf(allowed, use) }
}

/** What is left of what is allowed, kg; negative when it is passed already. */
export function leftOf(allowed: Mass, use: Omit<GroundUse, 'active'>): Mass {
  return allowed - use.applied - use.others - use.planned
}

/** Whether so much, kg, is more than a limit leaves. */
export function goesOver(wanted: Mass, limit: GroundLimit): boolean {
  return wanted > limit.left + limit.allowed * NOISE
}

/**
 * Refuses what would go beyond the yearly limit of the ground, with what stands against it; null when it fits.
 * `over-label`, field `limit`. Source: handbook, yearly limit per area.
 */
export function refusedByGround(
  wanted: Mass,
  limit: GroundLimit,
  use: GroundUse,
  year: string,
  units: UnitSystem,
): Result<never> | null {
  if (!goesOver(wanted, limit)) return null
  const lb = (m: Mass) => shown(m, 'lb', units, 3)
  const stands = [
    ...(use.applied > 0 ? [`${lb(use.applied)} put on`] : []),
    ...(use.others > 0 ? [`${lb(use.others)} by others`] : []),
    ...(use.planned > 0 ? [`${lb(use.planned)} planned`] : []),
  ]
  return refuse(
    'over-label',
    'limit',
    `${lb(wanted)} of ${use.active} is more than the ${lb(Math.max(0, limit.left))} that the limit leaves on this ground in ${year}: ${lb(limit.allowed)} allowed${stands.length > 0 ? `, ${stands.join(', ')}` : ''}. Leave trees out, or choose another way for some.`,
  )
}
