import { reachedOn, type Reached, type Warmth } from './year'

/** Something that comes with the warmth, from a sum to another, °C·d; counted from the year's first day, or from when another was first seen. */
export interface TargetSums {
  from: number
  to: number
  /** What it is counted from, where that is not the year: the sum at which it is looked for, and the day on which it was seen. */
  since?: { from: number; seenDay: number | null }
}

/**
 * When a target begins and ends. One that is counted from a first catch or a first sight goes by that day's own warmth; until it was seen, by the sum
 * at which it is looked for. Null where neither this year nor any past one comes to it. Source: handbook, windows.
 *
 * @example targetDays({ from: 139, to: 278, since: { from: 111, seenDay: 120 } }, { known, day, past }).begins?.day
 */
export function targetDays(
  { from, to, since }: TargetSums,
  q: { known: Warmth; day: number; past: readonly Warmth[] },
): { begins: Reached | null; ends: Reached | null; low: number; high: number } {
  const seen = since?.seenDay ?? null
  const at = since === undefined ? 0 : ((seen === null ? null : q.known[seen]) ?? since.from)
  const reached = (sum: number) => reachedOn(at + sum, q.known, q.day, q.past)
  return { begins: reached(from), ends: reached(to), low: at + from, high: at + to }
}
