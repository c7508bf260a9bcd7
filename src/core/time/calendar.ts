import { formatter, type Style } from './formatter'

/** A calendar date as people and labels mean it, without a clock: `2026-06-12`. */
export type PlainDate = string

const DATE: Style = { locale: 'en-CA', options: { year: 'numeric', month: '2-digit', day: '2-digit' } }
const CLOCK: Style = { locale: 'en-GB', options: { hour: '2-digit', minute: '2-digit' } }

/** The date on the wall calendar of a time zone at an instant. `dateIn('America/New_York', new Date(0))` is 1969-12-31. */
export function dateIn(timeZone: string, at: Date): PlainDate {
  return formatter(DATE, timeZone).format(at)
}

/** The month, 1–12, on the wall calendar of a time zone. */
export function monthIn(timeZone: string, at: Date): number {
  return Number(dateIn(timeZone, at).slice(5, 7))
}

/** The hour, 0–23 with minutes as a fraction, on the wall clock of a time zone. */
export function hourIn(timeZone: string, at: Date): number {
  const parts = formatter(CLOCK, timeZone).format(at)
  const [h, m] = parts.split(':').map(Number)
  return (h! % 24) + m! / 60
}

/** The time on the wall clock of a time zone: `08:41`. */
export function clockIn(timeZone: string, at: number | Date): string {
  return formatter(CLOCK, timeZone).format(at).replace('24:', '00:')
}

const two = (text: string, at: number) => {
  const [a, b] = [text.charCodeAt(at) - 48, text.charCodeAt(at + 1) - 48]
  return a >= 0 && a <= 9 && b >= 0 && b <= 9 ? a * 10 + b : Number.NaN
}

/**
 * Days from 1 January 1970 to a date, or null for what has not the form of one; a day that its month does not have counts on into the next. A reckoning by whole
 * numbers, as dates are asked by the million.
 * @example dayNumber('1970-02-01') // 31
 */
export function dayNumber(date: string): number | null {
  if (date.length !== 10 || date[4] !== '-' || date[7] !== '-') return null
  const [month, day] = [two(date, 5), two(date, 8)]
  const year = two(date, 0) * 100 + two(date, 2)
  if (!(month >= 1 && month <= 12 && day >= 1 && day <= 31 && year >= 0)) return null
  // Years begin in March, so that a leap day is the last of its year.
  const y = month <= 2 ? year - 1 : year
  const era = Math.floor(y / 400)
  const ofEra = y - era * 400
  const ofYear = Math.floor((153 * (month > 2 ? month - 3 : month + 9) + 2) / 5) + day - 1
  return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468
}

/** The date so many days after 1 January 1970; the other way about than {@link dayNumber}. */
function dateOfNumber(days: number): PlainDate {
  const z = days + 719_468
  const era = Math.floor(z / 146_097)
  const ofEra = z - era * 146_097
  const year = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  )
  const ofYear = ofEra - (365 * year + Math.floor(year / 4) - Math.floor(year / 100))
  const march = Math.floor((5 * ofYear + 2) / 153)
  const day = ofYear - Math.floor((153 * march + 2) / 5) + 1
  const month = march < 10 ? march + 3 : march - 9
  const full = year + era * 400 + (month <= 2 ? 1 : 0)
  return `${String(full).padStart(4, '0')}-${month < 10 ? '0' : ''}${month}-${day < 10 ? '0' : ''}${day}`
}

/** The first and the last day that a date of four figures for its year can be. */
const [FIRST_DAY, LAST_DAY] = [-719_528, 2_932_896]

/** A date some days on. `addDays('2026-02-28', 1) === '2026-03-01'` */
export function addDays(date: PlainDate, days: number): PlainDate {
  const at = dayNumber(date)
  const to = at === null ? Number.NaN : at + Math.floor(days)
  if (!(to >= FIRST_DAY && to <= LAST_DAY)) throw new RangeError(`no date: ${date} and ${days} days`)
  return dateOfNumber(to)
}

/** Days from one date to another; negative when the other is earlier. */
export function daysBetween(from: PlainDate, to: PlainDate): number {
  return (dayNumber(to) ?? Number.NaN) - (dayNumber(from) ?? Number.NaN)
}

/** The day of the week, Monday 1 to Sunday 7. `weekday('2026-06-12') === 5` */
export function weekday(date: PlainDate): number {
  // 1 January 1970 was a Thursday.
  return (((((dayNumber(date) ?? Number.NaN) + 3) % 7) + 7) % 7) + 1
}

/** The same day some years on; 29 February becomes the 28th. */
export function addYears(date: PlainDate, years: number): PlainDate {
  const shifted = `${Number(date.slice(0, 4)) + years}${date.slice(4)}`
  return date.endsWith('-02-29') && !isDate(shifted) ? `${shifted.slice(0, 8)}28` : shifted
}

/** True for a real calendar date in ISO form. `isDate('2026-02-30') === false` */
export function isDate(text: string): boolean {
  const at = dayNumber(text)
  // Days up to the 28th are in every month.
  return at !== null && (text < `${text.slice(0, 8)}29` || dateOfNumber(at) === text)
}

/** Months as they are said short, January first. */
export const SHORT_MONTHS = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sep',
  'Oct',
  'Nov',
  'Dec',
]

/** A month as it is said. `spokenMonth('2026-06-09') === 'Jun'` */
export function spokenMonth(date: PlainDate): string {
  return SHORT_MONTHS[Number(date.slice(5, 7)) - 1]!
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

/** A day with its day of the week. `spokenWeekday('2026-06-12') === 'Fri 12 Jun'` */
export function spokenWeekday(date: PlainDate): string {
  return `${weekdayName(date)} ${spokenDay(date)}`
}

/** A date as it is said. `spokenDate('2026-06-09') === '9 Jun 2026'` */
export function spokenDate(date: PlainDate): string {
  return `${spokenDay(date)} ${date.slice(0, 4)}`
}
