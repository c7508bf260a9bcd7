import { isOf } from '../kind/kind'
import { refuse, type Result } from '../problem'
import { addDays, daysBetween, spokenDate } from '../time/calendar'

/** What is asked before a product goes on a crop that keeps days before its harvest. */
export interface HarvestQuestion {
  /** The kind of tree, by its id. */
  host: string
  /** Crops the label names, with the days it keeps before their harvest. */
  foodCrops?: readonly { host: string; harvestDays: number }[]
  /** People eat of it. */
  eaten: boolean
  /** The day of the work. */
  on: string
  /** The day on which picking begins; null while nobody said it. */
  harvestOn: string | null
}

/** Days a label keeps before the harvest of a kind; 0 where it keeps none. `harvestDaysOf([{ host: 'pear', harvestDays: 30 }], 'pear') === 30` */
export function harvestDaysOf(crops: HarvestQuestion['foodCrops'], host: string): number {
  return crops?.find((c) => isOf([c.host], host))?.harvestDays ?? 0
}

/**
 * Whether a product may go on so near before the harvest. A harvest that is over by the day of the work stands in no way.
 * Problems: `missing` (field `harvestOn`) while the day of picking is not named, `not-allowed` (field `onDate`) too near to it.
 * Null when nothing stands against it. Source: label, days to harvest.
 *
 * @example refusedForHarvest({ host: 'pear', foodCrops: [{ host: 'pear', harvestDays: 30 }], eaten: true, on: '2026-08-20', harvestOn: '2026-09-01' }) // not-allowed
 */
export function refusedForHarvest(q: HarvestQuestion): Result<never> | null {
  const days = harvestDaysOf(q.foodCrops, q.host)
  if (days === 0 || !q.eaten) return null
  if (q.harvestOn === null)
    return refuse(
      'missing',
      'harvestOn',
      `The card keeps ${days} days before the harvest; name the day on which picking begins.`,
    )
  const left = daysBetween(q.on, q.harvestOn)
  return left >= 0 && left < days
    ? refuse(
        'not-allowed',
        'onDate',
        `The card keeps ${days} days before the harvest, and picking begins ${spokenDate(q.harvestOn)}, ${left} days on. Last day: ${spokenDate(addDays(q.harvestOn, -days))}.`,
      )
    : null
}
