import { SCHOOLS } from '@/almanac/schools'
import { grouped } from '@/core/grouped'
import { BEARS_RAIN } from '@/core/methods/repel/repel'
import { renewal, type Renewal } from '@/core/season/renewal'
import { coverOver } from '@/core/season/scabSeason'
import { readQuantity } from '@/core/quantity/parse'
import { dateIn } from '@/core/time/calendar'
import type { DueRow } from '@/db/queries/occurrence'
import { coversToRenew } from '@/db/queries/season'
import type { Reading } from './verb'
import { knownRain } from './weather/known'

const DAY = 86_400_000
const BY_CALENDAR = SCHOOLS.find((s) => s.id === 'calendar')!.one
/** Covers of so many sites are followed at once; what is due at more goes by the days of its card. */
const MOST_SITES = 40
/** Of a cover this old nothing is left, as leaves have grown: it goes by the days of its card. */
const OLDEST_DAYS = 120

/**
 * Until when covers that rain washes off are renewed, by occurrence: by need or by the calendar, as it was agreed when they were signed. What is no
 * such cover, or never went on, is left out.
 */
export async function renewalsOf(
  context: Pick<Reading, 'sql' | 'now' | 'person'>,
  due: readonly DueRow[],
): Promise<Map<string, Renewal>> {
  const found = new Map<string, Renewal>()
  const sprayed = due.filter((d) => d.n > 1)
  if (sprayed.length === 0) return found
  const at = context.now.getTime()
  const covers = new Map(
    (
      await coversToRenew(
        context.sql,
        sprayed.map((d) => d.id),
      )
    )
      .filter((c) => at - c.at < OLDEST_DAYS * DAY)
      .map((c) => [c.occurrenceId, c]),
  )
  const bySite = [
    ...grouped(
      sprayed.filter((d) => covers.has(d.id)),
      (d) => d.siteId,
    ),
  ].slice(0, MOST_SITES)
  const followed = bySite.flatMap(([, own]) => own)
  if (followed.length === 0) return found
  const first = Math.min(...followed.map((d) => covers.get(d.id)!.at))
  const rains = await knownRain(
    context,
    bySite.map(([siteId]) => siteId),
    // A day earlier, whatever the site's calendar.
    dateIn('UTC', new Date(first - DAY)),
  )
  for (const [siteId, own] of bySite) {
    const rain = rains.get(siteId) ?? []
    const { timeZone } = own[0]!
    for (const d of own) {
      const c = covers.get(d.id)!
      const washOff = readQuantity(c.washOff ?? BEARS_RAIN, 'length', 'washOff')
      const now = washOff.ok ? coverOver(rain, [{ ...c, washOff: washOff.value.si }]) : null
      found.set(
        d.id,
        renewal(
          {
            dueFrom: d.dueFrom,
            dueTo: d.dueTo,
            // What went on in this hour is whole.
            left: now ? (now.left.findLast((l) => l.at <= at)?.percent ?? 100) : null,
            gone: now?.renewBy === null || !now ? null : dateIn(timeZone, new Date(now.renewBy)),
          },
          c.school === BY_CALENDAR ? 'calendar' : 'need',
        ),
      )
    }
  }
  return found
}
