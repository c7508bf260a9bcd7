/** A calendar date as people and labels mean it, without a clock: `2026-06-12`. */
export type PlainDate = string

// Making a formatter costs far more than using one.
const formatters = new Map<string, Intl.DateTimeFormat>()

function formatter(
  locale: string,
  timeZone: string,
  options: Intl.DateTimeFormatOptions,
): Intl.DateTimeFormat {
  const key = `${locale} ${timeZone}`
  let found = formatters.get(key)
  if (!found) formatters.set(key, (found = new Intl.DateTimeFormat(locale, { timeZone, ...options })))
  return found
}

/** The date on the wall calendar of a time zone at an instant. `dateIn('America/New_York', new Date(0))` is 1969-12-31. */
export function dateIn(timeZone: string, at: Date): PlainDate {
  return formatter('en-CA', timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)
}

/** The month, 1–12, on the wall calendar of a time zone. */
export function monthIn(timeZone: string, at: Date): number {
  return Number(dateIn(timeZone, at).slice(5, 7))
}

/** The hour, 0–23 with minutes as a fraction, on the wall clock of a time zone. */
export function hourIn(timeZone: string, at: Date): number {
  const parts = formatter('en-GB', timeZone, { hour: '2-digit', minute: '2-digit' }).format(at)
  const [h, m] = parts.split(':').map(Number)
  return (h! % 24) + m! / 60
}

/** A date some days on. `addDays('2026-02-28', 1) === '2026-03-01'` */
export function addDays(date: PlainDate, days: number): PlainDate {
  return new Date(Date.parse(`${date}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
}

/** Days from one date to another; negative when the other is earlier. */
export function daysBetween(from: PlainDate, to: PlainDate): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)
}

/** The day of the week, Monday 1 to Sunday 7. `weekday('2026-06-12') === 5` */
export function weekday(date: PlainDate): number {
  return ((new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7) + 1
}

/** The same day some years on; 29 February becomes the 28th. */
export function addYears(date: PlainDate, years: number): PlainDate {
  const shifted = `${Number(date.slice(0, 4)) + years}${date.slice(4)}`
  return date.endsWith('-02-29') && !isDate(shifted) ? `${shifted.slice(0, 8)}28` : shifted
}

/** True for a real calendar date in ISO form. `isDate('2026-02-30') === false` */
export function isDate(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const parsed = new Date(`${text}T00:00:00Z`)
  return !Number.isNaN(parsed.getTime()) && parsed.toISOString().slice(0, 10) === text
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A month as it is said. `spokenMonth('2026-06-09') === 'Jun'` */
export function spokenMonth(date: PlainDate): string {
  return MONTHS[Number(date.slice(5, 7)) - 1]!
}

/** Days of the week as they are said, Monday first. */
export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** The day of the week as it is said. `weekdayName('2026-06-12') === 'Fri'` */
export function weekdayName(date: PlainDate): string {
  return WEEKDAYS[weekday(date) - 1]!
}

/** A day without its year. `spokenDay('2026-06-09') === '9 Jun'` */
export function spokenDay(date: PlainDate): string {
  return `${Number(date.slice(8, 10))} ${spokenMonth(date)}`
}

/** A date as it is said. `spokenDate('2026-06-09') === '9 Jun 2026'` */
export function spokenDate(date: PlainDate): string {
  return `${spokenDay(date)} ${date.slice(0, 4)}`
}
