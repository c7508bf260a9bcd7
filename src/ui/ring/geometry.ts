import { curveCatmullRomClosed, lineRadial } from 'd3-shape'
import { apart, clockwise, wrap } from '@/core/ports/bearing'
import type { RingMark } from '@/core/ports/marks'

/** Radius of the mean trunk in the ring's own units; the drawing spans ±200. */
export const R = 118

const rad = (degrees: number) => (degrees * Math.PI) / 180

/** A place on the drawing: `bearing` clockwise from north, which is up. */
export function at(bearing: number, radius: number): { x: number; y: number } {
  return { x: round(radius * Math.sin(rad(bearing))), y: round(-radius * Math.cos(rad(bearing))) }
}

// Server and browser must write the same text, down to the last digit.
function round(n: number): number {
  return Math.round(n * 100) / 100
}

/** Dots on the bark at bearings, as one path of no length that is drawn with round ends: a list draws hundreds. */
export function dotsPath(
  bearings: readonly number[],
  marks: readonly Pick<RingMark, 'kind' | 'from' | 'to'>[],
): string {
  return bearings
    .map((b) => at(b, barkRadius(b, marks)))
    .map(({ x, y }) => `M${Math.round(x)} ${Math.round(y)}h0`)
    .join('')
}

/** The bearing of a place on the drawing, whole degrees. */
export function bearingOf(x: number, y: number): number {
  return wrap(Math.round((Math.atan2(x, -y) * 180) / Math.PI))
}

/** How far the bark stands out at a bearing: flares swell it, valleys between them draw it in. */
export function barkRadius(
  bearing: number,
  marks: readonly Pick<RingMark, 'kind' | 'from' | 'to'>[],
): number {
  const flares = marks.filter((m) => m.kind === 'flare')
  if (flares.length === 0) return R
  let swell = 0
  for (const f of flares) {
    const half = Math.max(1, clockwise(f.from, f.to) / 2)
    const off = apart(bearing, wrap(f.from + half))
    // The swelling fades a little beyond the sector, as roots do.
    if (off < half * 1.5) swell = Math.max(swell, Math.cos(((off / (half * 1.5)) * Math.PI) / 2) ** 2)
  }
  return R * (0.93 + 0.15 * swell)
}

/** The trunk's outline, or a ring inside it: `share` 1 is the bark, 0 the pith; inner rings lose the flares. */
export function outline(marks: readonly RingMark[], share = 1): string {
  const points = Array.from({ length: 72 }, (_, i): [number, number] => {
    const bearing = i * 5
    const bark = barkRadius(bearing, marks)
    const own = R * share + (bark - R) * share ** 3
    return [rad(bearing), round(own)]
  })
  return (lineRadial().curve(curveCatmullRomClosed)(points) ?? '').replace(/-?\d+\.\d{3,}/g, (n) =>
    String(round(Number(n))),
  )
}

/** The trunk's outline for a ring of a few pixels: whole units, thirty-six corners, a circle where nothing swells. */
export function smallOutline(marks: readonly Pick<RingMark, 'kind' | 'from' | 'to'>[]): string {
  if (!marks.some((m) => m.kind === 'flare'))
    return `M0,${-R}A${R},${R} 0 1 1 0,${R}A${R},${R} 0 1 1 0,${-R}Z`
  const corners = Array.from({ length: 36 }, (_, i) => {
    const p = at(i * 10, barkRadius(i * 10, marks))
    return `${Math.round(p.x)},${Math.round(p.y)}`
  })
  return `M${corners.join('L')}Z`
}

/** A sector between two radii, clockwise; radii may follow the bark. */
export function sectorPath(
  from: number,
  to: number,
  inner: (b: number) => number,
  outer: (b: number) => number,
): string {
  const width = Math.max(1, clockwise(from, to))
  const steps = Math.max(2, Math.ceil(width / 4))
  const bearings = Array.from({ length: steps + 1 }, (_, i) => from + (width * i) / steps)
  const out = bearings.map((b) => at(b, outer(b)))
  const back = [...bearings].reverse().map((b) => at(b, inner(b)))
  return `M${[...out, ...back].map((p) => `${p.x},${p.y}`).join('L')}Z`
}

/** An open arc at one radius, clockwise. */
export function arcPath(from: number, to: number, radius: number): string {
  const width = clockwise(from, to) || 359.9
  const a = at(from, radius)
  const b = at(from + width, radius)
  return `M${a.x},${a.y}A${radius},${radius} 0 ${width > 180 ? 1 : 0} 1 ${b.x},${b.y}`
}

/** A line that follows the bark from one bearing to another, `off` outside it. */
export function alongBark(from: number, to: number, marks: readonly RingMark[], off: number): string {
  const width = Math.max(1, clockwise(from, to))
  const steps = Math.max(2, Math.ceil(width / 4))
  const points = Array.from({ length: steps + 1 }, (_, i) => from + (width * i) / steps)
  return `M${points
    .map((b) => at(b, barkRadius(wrap(b), marks) + off))
    .map((p) => `${p.x},${p.y}`)
    .join('L')}`
}
