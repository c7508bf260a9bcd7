import { dayNumber, isDate } from './calendar'

const HOUR = 3_600_000

/**
 * The instant of a wall-clock time as if it were UTC, or null for what is none; seconds and zone are left aside.
 * `wallClock('2026-05-04T06:00')` is 1777874400000.
 */
export function wallClock(time: string): number | null {
  const m = /^(\d{4}-\d{2}-\d{2})T(\d{2}):(\d{2})(?::\d{2}(?:\.\d+)?)?(?:Z|[+-]\d{2}:\d{2})?$/.exec(time)
  if (!m || Number(m[2]) > 23 || Number(m[3]) > 59) return null
  if (!isDate(m[1]!)) return null
  return dayNumber(m[1]!)! * 24 * HOUR + Number(m[2]) * HOUR + Number(m[3]) * 60_000
}

/** The wall-clock time of such an instant. `sayWallClock(1777874400000)` is '2026-05-04T06:00'. */
export function sayWallClock(at: number): string {
  return new Date(at).toISOString().slice(0, 16)
}
