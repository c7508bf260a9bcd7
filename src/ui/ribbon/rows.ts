import type { Warmth } from '@/core/season/year'
import type { Span } from './layout'

/** Heights of the dates, of the curves and of each lane, px. */
export const AXIS = 24
export const CHART = 96
export const LANE = 26

/** How far beyond what is seen it is drawn to either side, in widths of what is seen. */
export const REACH = 1

/** Where the lanes and the rows of pins begin; `named` is the room their names take above them on a narrow screen. */
export function topsOf(lanes: number, named: number) {
  const laneTop = (i: number) => AXIS + CHART + 10 + i * (LANE + named)
  return { laneTop, pinTop: (i: number) => laneTop(lanes) + 8 + i * (LANE + named) }
}

/** The most warmth of the days that are seen, degree days; at least 1. */
export function mostOf(known: Warmth, usual: Warmth, span: Span): number {
  return Math.max(1, ...seenOf(known, usual, span))
}

/** The warmth of the days that are seen, as far as it is known. */
export const seenOf = (known: Warmth, usual: Warmth, [a, b]: Span) =>
  [known, usual].flatMap((year) =>
    year.slice(Math.max(0, Math.floor(a)), Math.ceil(b) + 1).flatMap((v) => v ?? []),
  )
