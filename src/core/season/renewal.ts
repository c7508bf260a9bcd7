import type { PlainDate } from '../time/calendar'

/** When a cover goes on again: as it washes off and leaves grow, or by the days of its card. */
export type RenewalSchool = 'need' | 'calendar'

export interface Renewal {
  /** Per cent of the newest cover that is left now; null where nothing is known. */
  left: number | null
  /** The day until which it is renewed, within the days of its card. */
  by: PlainDate
  /** What that day rests on. */
  why: 'washed or grown off' | 'the longest its card allows' | 'by the calendar'
  /** The card’s days keep it from going on before it is gone. */
  bare: boolean
}

/**
 * Until when a cover is renewed. By need: on the day on which less than half of it is left, but within the days of its card; where the forecast sees
 * no such day, the last of them. By the calendar: the last of them. `gone`: the day on which less than half is left, null where none is seen.
 * Source: handbook, wash-off and repeats.
 *
 * @example renewal({ dueFrom: '2026-06-17', dueTo: '2026-06-20', left: 40, gone: '2026-06-15' }, 'need').by // '2026-06-17'
 */
export function renewal(
  q: { dueFrom: PlainDate; dueTo: PlainDate; left: number | null; gone: PlainDate | null },
  school: RenewalSchool,
): Renewal {
  const { dueFrom, dueTo, left, gone } = q
  const bare = gone !== null && gone < dueFrom
  if (school === 'calendar') return { left, by: dueTo, why: 'by the calendar', bare }
  if (gone === null || gone > dueTo) return { left, by: dueTo, why: 'the longest its card allows', bare }
  return { left, by: bare ? dueFrom : gone, why: 'washed or grown off', bare }
}

/** A renewal in words. `day`: how a date is said. */
export function sayRenewal(r: Renewal, day: (date: PlainDate) => string): string {
  const left = r.left === null ? '' : `${Math.round(r.left)} % of the cover left, `
  if (r.why === 'by the calendar') return `${left}by the calendar, as chosen: until ${day(r.by)}`
  if (r.why === 'the longest its card allows')
    return `${left}renew by ${day(r.by)}, the longest its card allows`
  return r.bare
    ? `${left}gone before its card lets it go on again; renew on ${day(r.by)}`
    : `${left}renew by ${day(r.by)}, when less than half is left`
}
