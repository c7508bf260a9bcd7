import { toSI, type Length } from '../quantity/units'
import { apart, arc, degreesOf, inSector, wrap, type Sector } from './bearing'

export interface Flare {
  bearing: number
  halfWidth: number
}
export interface ThinSector extends Sector {
  /** 0–1: how much of that side's crown is missing. */
  severity: number
}
export interface EarlierHole {
  bearing: number
  /** Years since it was drilled. */
  years: number
  /** Drilled at this same visit, for another product: no closer to it than this, instead of the distance of rest. */
  keep?: Length
}

/** What the trunk carries at port height. Lengths in metres, bearings in degrees clockwise from north. */
export interface TrunkRound {
  portGirth: Length
  flares?: Flare[]
  exclusions?: Sector[]
  thinSectors?: ThinSector[]
  earlierHoles?: EarlierHole[]
  restYears?: number
  restDistance?: Length
  closureYears?: number
  /** Grain twist, added to thin sectors. */
  twist?: number
}

/** Excluded sectors grow by one inch on each side. */
const EXCLUSION_MARGIN = toSI(1, 'in')
const TWO_INCHES = toSI(2, 'in')

/** House rule: two products of one visit go into holes at least an inch apart. */
export const SAME_VISIT = toSI(1, 'in')

export const DEFAULTS = { restYears: 2, restDistance: TWO_INCHES, closureYears: 4, twist: 0 }

/** Why no port may go at a bearing; null where it may. */
export type Forbidden = { why: 'excluded'; sector: Sector } | { why: 'resting'; hole: EarlierHole } | null

/** Looks whether a port may go at a bearing at all. `forbiddenAt(120, round)?.why === 'excluded'` */
export function forbiddenAt(bearing: number, round: TrunkRound): Forbidden {
  const widen = degreesOf(EXCLUSION_MARGIN, round.portGirth)
  for (const sector of round.exclusions ?? [])
    if (inSector(bearing, sector, widen)) return { why: 'excluded', sector }
  const restYears = round.restYears ?? DEFAULTS.restYears
  const restDistance = round.restDistance ?? DEFAULTS.restDistance
  for (const hole of round.earlierHoles ?? [])
    if (
      hole.years < restYears &&
      arc(apart(bearing, hole.bearing), round.portGirth) <= (hole.keep ?? restDistance) + 1e-12
    )
      return { why: 'resting', hole }
  return null
}

/**
 * How well the wood at a bearing carries: 0.40 (0.10 between recorded flares), up to 0.60 more on a flare,
 * up to 0.30 more under a thin side of the crown, less near earlier holes that are not yet closed.
 * Whether a port may go there at all is {@link forbiddenAt}'s answer.
 *
 * @example suitability(20, { portGirth: 1.2, flares: [{ bearing: 20, halfWidth: 20 }] }) // 1.0
 */
export function suitability(bearing: number, round: TrunkRound): number {
  const parts = suitabilityParts(bearing, round)
  return parts.start + parts.flare + parts.thin - parts.holes
}

/** What a bearing's suitability is made of: start + flare + thin − holes. */
export function suitabilityParts(
  bearing: number,
  round: TrunkRound,
): { start: number; flare: number; thin: number; holes: number } {
  const flares = round.flares ?? []
  let start = 0.4
  let flareShare = 0
  if (flares.length > 0) {
    let best = -1
    for (const flare of flares) {
      const off = apart(bearing, flare.bearing)
      if (off <= flare.halfWidth)
        best = Math.max(best, Math.cos(((off / flare.halfWidth) * Math.PI) / 2) ** 2)
    }
    if (best < 0) start = 0.1
    else flareShare = 0.6 * best
  }
  const twist = round.twist ?? DEFAULTS.twist
  let thin = 0
  for (const s of round.thinSectors ?? [])
    if (inSector(bearing, span360(s, twist))) thin = Math.max(thin, s.severity)
  const closure = round.closureYears ?? DEFAULTS.closureYears
  let holes = 0
  for (const hole of round.earlierHoles ?? []) {
    const s = arc(apart(bearing, hole.bearing), round.portGirth)
    holes += 0.4 * Math.exp(-(s * s) / (2 * TWO_INCHES * TWO_INCHES)) * Math.max(0, 1 - hole.years / closure)
  }
  return { start, flare: flareShare, thin: 0.3 * thin, holes }
}

function span360(sector: Sector, twist: number): Sector {
  if (sector.to - sector.from === 360) return sector
  return { from: wrap(sector.from + twist), to: wrap(sector.to + twist) }
}
