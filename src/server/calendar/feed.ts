import { sayMethods } from '@/core/methods/names'
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator'
import { boardOf, shownDay } from '@/core/roster/board'
import { siteOpen } from '@/core/roster/siteHours'
import { oneLine } from '@/core/text/oneLine'
import { addDays, dateIn } from '@/core/time/calendar'
import { instantOf } from '@/core/time/zone'
import { inFirm } from '@/db/client'
import { jobsOfCalendar, type CalendarJob, type CalendarOf } from '@/db/queries/calendar'
import { crewById } from '@/db/queries/crew'
import type { PersonRow } from '@/db/queries/person'
import { clientById } from '@/db/queries/site'
import { nowOf, type Reading } from '../verb'
import { nameOfStop, openWeek } from '../week'

/** How far back and ahead a calendar tells. */
const BACK = 60
const AHEAD = 400

/** When work of a job begins and ends, epoch ms. */
interface Times {
  from: number
  to: number
}

/**
 * The calendar of a crew or of a client in the common format of calendar programs. An event is a job, under the same id for ever; one from which everything was
 * moved is cancelled. It is read by a link without signing in, so it says where and what, never what is noted of a site: gate codes and telephone
 * numbers stay with the job. A crew's next two weeks have times, by the order of its days and the hours of the sites; everything else is of whole days.
 */
export async function calendarFeed(person: PersonRow, of: CalendarOf): Promise<string | null> {
  const now = nowOf(person)
  const today = dateIn(person.timeZone, now)
  return inFirm(person.firmId, async (sql) => {
    const whose = of.crewId
      ? await crewById(sql, of.crewId)
      : of.clientId
        ? await clientById(sql, of.clientId)
        : undefined
    if (!whose) return null
    const jobs = await jobsOfCalendar(sql, of, addDays(today, -BACK), addDays(today, AHEAD))
    const times = of.crewId ? await timesOf({ sql, person, now, today }, of.crewId) : new Map<string, Times>()
    const calendar = ical({
      name: oneLine(of.crewId ? `${whose.name}, ${person.firmName}` : `${person.firmName} at ${whose.name}`),
      prodId: { company: 'Elmhorn', product: 'Elmhorn', language: 'EN' },
      method: ICalCalendarMethod.PUBLISH,
      ttl: 3600,
    })
    for (const job of jobs) addJob(calendar, job, times.get(job.id) ?? null, { of, person, now })
    return calendar.toString()
  })
}

function addJob(
  calendar: ReturnType<typeof ical>,
  job: CalendarJob,
  times: Times | null,
  { of, person, now }: { of: CalendarOf; person: PersonRow; now: Date },
): void {
  const work = job.methods.length > 0 ? sayMethods(job.methods) : 'work'
  const gone = job.trees === 0
  const day = new Date(`${job.onDate}T00:00:00Z`)
  calendar.createEvent({
    id: `${job.id}@elmhorn`,
    sequence: job.moves,
    stamp: job.movedAt ?? now,
    ...(times
      ? { start: new Date(times.from), end: new Date(times.to) }
      : { start: day, end: new Date(day.getTime() + 86_400_000), allDay: true }),
    summary: oneLine(of.crewId ? `${job.siteName}: ${work}` : `${person.firmName}: ${work}`),
    location: oneLine(`${job.siteName}, ${job.place}`),
    description: of.crewId
      ? job.recorded > 0
        ? `${job.recorded} of ${job.trees} recorded`
        : null
      : gone
        ? 'This was put on another day.'
        : 'The label and what is agreed with you hold. The day can change with the weather.',
    status: gone ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    transparency: times ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
  })
}

/** When a crew begins and ends each of its open jobs of the next two weeks. */
async function timesOf(context: Reading, crewId: string): Promise<Map<string, Times>> {
  const week = await openWeek(context)
  const crew = week.roster.crews.find((c) => c.id === crewId)
  const times = new Map<string, Times>()
  if (!crew) return times
  const stops = week.stops
    .filter((s) => s.crewId === crewId)
    .map((stop) => ({
      stop,
      name: nameOfStop(week, stop),
      at: week.places.get(stop.siteId)!,
      days: week.roster.days.map((date) => {
        const { hours } = week.sites.get(stop.siteId)!
        return { date, closed: null, open: hours === null ? null : siteOpen(hours, date) }
      }),
    }))
  const board = boardOf(stops)
  for (const date of week.roster.days)
    for (const { asked, clock } of shownDay(week.roster, crew, date, stops, board).stops) {
      if (!clock || clock.to <= clock.from) continue
      const { jobId, siteId } = asked.stop
      const zone = week.sites.get(siteId)!.timeZone
      const [from, to] = [clock.from, clock.to].map((minutes) =>
        instantOf(zone, date, Math.round(minutes)),
      ) as [number, number]
      const before = times.get(jobId!)
      times.set(jobId!, { from: Math.min(from, before?.from ?? from), to: Math.max(to, before?.to ?? to) })
    }
  return times
}
