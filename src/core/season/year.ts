import { addDays, daysBetween, type PlainDate } from '../time/calendar'
import { degreeDaysOf, type DayRange, type DegreeDayMethod } from './degreeDays'
import type { Temperature } from '../quantity/units'

/** What warmth is summed above, and how. */
export interface Sum {
  base: Temperature
  method?: DegreeDayMethod
  upper?: Temperature
}

/** A year of warmth: running totals by the number of days since it began, °C·d. Null from a day without weather on. */
export type Warmth = (number | null)[]

/**
 * When the warmth of the year that a day lies in begins to be summed: 1 January in the north, 1 July in the south. Source: handbook, windows.
 * @example yearBegins(-36, '2026-03-01') // '2025-07-01'
 */
export function yearBegins(latitude: number, on: PlainDate): PlainDate {
  const year = Number(on.slice(0, 4))
  if (latitude >= 0) return `${year}-01-01`
  return on.slice(5) >= '07-01' ? `${year}-07-01` : `${year - 1}-07-01`
}

/** Running totals from a first day to a last. A day that is missing ends them: what follows is not known. */
export function warmthOf(days: readonly DayRange[], sum: Sum, from: PlainDate, to: PlainDate): Warmth {
  const byDate = new Map(days.map((d) => [d.date, d]))
  const found: Warmth = []
  let total: number | null = 0
  for (let i = 0; i <= daysBetween(from, to); i++) {
    const day = byDate.get(addDays(from, i))
    total = total === null || !day ? null : total + degreeDaysOf(day, { method: 'sine', ...sum })
    found.push(total)
  }
  return found
}

/** The mean of past years by the number of the day; null where fewer than half of them are known. */
export function usualYear(past: readonly Warmth[]): Warmth {
  const length = Math.max(0, ...past.map((p) => p.length))
  return Array.from({ length }, (_, i) => {
    const known = past.flatMap((p) => p[i] ?? [])
    return known.length * 2 < past.length || known.length === 0
      ? null
      : known.reduce((a, b) => a + b, 0) / known.length
  })
}

/**
 * How many days this year is ahead of the usual one on a day: the usual year comes to today’s warmth so many days later. Negative when it
 * is behind; null where either is not known or nothing is summed yet.
 */
export function daysAhead(now: Warmth, day: number, usual: Warmth): number | null {
  const total = now[day]
  if (total === undefined || total === null || total <= 0) return null
  const later = usual.findIndex((u) => u !== null && u >= total)
  if (later < 0) return null
  const [before, after] = [usual[later - 1] ?? 0, usual[later]!]
  const share = after > before ? (total - before) / (after - before) : 1
  return Math.round(later - 1 + share - day)
}

/**
 * Running totals as far as they are known; after that between the least and the most that the past years brought from the same day on. Null where
 * neither is known.
 *
 * @example expectedWarmth([0, 5], [[0, 4, 9], [0, 6, 8]]) // { least: [0, 5, 7], most: [0, 5, 10] }
 */
export function expectedWarmth(known: Warmth, past: readonly Warmth[]): { least: Warmth; most: Warmth } {
  const last = known.findLastIndex((k) => k !== null)
  const length = Math.max(known.length, ...past.map((p) => p.length))
  const at = (i: number, of: (...n: number[]) => number) => {
    if (i <= last) return known[i]!
    if (last < 0) return null
    const gains = past.flatMap((p) => {
      const [then, now] = [p[i] ?? null, p[last] ?? null]
      return then === null || now === null ? [] : [then - now]
    })
    return gains.length === 0 ? null : known[last]! + of(...gains)
  }
  const days = Array.from({ length }, (_, i) => i)
  return { least: days.map((i) => at(i, Math.min)), most: days.map((i) => at(i, Math.max)) }
}

/** When a sum is come to: a day, and between which days it may be. */
export interface Reached {
  /** Days since the year began. */
  day: number
  earliest: number
  latest: number
  by: 'measured' | 'forecast' | 'past years'
}

/**
 * When a sum of warmth is come to: where it was, the day; else by the forecast, and after that by what each past year brought from the same day
 * on, in the middle of them and between the earliest and the latest. `known`: this year’s totals, measured up to and with day `today`, forecast
 * after it. Null where neither this year nor any past one comes to it.
 */
export function reachedOn(
  sum: number,
  known: Warmth,
  today: number,
  past: readonly Warmth[],
): Reached | null {
  const last = known.findLastIndex((k) => k !== null)
  const own = known.findIndex((k) => k !== null && k >= sum)
  if (own >= 0) return { day: own, earliest: own, latest: own, by: own <= today ? 'measured' : 'forecast' }
  if (last < 0) return null
  const missing = sum - known[last]!
  const days = past.flatMap((year) => {
    const from = year[last]
    if (from === undefined || from === null) return []
    const found = year.findIndex((v, i) => i > last && v !== null && v - from >= missing)
    return found < 0 ? [] : [found]
  })
  if (days.length === 0 || days.length * 2 < past.length) return null
  days.sort((a, b) => a - b)
  return {
    day: days[Math.floor((days.length - 1) / 2)]!,
    earliest: days[0]!,
    latest: days.at(-1)!,
    by: 'past years',
  }
}
