import { weekday, WEEKDAYS, type PlainDate } from '../time/calendar'
import { ALL_DAY, sayClock, type Span } from './span'

/** A stretch of the day in which work may be done at a site, on the days of the week it holds, Monday 1. */
export interface SiteHours extends Span {
  days: number[]
}

/**
 * In which stretches of a day work may be done at a site; all of it where the site says nothing.
 * @example siteOpen([{ days: [1, 2, 3, 4, 5], from: 900, to: 1200 }], '2026-06-12') // [{ from: 900, to: 1200 }]
 */
export function siteOpen(hours: readonly SiteHours[] | null, date: PlainDate): readonly Span[] {
  if (hours === null) return ALL_DAY
  return hours
    .filter((h) => h.days.includes(weekday(date)))
    .map(({ from, to }) => ({ from, to }))
    .sort((a, b) => a.from - b.from)
}

/** Days of the week as they are said. `sayWeekdays([1, 2, 3, 4, 5])` is "Mon to Fri" */
export function sayWeekdays(days: readonly number[]): string {
  const sorted = [...new Set(days)].sort((a, b) => a - b)
  const inRow = sorted.length > 2 && sorted.at(-1)! - sorted[0]! === sorted.length - 1
  return inRow
    ? `${WEEKDAYS[sorted[0]! - 1]} to ${WEEKDAYS[sorted.at(-1)! - 1]}`
    : sorted.map((d) => WEEKDAYS[d - 1]).join(', ')
}

/** The hours of a site in one line. */
export function saySiteHours(hours: readonly SiteHours[] | null): string {
  if (hours === null) return 'any time'
  if (hours.length === 0) return 'at no time'
  return hours.map((h) => `${sayWeekdays(h.days)} ${sayClock(h.from)} to ${sayClock(h.to)}`).join('; ')
}
