import type { Phenology } from '@/almanac/season'
import { stageDays, type StageDay } from '@/core/season/stages'
import { usualYear, warmthOf, type Sum, type Warmth } from '@/core/season/year'
import { daysBetween } from '@/core/time/calendar'
import type { SeenRow } from '@/db/queries/season'
import type { WeatherDayRow } from '@/db/queries/weather'
import { PAST_YEARS } from './weather/refresh'

/** From which day on the weather of a place is read to know the usual year. */
export const pastFrom = (today: string) => `${Number(today.slice(0, 4)) - PAST_YEARS - 1}-07-01`

/** This year and the past ones by any sum, from what is kept of days. */
export function yearsOf(kept: readonly WeatherDayRow[], from: string, to: string) {
  const days = kept.flatMap((d) =>
    d.min === null || d.max === null ? [] : [{ date: d.date, min: d.min, max: d.max }],
  )
  const done = new Map<string, { known: Warmth; past: Warmth[]; usual: Warmth }>()
  return (sum: Sum) => {
    const key = JSON.stringify(sum)
    const before = done.get(key)
    if (before) return before
    const past = Array.from({ length: PAST_YEARS }, (_, i) => {
      const back = (date: string) => `${Number(date.slice(0, 4)) - i - 1}${date.slice(4)}`
      return warmthOf(days, sum, back(from), back(to))
    }).filter((p) => p[0] !== null)
    const found = { known: warmthOf(days, sum, from, to), past, usual: usualYear(past) }
    done.set(key, found)
    return found
  }
}

/** When each stage of a kind begins in a year that begins on a day, by its warmth and by what was seen of it. */
export function stagesIn(
  timed: Phenology,
  seen: readonly Pick<SeenRow, 'stage' | 'seenOn'>[],
  q: { begins: string; day: number; known: Warmth; past: readonly Warmth[] },
): StageDay[] {
  const days = seen.map((s) => ({ stage: s.stage, day: daysBetween(q.begins, s.seenOn) }))
  return stageDays(timed, days, q.known, q.day, q.past)
}
