import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import type { Temperature } from '../quantity/units'
import { addDays, isDate, spokenDate, type PlainDate } from '../time/calendar'
import type { Working } from '../working/working'

export type DegreeDayMethod = 'sine' | 'average'

export interface DayRange {
  date: PlainDate
  min: Temperature
  max: Temperature
}

export interface DegreeDayInput {
  method: DegreeDayMethod
  base: Temperature
  /** Horizontal cut-off: warmth above it counts no more. */
  upper?: Temperature
  days: DayRange[]
  units?: UnitSystem
}

export interface DegreeDays {
  /** In °C·d; a total runs from the first day given. */
  days: { date: PlainDate; degreeDays: number; total: number }[]
  working: Working
}

/** Colder or hotter than anything measured in the shade, °C. */
const COLDEST = -90
const HOTTEST = 60

/**
 * The day's degrees above a threshold when the temperature runs as a sine from `min` to `max`: the area above it, °C·d.
 * @example sineAbove(toSI(38, 'F'), toSI(61, 'F'), toSI(50, 'F')) // 1.897 °C·d = 3.414 °F·d
 */
export function sineAbove(min: Temperature, max: Temperature, threshold: Temperature): number {
  const mean = (max + min) / 2
  if (threshold <= min) return mean - threshold
  if (threshold >= max) return 0
  const swing = (max - min) / 2
  const from = Math.asin(Math.max(-1, Math.min(1, (threshold - mean) / swing)))
  return Math.max(0, ((mean - threshold) * (Math.PI / 2 - from) + swing * Math.cos(from)) / Math.PI)
}

/** One day's degree days by either method, never below zero, °C·d. */
export function degreeDaysOf(
  { min, max }: Pick<DayRange, 'min' | 'max'>,
  { method, base, upper }: Pick<DegreeDayInput, 'method' | 'base' | 'upper'>,
): number {
  if (method === 'average') {
    const cap = (t: Temperature) => (upper === undefined ? t : Math.min(t, upper))
    return Math.max(0, (cap(max) + cap(min)) / 2 - base)
  }
  return Math.max(0, sineAbove(min, max, base) - (upper === undefined ? 0 : sineAbove(min, max, upper)))
}

/**
 * Degree days for consecutive days, with the running total.
 *
 * `average`: mean of the day's extremes less the base, extremes first capped at `upper`, never below zero. `sine`: the
 * area of the day's sine above the base less the area above `upper` (a cut-off below the night's minimum leaves
 * `upper − base`). Problems: `missing` without days; `bad-quantity` for a date that is none; `out-of-range` for a
 * minimum above the maximum, a gap or repetition in the dates, a cut-off not above the base, impossible temperatures.
 * Source: handbook, season.
 * @example degreeDays({ method: 'sine', base: 10, days: [{ date: '2026-03-02', min: 11.1, max: 21.1 }] })
 */
export function degreeDays(input: DegreeDayInput): Result<DegreeDays> {
  const units = input.units ?? 'us'
  const sane = (t: Temperature) => t >= COLDEST && t <= HOTTEST
  const weather = (field: string) =>
    refuse(
      'out-of-range',
      field,
      `A temperature lies between ${shown(COLDEST, 'F', units, 0)} and ${shown(HOTTEST, 'F', units, 0)}; check the number and the unit.`,
    )
  if (!sane(input.base)) return weather('base')
  if (input.upper !== undefined && !sane(input.upper)) return weather('upper')
  if (input.upper !== undefined && input.upper <= input.base)
    return refuse('out-of-range', 'upper', 'The upper cut-off must be above the base.')
  if (input.days.length === 0) return refuse('missing', 'days', 'There is no day; give at least one.')
  const t = (c: Temperature) => shown(c, 'F', units, 1)
  const perDegree = units === 'us' ? 1.8 : 1
  const unit = units === 'us' ? '°F·d' : '°C·d'
  const days: DegreeDays['days'] = []
  const working: Working = [
    {
      label: input.method === 'sine' ? 'By the day’s sine' : 'By the day’s average',
      expression: `above ${t(input.base)}${input.upper === undefined ? '' : `, no more above ${t(input.upper)}`}`,
      result: `${input.days.length} ${input.days.length === 1 ? 'day' : 'days'}`,
      source: 'choice',
    },
  ]
  let total = 0
  for (const [i, day] of input.days.entries()) {
    if (!isDate(day.date))
      return refuse('bad-quantity', `days[${i}].date`, 'A date is written as 2026-03-01; check it.')
    const before = input.days[i - 1]
    if (before && day.date !== addDays(before.date, 1))
      return refuse(
        'out-of-range',
        `days[${i}].date`,
        day.date === before.date
          ? `${day.date} is given twice; keep one.`
          : `${day.date} does not follow ${before.date}; give every day once, in order.`,
      )
    if (!sane(day.min)) return weather(`days[${i}].min`)
    if (!sane(day.max)) return weather(`days[${i}].max`)
    if (day.min > day.max)
      return refuse(
        'out-of-range',
        `days[${i}].min`,
        `The minimum of ${spokenDate(day.date)} is above its maximum; change them over.`,
      )
    const own = degreeDaysOf(day, input)
    total += own
    days.push({ date: day.date, degreeDays: own, total })
    if (i < 40)
      working.push({
        label: spokenDate(day.date),
        expression: `${t(day.min)} to ${t(day.max)}`,
        result: `${sensible(own * perDegree, 2)}, in all ${sensible(total * perDegree, 2)} ${unit}`,
        source: 'reading',
      })
  }
  return ok({ days, working })
}
