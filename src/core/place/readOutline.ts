import { ok, refuse, type Result } from '../problem'
import { coveredArea } from './coveredArea'
import type { Outline } from './distance'
import { OUTLINE, type OutlineKind } from './outlineKinds'

/** Farther than this from a plan’s corner nothing is drawn, m. */
export const PLAN_REACH_M = 10_000
/** Corners of one outline. */
export const MOST_CORNERS = 500
/** Corners that are nearer than this are one, m. */
const ONE_POINT_M = 0.01
/** The smallest area that is drawn, m². */
const LEAST_AREA_M2 = 0.05

type Point = [east: number, north: number]

/**
 * Reads an outline as it was drawn or comes from a file, in metres east and north: the shape goes with its kind, an area is closed and does
 * not cross itself, corners on one spot are one. Problems, field `geometry`: `bad-quantity` for what is no such shape, `out-of-range`
 * for too many corners, a place far off the plan, and an outline that crosses itself or covers nothing.
 *
 * @example readOutline('well', { type: 'Point', coordinates: [3, 4] }).value.coordinates // [3, 4]
 */
export function readOutline(
  kind: OutlineKind,
  geometry: { type: string; coordinates: unknown },
): Result<Outline> {
  const { name, shapes } = OUTLINE[kind]
  const type = shapes.find((s) => s === geometry.type)
  if (!type)
    return no('bad-quantity', `${name} is drawn as ${shapes.map((s) => SHAPES[s]).join(' or ')}; draw it so.`)
  if (type === 'Point') {
    const at = readPoint(geometry.coordinates)
    return at.ok ? ok({ type, coordinates: at.value }) : at
  }
  if (!Array.isArray(geometry.coordinates) || geometry.coordinates.length === 0)
    return no('bad-quantity', NO_SHAPE)
  const rings = type === 'Polygon' ? (geometry.coordinates as unknown[]) : [geometry.coordinates]
  const read: Point[][] = []
  let corners = 0
  for (const ring of rings) {
    if (!Array.isArray(ring)) return no('bad-quantity', NO_SHAPE)
    corners += ring.length
    if (corners > MOST_CORNERS + 1)
      return no(
        'out-of-range',
        `${name} has more than ${MOST_CORNERS} corners; draw it simpler, or in parts.`,
      )
    const points: Point[] = []
    for (const corner of ring) {
      const at = readPoint(corner)
      if (!at.ok) return at
      if (points.length === 0 || apart(points.at(-1)!, at.value) > ONE_POINT_M) points.push(at.value)
    }
    if (type === 'Polygon' && points.length > 1 && apart(points[0]!, points.at(-1)!) <= ONE_POINT_M)
      points.pop()
    if (points.length < (type === 'Polygon' ? 3 : 2))
      return no(
        'out-of-range',
        type === 'Polygon'
          ? `${name} needs three corners or more; press the plan at each.`
          : `${name} needs two points or more; press the plan at each.`,
      )
    read.push(points)
  }
  if (type === 'LineString') return ok({ type, coordinates: read[0]! })
  if (read.some(crossesItself))
    return no('out-of-range', `${name} crosses itself; take corners back until it goes round once.`)
  const outline: Outline = { type, coordinates: read.map((ring) => [...ring, ring[0]!]) }
  if (!(coveredArea([outline]) >= LEAST_AREA_M2))
    return no('out-of-range', `${name} covers nothing; press the plan at corners that lie apart.`)
  return ok(outline)
}

const SHAPES = { Polygon: 'an area', LineString: 'a line', Point: 'a spot' }
const NO_SHAPE = 'This is no outline that can be read; draw it on the plan.'

function readPoint(corner: unknown): Result<Point> {
  const [east, north] = Array.isArray(corner) ? (corner as unknown[]) : []
  if (
    typeof east !== 'number' ||
    typeof north !== 'number' ||
    !Number.isFinite(east) ||
    !Number.isFinite(north)
  )
    return no('bad-quantity', NO_SHAPE)
  if (Math.abs(east) > PLAN_REACH_M || Math.abs(north) > PLAN_REACH_M)
    return no('out-of-range', 'This lies more than 10 km off the plan; check where the site’s corner is.')
  return ok([east, north])
}

const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** True where two sides of a closed ring meet that do not follow each other. */
function crossesItself(ring: readonly Point[]): boolean {
  const n = ring.length
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue
      if (meet(ring[i]!, ring[i + 1]!, ring[j]!, ring[(j + 1) % n]!)) return true
    }
  return false
}

function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))
  const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)]
  if (s1 !== s2 && s3 !== s4) return true
  const on = (p: Point, q: Point, r: Point) =>
    Math.min(p[0], q[0]) <= r[0] &&
    r[0] <= Math.max(p[0], q[0]) &&
    Math.min(p[1], q[1]) <= r[1] &&
    r[1] <= Math.max(p[1], q[1])
  return (
    (s1 === 0 && on(a, b, c)) ||
    (s2 === 0 && on(a, b, d)) ||
    (s3 === 0 && on(c, d, a)) ||
    (s4 === 0 && on(c, d, b))
  )
}

const no = (code: 'bad-quantity' | 'out-of-range', message: string): Result<never> =>
  refuse(code, 'geometry', message)
