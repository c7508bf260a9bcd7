import type { Length } from '../quantity/units'

/** A sector of the trunk, clockwise from `from` to `to`, both ends included; degrees from north. */
export interface Sector {
  from: number
  to: number
}

/** Any angle as 0 ≤ degrees < 360. `wrap(-10) === 350` */
export function wrap(degrees: number): number {
  const w = degrees % 360
  return w < 0 ? w + 360 : w === 0 ? 0 : w
}

/** Degrees from a to b going clockwise. `clockwise(350, 10) === 20` */
export function clockwise(a: number, b: number): number {
  return wrap(b - a)
}

/** The bearing half way round a sector, clockwise. `middleOf({ from: 350, to: 30 }) === 10` */
export function middleOf(sector: Sector): number {
  return wrap(sector.from + clockwise(sector.from, sector.to) / 2)
}

/** Degrees between two bearings the shorter way. `apart(350, 10) === 20` */
export function apart(a: number, b: number): number {
  const d = clockwise(a, b)
  return d > 180 ? 360 - d : d
}

/** Width of a sector in degrees; `{from: 0, to: 360}` is the whole trunk. */
export function span(sector: Sector): number {
  return sector.to - sector.from === 360 ? 360 : clockwise(sector.from, sector.to)
}

/** True when the bearing lies in the sector widened by `widen` degrees at each end. */
export function inSector(bearing: number, sector: Sector, widen = 0): boolean {
  const width = span(sector) + 2 * widen
  if (width >= 360) return true
  const within = clockwise(sector.from - widen, bearing)
  return within <= width + 1e-9 || within >= 360 - 1e-9
}

/** Length along the girth that an angle spans. `arc(90, 1.2) === 0.3` */
export function arc(degrees: number, girth: Length): Length {
  return (degrees / 360) * girth
}

/** Degrees that a length along the girth spans. `degreesOf(0.3, 1.2) === 90` */
export function degreesOf(length: Length, girth: Length): number {
  return (length / girth) * 360
}

const POINTS = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
] as const

/** The side of the trunk in words. `sideInWords(48) === 'north-east'` */
export function sideInWords(bearing: number): string {
  return POINTS[Math.round(wrap(bearing) / 45) % 8]!
}
