/** Dates and times as the firm reads them, in the site's time zone. */

/** `Fri 12 June 2026` */
export function longDate(at: number | Date, timeZone: string): string {
  return part(at, timeZone, { weekday: 'short', day: 'numeric', month: 'long', year: 'numeric' }).replace(
    /,/g,
    '',
  )
}

/** `12 Jun 2026` */
export function shortDate(at: number | Date, timeZone: string): string {
  return part(at, timeZone, { day: 'numeric', month: 'short', year: 'numeric' })
}

/** `08:41`; on the device's own clock where no zone is given. */
export function clockTime(at: number | Date, timeZone?: string): string {
  return part(at, timeZone, { hour: '2-digit', minute: '2-digit', hour12: false }).replace('24:', '00:')
}

/** A calendar date with its day of the week: `Fri 12 June`. */
export function writtenDay(date: string): string {
  return part(Date.parse(`${date}T12:00:00Z`), 'UTC', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  }).replace(/,/g, '')
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

/** Making a formatter takes seventy times as long as using one, and a list writes hundreds of dates. */
const formatters = new Map<string, Intl.DateTimeFormat>()

function part(at: number | Date, timeZone: string | undefined, options: Intl.DateTimeFormatOptions): string {
  const made = () => new Intl.DateTimeFormat('en-GB', { timeZone, ...options })
  // A device that travels has another clock.
  if (timeZone === undefined) return made().format(at)
  const key = `${timeZone} ${JSON.stringify(options)}`
  let formatter = formatters.get(key)
  if (!formatter) formatters.set(key, (formatter = made()))
  return formatter.format(at)
}
