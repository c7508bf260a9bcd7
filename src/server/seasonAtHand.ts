import { phenologyOf, SITE_SUM } from '@/almanac/season'
import {
  asksSeason,
  inWindow,
  readWindow,
  type CardWindow,
  type InWindow,
  type SeasonYear,
  windowBetween,
  type WindowStretch,
} from '@/core/season/cardWindow'
import { expectedWarmth, yearBegins, type Warmth } from '@/core/season/year'
import { addDays, dateIn, daysBetween } from '@/core/time/calendar'
import { stagesSeen, type SeenRow } from '@/db/queries/season'
import { siteById } from '@/db/queries/site'
import { spotOf, weatherOfSite } from '@/db/queries/weather'
import type { Reading } from './verb'
import { pastFrom, stagesIn, yearsOf } from './yearsOf'

/** What a site’s season says to the windows of cards. */
export interface SeasonAtHand {
  /** Whether a day lies in a window as a card writes it. */
  inWindow: (host: string, written: string, on: string) => InWindow
  /** Warmth and stages of a kind, as far as the windows asked for them. */
  years: (host: string) => readonly SeasonYear[]
  /** Its stretches between two days. */
  stretches: (host: string, written: string, from: string, to: string) => WindowStretch[]
}

/**
 * The season of a site as far as the windows of these uses ask for it: those by the calendar ask nothing, and nothing is read for them.
 */
export async function seasonAtHand(
  context: Pick<Reading, 'sql' | 'now'>,
  siteId: string,
  uses: readonly { use: { window?: string } }[],
  /** What a page has read of the site already. */
  known?: KnownSeason,
): Promise<SeasonAtHand> {
  const windows = new Map<string, CardWindow>()
  for (const { use } of uses) {
    if (use.window === undefined) continue
    const read = readWindow(use.window, 'window')
    if (read.ok) windows.set(use.window, read.value)
  }
  const years = [...windows.values()].some(asksSeason)
    ? yearsOfKinds(known ?? (await readSeason(context, siteId)))
    : (): readonly SeasonYear[] => []
  // Until a window opens again every day between says the same.
  const shut = new Map<string, { from: string; next: string }>()
  return {
    years,
    stretches: (host, written, from, to) => {
      const window = windows.get(written)
      return window ? windowBetween(window, from, to, years(host)) : []
    },
    inWindow: (host, written, on) => {
      const window = windows.get(written)
      if (!window) return { is: 'open' }
      const key = `${host}|${written}`
      const known = shut.get(key)
      if (known && on >= known.from && on < known.next) return { is: 'closed', next: known.next }
      const found = inWindow(window, on, years(host))
      if (found.is === 'closed' && found.next !== null) shut.set(key, { from: on, next: found.next })
      return found
    },
  }
}

/** What the season of a site is reckoned from: days since the one its warmth is counted from, warmth by any sum, stages that were seen. */
export interface KnownSeason {
  begins: string
  day: number
  warmths: ReturnType<typeof yearsOf>
  seen: readonly SeenRow[]
}

async function readSeason(
  { sql, now }: Pick<Reading, 'sql' | 'now'>,
  siteId: string,
): Promise<KnownSeason | null> {
  const site = await siteById(sql, siteId)
  if (!site) return null
  const today = dateIn(site.timeZone, now)
  const { place, days } = await weatherOfSite(sql, siteId, {
    from: pastFrom(today),
    to: addDays(today, 12),
    // No hours.
    hoursFrom: addDays(today, 1),
    hoursTo: today,
  })
  const begins = yearBegins(place ? spotOf(place).latitude : 1, today)
  return {
    begins,
    day: daysBetween(begins, today),
    warmths: yearsOf(days, begins, addDays(yearAfter(begins), -1)),
    seen: await stagesSeen(sql, siteId, begins),
  }
}

const yearAfter = (date: string) => `${Number(date.slice(0, 4)) + 1}${date.slice(4)}`

/** Warmth and stages of this year, by what is known and then as in past ones, and of the next as in past ones. */
function yearsOfKinds(season: KnownSeason | null): (host: string) => readonly SeasonYear[] {
  if (!season) return () => []
  const { begins: from, day, warmths, seen } = season
  const next = yearAfter(from)
  const { known, past } = warmths(SITE_SUM)
  const kept = new Map<string, readonly SeasonYear[]>()
  return (host) => {
    const before = kept.get(host)
    if (before) return before
    const timed = phenologyOf(host)
    const stages = (own: readonly SeenRow[], q: { known: Warmth; day: number; begins: string }) =>
      timed
        ? stagesIn(timed, own, { ...q, past: warmths(timed.sum).past }).map((s) => ({
            stage: s.stage,
            earliest: addDays(q.begins, s.begins.earliest),
            latest: addDays(q.begins, s.begins.latest),
          }))
        : []
    const own = seen.filter((s) => s.kind === host)
    const found: SeasonYear[] = [
      {
        begins: from,
        ...expectedWarmth(known, past),
        stages: stages(own, { known: timed ? warmths(timed.sum).known : [], day, begins: from }),
      },
      // Nothing of it is known but that it began.
      {
        begins: next,
        ...expectedWarmth([0], past),
        stages: stages([], { known: [0], day: 0, begins: next }),
      },
    ]
    kept.set(host, found)
    return found
  }
}
