import type { Length } from '../quantity/units'
import type { Place } from './place'

/** An outline on a site's plan, in metres east and north, as GeoJSON writes it. */
export interface Outline {
  type: 'Polygon' | 'LineString' | 'Point'
  coordinates: unknown
}

type Point = [east: number, north: number]

/**
 * How far a place lies from an outline, metres: from a polygon's edge, and nothing at all inside it.
 * @example distanceTo({ eastM: 4, northM: 0 }, { type: 'Point', coordinates: [0, 3] }) // 5
 */
export function distanceTo(place: Place, outline: Outline): Length {
  const at: Point = [place.eastM, place.northM]
  if (outline.type === 'Point') return apart(at, outline.coordinates as Point)
  if (outline.type === 'LineString') return toLine(at, outline.coordinates as Point[])
  const rings = outline.coordinates as Point[][]
  if (rings[0] && isInside(at, rings[0]) && !rings.slice(1).some((hole) => isInside(at, hole))) return 0
  return Math.min(...rings.map((ring) => toLine(at, ring)))
}

function apart(a: Point, b: Point): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1])
}

function toLine(at: Point, line: readonly Point[]): number {
  if (line.length === 1) return apart(at, line[0]!)
  let least = Infinity
  for (let i = 1; i < line.length; i++) least = Math.min(least, toSegment(at, line[i - 1]!, line[i]!))
  return least
}

function toSegment(at: Point, a: Point, b: Point): number {
  const [x, y] = [b[0] - a[0], b[1] - a[1]]
  const long = x * x + y * y
  const along = long === 0 ? 0 : Math.max(0, Math.min(1, ((at[0] - a[0]) * x + (at[1] - a[1]) * y) / long))
  return apart(at, [a[0] + along * x, a[1] + along * y])
}

function isInside(at: Point, ring: readonly Point[]): boolean {
  let inside = false
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i]!, ring[j]!]
    if (a[1] > at[1] !== b[1] > at[1] && at[0] < ((b[0] - a[0]) * (at[1] - a[1])) / (b[1] - a[1]) + a[0])
      inside = !inside
  }
  return inside
}
