import { addDays, dateIn, type PlainDate } from './calendar'
import { formatter, type Style } from './formatter'

const HOUR = 3_600_000
const WALL: Style = {
  locale: 'en-US',
  options: {
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
  },
}

/** How far the wall clock of a time zone is ahead of UTC at an instant, ms. `offsetIn('America/New_York', Date.UTC(2026, 5, 12))` is −4 h. */
export function offsetIn(timeZone: string, at: number): number {
  const parts = Object.fromEntries(
    formatter(WALL, timeZone)
      .formatToParts(at)
      .map((p) => [p.type, Number(p.value)]),
  )
  const wall = Date.UTC(parts.year!, parts.month! - 1, parts.day, parts.hour, parts.minute)
  return wall - Math.floor(at / 60_000) * 60_000
}

/** The instant at which a calendar date begins in a time zone, epoch ms. Where the clock leaves midnight out, the first hour there is. */
export function beginOf(timeZone: string, date: PlainDate): number {
  const wall = Date.parse(`${date}T00:00:00Z`)
  let at = wall - offsetIn(timeZone, wall)
  at = wall - offsetIn(timeZone, at)
  return dateIn(timeZone, new Date(at)) < date ? at + HOUR : at
}

/** How many hours a calendar date has in a time zone: 23 or 25 where the clock is changed on it. */
export function hoursOf(timeZone: string, date: PlainDate): number {
  return Math.round((beginOf(timeZone, addDays(date, 1)) - beginOf(timeZone, date)) / HOUR)
}

/**
 * The instant of a time of a calendar date by the wall clock of a time zone, minutes after midnight, epoch ms. A time that the clock leaves out is the one
 * after the gap; of one that it shows twice, the first.
 * @example instantOf('America/New_York', '2026-06-12', 450) // 11:30 UTC
 */
export function instantOf(timeZone: string, date: PlainDate, minutes: number): number {
  const wall = Date.parse(`${date}T00:00:00Z`) + minutes * 60_000
  const early = wall - offsetIn(timeZone, wall - 86_400_000)
  const late = wall - offsetIn(timeZone, wall + 86_400_000)
  const holds = (at: number) => at + offsetIn(timeZone, at) === wall
  // Before a change of the clock the offset of the day before holds, after it that of the day after.
  return holds(early) ? early : holds(late) ? late : Math.max(early, late)
}
