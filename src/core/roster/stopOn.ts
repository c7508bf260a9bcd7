import { isGood } from '../card/lot'
import { HOUR_REASON } from '../methods/hourReasons'
import { stretches, type WorkHour } from '../methods/hours'
import { dateIn, hourIn, spokenDate, spokenDay, type PlainDate } from '../time/calendar'
import { crewOn } from './crew'
import { saySiteHours, siteOpen, type SiteHours } from './siteHours'
import { meet, minutesOf, sayClock, type Span } from './span'
import type { Stop } from './stop'
import { refusedTo, type Roster } from './weekAsked'

/** A day with fewer open minutes is closed for its weather. House figure. */
const LEAST_OPEN = 60
/** A day of which fewer hours are forecast, and not up to the evening, is not known. */
const KNOWN_HOURS = 12

/** What of a site says when a stop there may be worked. */
export interface OpenSite {
  timeZone: string
  hours: readonly SiteHours[] | null
  /** Until when nobody may be on its ground by what went on last; null where it is open. */
  closedUntil: Date | null
}

/**
 * In which hours of a day a stop may be worked, or why not at all: the site's own, the ground that is closed, the weather of what goes on. `spans` null
 * where any hour will do, or none is known. `hoursOf`: the hours of the forecast by use, null where weather sets nothing.
 *
 * @example stopOn(stop, { hours: null, closedUntil: null, timeZone: 'America/Chicago' }, '2026-06-12', new Map()) // { spans: null }
 */
export function stopOn(
  stop: Pick<Stop, 'uses' | 'minutes'>,
  site: OpenSite,
  date: PlainDate,
  hoursOf: ReadonlyMap<string, readonly WorkHour[] | null>,
): { closed: string } | { spans: readonly Span[] | null } {
  const { closedUntil, timeZone } = site
  const freeOn = closedUntil && dateIn(timeZone, closedUntil)
  if (freeOn && freeOn > date) return { closed: `The ground is closed until ${spokenDate(freeOn)}.` }
  let spans = siteOpen(site.hours, date)
  if (spans.length === 0) return { closed: `Work is done there ${saySiteHours(site.hours)}.` }
  if (freeOn === date)
    spans = meet(spans, [{ from: Math.ceil(hourIn(timeZone, closedUntil!) * 60), to: 1440 }])
  let bound = site.hours !== null || freeOn === date
  for (const id of stop.uses) {
    const hours = hoursOf.get(id)?.filter((h) => h.time.slice(0, 10) === date) ?? null
    if (!hours || hours.length === 0 || (hours.length < KNOWN_HOURS && hours.at(-1)!.time.slice(11) < '20'))
      continue
    const open = openSpans(hours)
    if (minutesOf(meet(spans, open)) < Math.min(LEAST_OPEN, stop.minutes))
      return { closed: whyShut(hours, spans) }
    spans = meet(spans, open)
    bound = true
  }
  return { spans: bound ? spans : null }
}

/** The open stretches of a day's hours. */
function openSpans(hours: readonly WorkHour[]): Span[] {
  return stretches(hours)
    .filter((s) => s.reasons.length === 0)
    .map((s) => {
      const from = Number(s.from.slice(11, 13)) * 60
      return { from, to: from + s.hours * 60 }
    })
}

/** Why the weather closes a day: what closes most of its hours by day. */
function whyShut(hours: readonly WorkHour[], spans: readonly Span[]): string {
  const count = new Map<string, number>()
  for (const { time, reasons } of hours) {
    const from = Number(time.slice(11, 13)) * 60
    if (!spans.some((s) => s.from < from + 60 && s.to > from)) continue
    for (const reason of reasons)
      if (reason !== 'night') count.set(HOUR_REASON[reason], (count.get(HOUR_REASON[reason]) ?? 0) + 1)
  }
  const most = [...count].sort((a, b) => b[1] - a[1]).slice(0, 2)
  return most.length === 0
    ? `No hour is left in which work is done there (${spans.map((s) => `${sayClock(s.from)} to ${sayClock(s.to)}`).join(', ')}).`
    : `Weather: ${most.map(([why]) => why).join('; ')}.`
}

/** Why no lot of what goes on is good on a day; null where one of each is, or none of it was ever entered. */
export function lotsOver(
  products: readonly { code: string; name: string }[],
  lots: readonly { code: string; expiresOn: PlainDate | null; withdrawnOn: PlainDate | null }[],
  date: PlainDate,
): string | null {
  const out = products.find(({ code }) => {
    const own = lots.filter((l) => l.code === code)
    return own.length > 0 && !own.some((l) => isGood(l, date))
  })
  return out ? `No lot of ${out.name} on the shelf is good on that day.` : null
}

/** Why a crew cannot take a stop on a day, whatever the weather; null where it can, or it is nobody's yet. */
export function crewAgainst(
  roster: Roster,
  stop: Stop,
  to: { crewId: string | null; onDate: PlainDate },
): string | null {
  if (to.crewId === null) return null
  const crew = roster.crews.find((c) => c.id === to.crewId)
  if (!crew) return 'There is no such crew any more. Choose another one.'
  if (stop.onDate === to.onDate && stop.crewId === to.crewId) return null
  const on = crewOn(crew, roster, to.onDate)
  const why = refusedTo(crew, on, { stop, name: '', at: { x: 0, y: 0 }, days: [] }, to.onDate)
  return why && `${why} Choose another crew or day than ${crew.name} on ${spokenDay(to.onDate)}.`
}
