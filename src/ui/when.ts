/** Dates and times as the firm reads them, in the site's time zone. */
import { clockIn } from '@/core/time/calendar'
import { formatter, type Style } from '@/core/time/formatter'

const style = (options: Intl.DateTimeFormatOptions): Style => ({ locale: 'en-GB', options })
const LONG = style({ weekday: 'short', day: 'numeric', month: 'long', year: 'numeric' })
const SHORT = style({ day: 'numeric', month: 'short', year: 'numeric' })
const CLOCK = style({ hour: '2-digit', minute: '2-digit', hour12: false })
const DAY = style({ weekday: 'short', day: 'numeric', month: 'short' })

/** `Fri 12 June 2026` */
export function longDate(at: number | Date, timeZone: string): string {
  return formatter(LONG, timeZone).format(at).replace(/,/g, '')
}

/** `12 Jun 2026` */
export function shortDate(at: number | Date, timeZone: string): string {
  return formatter(SHORT, timeZone).format(at)
}

/** `08:41`; on the device's own clock where no zone is given. */
export function clockTime(at: number | Date, timeZone?: string): string {
  if (timeZone !== undefined) return clockIn(timeZone, at)
  // A device that travels has another clock: its formatter is not kept.
  return new Intl.DateTimeFormat(CLOCK.locale, CLOCK.options).format(at).replace('24:', '00:')
}

/** A calendar date with its day of the week: `Fri 12 June`. */
export function writtenDay(date: string): string {
  return formatter(DAY, 'UTC')
    .format(Date.parse(`${date}T12:00:00Z`))
    .replace(/,/g, '')
}

/** A calendar date such as `2026-06-12`, written out: `12 Jun 2026`. */
export { spokenDate as writtenDate } from '@/core/time/calendar'

/** How far a date is from today: `today`, `in 3 days`, `2 days ago`. */
export function fromToday(date: string, today: string): string {
  const days = Math.round((Date.parse(date) - Date.parse(today)) / 86_400_000)
  if (days === 0) return 'today'
  const n = Math.abs(days)
  const words =
    n < 60
      ? `${n} day${n === 1 ? '' : 's'}`
      : n < 700
        ? `${Math.round(n / 30.44)} months`
        : `${Math.round(n / 365.25)} years`
  return days > 0 ? `in ${words}` : `${words} ago`
}
