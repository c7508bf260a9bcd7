import { plain } from '../quantity/format'

/** Minutes of work as people say them. `sayMinutes(95)` is "1 h 35 min". */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes)
  return whole < 60 ? `${whole} min` : `${plain(Math.floor(whole / 60), 0)} h ${whole % 60} min`
}

/** A time that passed, in the words of a crew. `sayAgo(90 * 60_000)` is '1 h 30 min' */
export function sayAgo(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  if (minutes < 1) return 'less than a minute'
  return minutes < 48 * 60 ? sayMinutes(minutes) : `${Math.round(minutes / 1440)} days`
}

/** The days between two times. `sayApart({ least: 7, most: 10 })` is '7 to 10 days' */
export function sayApart({ least, most }: { least: number; most: number }): string {
  if (least !== most) return `${least} to ${most} days`
  return `${most} ${most === 1 ? 'day' : 'days'}`
}
