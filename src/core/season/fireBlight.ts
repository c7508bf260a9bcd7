import { toSI, type Length, type Temperature } from '../quantity/units'
import { sensible } from '../quantity/pair'
import type { Working } from '../working/working'

/** All figures here. Source: handbook, fire blight in bloom. */
const WARM_ABOVE: Temperature = toSI(65, 'F')
const DEGREE_HOURS = 198
const BLOSSOM_DAYS = 7
const WET_RAIN: Length = toSI(0.01, 'in')
const RAIN_BEFORE: Length = toSI(0.1, 'in')
const WARM_DAY: Temperature = toSI(60, 'F')

/** A day of the bloom: its hours' temperatures, its rain, and whether dew or a spray wetted the blossoms. */
export interface BloomDay {
  hours: readonly Temperature[]
  rain: Length
  wetted: boolean
}

export type Condition = 'open blossoms' | 'warmth' | 'wetting' | 'a warm day'

export interface BlightDay {
  risk: 'infection' | 'high' | 'moderate' | 'low'
  /** °F·h above 65 °F that the oldest open blossom has had. */
  degreeHours: number
  missing: Condition[]
  working: Working
}

/** Degree hours above 65 °F in hours of temperatures, °F·h. */
export function warmHours(hours: readonly Temperature[]): number {
  return hours.reduce((sum, t) => sum + Math.max(0, t - WARM_ABOVE), 0) * 1.8
}

const mean = (list: readonly number[]) =>
  list.length === 0 ? -Infinity : list.reduce((a, b) => a + b, 0) / list.length

/**
 * The risk of fire blight on each day: infection when all four hold (open blossoms; 198 degree hours above 65 °F in the life of a blossom, about seven
 * days; a wetting; a warm day), high with three, moderate with two; outside the bloom low. `bloom`: the index of its first and last day; null when it is not known to have
 * begun. Source: handbook, fire blight in bloom.
 */
export function blightDays(
  days: readonly BloomDay[],
  bloom: { first: number; last: number } | null,
): BlightDay[] {
  return days.map((day, i) => {
    const open = bloom !== null && i >= bloom.first && i <= bloom.last
    const since = bloom === null ? i : Math.max(bloom.first, i - BLOSSOM_DAYS + 1)
    const degreeHours =
      bloom === null || i < bloom.first ? 0 : warmHours(days.slice(since, i + 1).flatMap((d) => d.hours))
    const wet = day.rain >= WET_RAIN - 1e-12 || day.wetted || (days[i - 1]?.rain ?? 0) > RAIN_BEFORE + 1e-12
    const warmth = mean(day.hours)
    const holds: [Condition, boolean][] = [
      ['open blossoms', open],
      ['warmth', degreeHours >= DEGREE_HOURS - 1e-9],
      ['wetting', wet],
      ['a warm day', warmth >= WARM_DAY - 1e-9],
    ]
    const missing = holds.filter(([, yes]) => !yes).map(([what]) => what)
    const risk = (['infection', 'high', 'moderate'] as const)[missing.length] ?? 'low'
    return {
      // Without an open blossom there is nothing to enter by.
      risk: open ? risk : 'low',
      degreeHours,
      missing,
      working: [
        {
          label: 'Open blossoms',
          expression: bloom === null ? 'bloom has not begun' : open ? 'in bloom' : 'no blossom is open',
          result: open ? 'yes' : 'no',
          source: 'reading',
        },
        {
          label: 'Warmth a blossom has had',
          expression: `degree hours above 65 °F in at most ${BLOSSOM_DAYS} days, ${DEGREE_HOURS} needed`,
          result: `${sensible(degreeHours, 0)} °F·h`,
          source: 'computed',
        },
        {
          label: 'Wetting',
          expression: 'rain of 0.01 in, dew or a wet spray; or more than 0.1 in the day before',
          result: wet ? 'yes' : 'no',
          source: 'reading',
        },
        {
          label: 'Mean of the day',
          expression: 'at or above 60 °F',
          result: Number.isFinite(warmth) ? `${sensible(warmth * 1.8 + 32, 0)} °F` : 'not known',
          source: 'reading',
        },
      ],
    }
  })
}
