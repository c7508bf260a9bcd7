import { almanacDay, placeDay } from '../gate/calendar'
import type { Repeats } from '../methods/facts'
import { addDays, type PlainDate } from '../time/calendar'
import { firstAfter, nextStart } from '../time/yearly'

/** Between which days work is due again, and the last day on which it may still be done; null where no season ends it. */
export interface NextTime {
  dueFrom: PlainDate
  dueTo: PlainDate
  endsOn: PlainDate | null
}

/** What is renewed once a year may still be done so long after its days. House figure. */
const LATE_DAYS = 60

/**
 * When work that was done on a day is due again: some days on, within its season, or in the same stretch of the next year. Days of a
 * season are those of the north, and lie half a year off in the south. `over` where its season ends before it is due. Source: handbook, nothing
 * promised goes away by itself.
 *
 * @example nextTime({ least: 7, most: 10, season: { from: '03-01', to: '11-15' } }, '2026-06-12', false).dueFrom // '2026-06-19'
 */
export function nextTime(
  { least, most, season, yearly }: Repeats,
  on: PlainDate,
  south: boolean,
): NextTime & { over: boolean } {
  const day = almanacDay(on, south)
  if (yearly) {
    const from = nextStart(yearly, addDays(day, LATE_DAYS))
    const to = addDays(firstAfter(yearly, from), -1)
    const [dueFrom, dueTo] = [placeDay(from, south), placeDay(to, south)]
    return { dueFrom, dueTo, endsOn: addDays(dueTo, LATE_DAYS), over: false }
  }
  const dueFrom = addDays(on, least)
  const endsOn = season ? placeDay(addDays(firstAfter(season, day), -1), south) : null
  return { dueFrom, dueTo: addDays(on, most), endsOn, over: endsOn !== null && dueFrom > endsOn }
}
