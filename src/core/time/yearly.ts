import { addDays, isDate, type PlainDate } from './calendar'

/** A stretch of every year, first and last day as month and day: `{ from: '04-01', to: '07-31' }`. It may pass the year’s end. */
export interface Yearly {
  from: string
  to: string
}

/** True for a month and a day that every year has. `isDayOfYear('02-29') === false` */
export function isDayOfYear(text: string): boolean {
  return /^\d{2}-\d{2}$/.test(text) && isDate(`2001-${text}`)
}

/** Whether a date lies in the stretch, its first and last day with it. `isWithin({ from: '11-01', to: '03-15' }, '2026-01-04') === true` */
export function isWithin({ from, to }: Yearly, on: PlainDate): boolean {
  const day = on.slice(5)
  return from <= to ? day >= from && day <= to : day >= from || day <= to
}

/** The first date after the stretch that a date lies in. `firstAfter({ from: '04-01', to: '07-31' }, '2026-06-12') === '2026-08-01'` */
export function firstAfter({ to }: Yearly, on: PlainDate): PlainDate {
  const year = Number(on.slice(0, 4))
  return addDays(on.slice(5) <= to ? `${year}-${to}` : `${year + 1}-${to}`, 1)
}

/** The first day of the stretch that comes after a date. `nextStart({ from: '04-01', to: '07-31' }, '2026-06-12') === '2027-04-01'` */
export function nextStart({ from }: Yearly, on: PlainDate): PlainDate {
  const year = Number(on.slice(0, 4))
  return on.slice(5) < from ? `${year}-${from}` : `${year + 1}-${from}`
}

/** The months by their names. */
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/** A stretch as it is said. `sayYearly({ from: '04-01', to: '07-31' }) === '1 April to 31 July'` */
export function sayYearly({ from, to }: Yearly): string {
  const day = (d: string) => `${Number(d.slice(3))} ${MONTHS[Number(d.slice(0, 2)) - 1]}`
  return `${day(from)} to ${day(to)}`
}

/** Whole months as a stretch. `monthsOf(4, 7)` is 1 April to 31 July. */
export function monthsOf(from: number, to: number): Yearly {
  const two = (n: number) => String(n).padStart(2, '0')
  const next = `2001-${two((to % 12) + 1)}-01`
  return { from: `${two(from)}-01`, to: addDays(next, -1).slice(5) }
}
