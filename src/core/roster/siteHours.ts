import { ok, refuse, type Result } from '../problem'
import { weekday, WEEKDAYS, type PlainDate } from '../time/calendar'
import { ALL_DAY, readClock, sayClock, type Span } from './span'

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

/** True for an hour of the wall clock no part of which the site lets work be done in. `shutIn([{ days: [5], from: 900, to: 1200 }], '2026-06-12T09:00')` */
export function shutIn(hours: readonly SiteHours[], time: string): boolean {
  const from = Number(time.slice(11, 13)) * 60
  return !siteOpen(hours, time.slice(0, 10)).some((s) => s.from < from + 60 && s.to > from)
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

/** As many stretches as a site has. */
const MOST_STRETCHES = 20
const BETWEEN = String.raw`\s*(?:-|–|to)\s*`
const STRETCH = new RegExp(String.raw`^(.*?)\s+(\d{1,2}:\d{2})${BETWEEN}(\d{1,2}:\d{2})$`, 'i')

/**
 * The hours of a site as a person types them: stretches after a semicolon each, days of the week before two clock times; null for nothing, which is any time.
 *
 * Problems at `hours`: `bad-quantity` for a stretch or a day that cannot be read; `out-of-range` for one that ends before it begins, or too many of them.
 * @example readSiteHours('Mon to Fri 15:00 to 20:00; Sat 8:00-12:00').value
 */
export function readSiteHours(text: string): Result<SiteHours[] | null> {
  const parts = text
    .split(/[;\n]/)
    .map((p) => p.trim())
    .filter((p) => p !== '')
  if (parts.length === 0) return ok(null)
  if (parts.length > MOST_STRETCHES)
    return refuse('out-of-range', 'hours', 'At most twenty stretches; put days with the same hours together.')
  const found: SiteHours[] = []
  for (const part of parts) {
    const m = STRETCH.exec(part)
    const days = m && readWeekdays(m[1]!)
    const [from, to] = [m && readClock(m[2]!), m && (m[3] === '24:00' ? 1440 : readClock(m[3]!))]
    if (!days || from === null || to === null)
      return refuse(
        'bad-quantity',
        'hours',
        `“${part.slice(0, 60)}” cannot be read; type days and two times, such as Mon to Fri 15:00 to 20:00.`,
      )
    if (to <= from)
      return refuse(
        'out-of-range',
        'hours',
        `“${part.slice(0, 60)}” ends before it begins; change one of both times.`,
      )
    found.push({ days, from, to })
  }
  return ok(found)
}

/** "Mon to Fri", "Sat, Sun", "every day"; null for what is none. */
function readWeekdays(text: string): number[] | null {
  if (/^(every ?day|daily)$/i.test(text.trim())) return [1, 2, 3, 4, 5, 6, 7]
  const dayOf = (name: string) => {
    const i = WEEKDAYS.findIndex((d) => new RegExp(`^${d}[a-z]*$`, 'i').test(name.trim()))
    return i < 0 ? null : i + 1
  }
  const days: number[] = []
  for (const piece of text.split(/,|\band\b/i)) {
    const [a, b, more] = piece.split(new RegExp(BETWEEN, 'i')).map(dayOf)
    if (a === null || a === undefined || b === null || more !== undefined) return null
    const last = b ?? a
    if (last < a) return null
    for (let d = a; d <= last; d++) days.push(d)
  }
  return [...new Set(days)].sort((x, y) => x - y)
}
