import { addDays, type PlainDate } from '../time/calendar'

/** A step of a line of work: on the day itself, or so many days after an earlier one is done. */
export interface Waits {
  /** `item` is the place of the other in the line. */
  after: { item: number; days: number } | null
}

/** As many days as lie between two steps of a line at most. */
export const MOST_DAYS_APART = 400

/**
 * The day each step of a line falls on when everything is done on its day. A step waits only for one before it.
 *
 * @example daysOfLine([{ after: null }, { after: { item: 0, days: 28 } }], '2026-06-12') // ['2026-06-12', '2026-07-10']
 */
export function daysOfLine(line: readonly Waits[], onDate: PlainDate): PlainDate[] {
  const days: PlainDate[] = []
  for (const { after } of line) days.push(after === null ? onDate : addDays(days[after.item]!, after.days))
  return days
}

/**
 * A step moved by hand, by so many days: what waits for it moves with it. A step on the day itself moves the day, never before
 * `today`; a step that waits never comes before the one it waits for, nor more than {@link MOST_DAYS_APART} days after it.
 *
 * @example moveStep(line, 1, 7, { onDate: '2026-06-12', today: '2026-06-12' }) // { onDate: '2026-06-12', days: 35 }
 */
export function moveStep(
  line: readonly Waits[],
  n: number,
  by: number,
  { onDate, today }: { onDate: PlainDate; today: PlainDate },
): { onDate: PlainDate; days: number | null } {
  const after = line[n]!.after
  if (after !== null) return { onDate, days: Math.min(MOST_DAYS_APART, Math.max(0, after.days + by)) }
  const moved = addDays(onDate, by)
  return { onDate: moved < today ? (onDate < today ? onDate : today) : moved, days: null }
}
