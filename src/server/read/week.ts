import { sayMethods } from '@/core/methods/names'
import { MessageChannel } from 'node:worker_threads'
import { stringify } from 'csv-stringify/sync'
import { sayPace } from '@/core/roster/pace'
import type { Stop } from '@/core/roster/stop'
import { againstPut } from '@/core/roster/board'
import type { AskedStop, Roster } from '@/core/roster/weekAsked'
import type { WeekPlan } from '@/core/week/planWeek'
import type { Problem } from '@/core/problem'
import { usualSprayHours } from '@/core/methods/hours'
import { addDays, dateIn } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import { crewLinks } from '@/db/queries/calendar'
import { absences, crews, members } from '@/db/queries/crew'
import type { PersonRow } from '@/db/queries/person'
import { heavy, NotDone, notDoneProblem, type WeekNews } from '../heavy/pool'
import { nowOf, type Reading } from '../verb'
import { hoursAhead, knownWeather } from '../weather/known'
import { askedStops, nameOfStop, openWeek, WEEK_DAYS, type OpenWeek } from '../week'
import { reading } from './reader'

/** As long as a plan of the firm is looked for, s. */
const PLAN_SECONDS = 20

/** The week as it stands: the crews with their days, every stop, and where it lies. What each day says to a stop is asked for beside. */
export function weekView() {
  return reading(async (context) => {
    const week = await openWeek(context)
    const weather = await knownWeather(context, null)
    const spray = usualSprayHours(hoursAhead(weather, context.now, 24 * WEEK_DAYS))
    return {
      today: week.today,
      more: week.more,
      units: context.person.units,
      /** Of the firm's town, as far as it is forecast: its hours by day, each with whether a spray may go out and whether it rains. */
      sky: week.roster.days.flatMap((date) => {
        const hours = (spray.ok ? spray.value : []).filter(
          (h) => h.time.slice(0, 10) === date && !h.reasons.includes('night'),
        )
        return hours.length < 6
          ? []
          : [{ date, hours: hours.map((h) => ({ open: h.open, rain: h.reasons.includes('rain') })) }]
      }),
      rain: Object.fromEntries(weather.days.flatMap((d) => (d.rain === null ? [] : [[d.date, d.rain]]))),
      roster: week.roster,
      stops: week.stops.map((stop) => ({
        ...stop,
        // Only the server needs them.
        subjects: [] as string[],
        name: nameOfStop(week, stop),
        site: week.sites.get(stop.siteId)!.name,
        note: week.sites.get(stop.siteId)!.note,
        /** On what its minutes rest, where they are not the planned ones. */
        pace: paceOf(week, stop),
        address: week.sites.get(stop.siteId)!.place,
        at: week.places.get(stop.siteId)!,
      })),
    }
  })
}

const paceOf = ({ pace }: OpenWeek, stop: Stop): string | null =>
  stop.methods.map((m) => pace.get(m)).flatMap((p) => (p ? [sayPace(p)] : []))[0] ?? null

export type WeekView = Awaited<ReturnType<typeof weekView>>
export type WeekStop = WeekView['stops'][number]

/** What each day says to every stop, for a page that shows them already. */
export function weekDays() {
  return reading(async (context) => {
    const week = await openWeek(context)
    const asked = await askedStops(context, week, week.stops)
    return asked.map(({ stop, days }) => ({ stop: stop.id, days }))
  })
}

/**
 * The morning: in which hours the stops of today may be done, and what of the next two weeks cannot be done on its day, or not by its crew, as the forecast, the hours of
 * the sites and the crews are now. Parts of the same work that are shut alike are one line.
 */
export function morningView() {
  return reading(async (context) => {
    const week = await openWeek(context)
    const standing = week.stops.filter(
      (s) => !s.begun && s.onDate !== null && week.roster.days.includes(s.onDate),
    )
    const asked = await askedStops(context, week, standing, { gates: false })
    const shut = asked
      .flatMap((a) => {
        const date = a.stop.onDate!
        const crew = week.roster.crews.find((c) => c.id === a.stop.crewId) ?? null
        const [why] = againstPut(week.roster, crew, date, a)
        return why === undefined ? [] : [{ name: a.name, date, why }]
      })
      .sort((a, b) => (a.date < b.date ? -1 : 1))
    const today = asked.flatMap((a) => {
      if (a.stop.onDate !== week.today) return []
      const { closed, open } = a.days.find((d) => d.date === week.today)!
      return [{ name: a.name, closed, open }]
    })
    return {
      /** How many are shut. */
      stops: shut.length,
      shut: [...new Map(shut.map((s) => [JSON.stringify(s), s])).values()],
      today: [...new Map(today.map((t) => [t.name, t])).values()],
    }
  })
}

export type MorningView = Awaited<ReturnType<typeof morningView>>

/** Every stop of the next two weeks as a row for a spreadsheet, by day, crew and order. Text that a spreadsheet would take for a formula is not. */
export function weekCsv(): Promise<string> {
  return reading(async (context) => {
    const week = await openWeek(context)
    const crew = new Map(week.roster.crews.map((c) => [c.id, c.name]))
    const key = (s: (typeof week.stops)[number]) =>
      `${s.onDate ?? '9999'} ${crew.get(s.crewId ?? '') ?? '~'} ${String(s.place ?? 999).padStart(4, '0')}`
    const rows = [...week.stops]
      .sort((a, b) => (key(a) < key(b) ? -1 : 1))
      .map((s) => {
        const site = week.sites.get(s.siteId)!
        return {
          day: s.onDate ?? '',
          crew: crew.get(s.crewId ?? '') ?? '',
          order: s.place ?? '',
          site: site.name,
          block: s.block ?? '',
          work: sayMethods(s.methods),
          cards: s.cards.join('; '),
          trees: s.trees,
          minutes: Math.round(s.minutes),
          'due from': s.dueFrom ?? '',
          'due by': s.dueTo,
          kept: s.pinned ? 'yes' : '',
          note: site.note ?? '',
        }
      })
    return stringify(rows, { header: true, bom: true, escape_formulas: true, columns: CSV_COLUMNS })
  })
}

const CSV_COLUMNS = [
  'day',
  'crew',
  'order',
  'site',
  'block',
  'work',
  'cards',
  'trees',
  'minutes',
  'due from',
  'due by',
  'kept',
  'note',
]

/** Crews with everybody of the firm and who is away from today on. */
export function crewsView() {
  return reading(async (context) => {
    return {
      today: context.today,
      crews: await crews(context.sql),
      people: await members(context.sql),
      links: await crewLinks(context.sql),
      timeZone: context.person.timeZone,
      absences: await absences(context.sql, context.today, addDays(context.today, 400)),
    }
  })
}

export type CrewsView = Awaited<ReturnType<typeof crewsView>>

/** What is told of a plan while it is made, a line each. */
export type WeekLine =
  | { kind: 'looking'; sites: number; of: number }
  /** Others are planned before it. */
  | { kind: 'waiting'; others: number }
  | { kind: 'days'; days: { stop: string; days: AskedStop['days'] }[] }
  | { kind: 'plan'; plan: WeekPlan; seconds: number; done: boolean }
  | { kind: 'problem'; problem: Problem }

/** Plans the week of a firm in a thread; tells how many sites are looked at, then every better plan, then the last one or why there is none. */
export async function planned(
  person: PersonRow,
  { anew, stopped }: { anew: boolean; stopped: AbortSignal },
  tell: (line: WeekLine) => void,
): Promise<void> {
  const now = nowOf(person)
  const { roster, stops } = await inFirm(person.firmId, async (sql) => {
    const context: Reading = { sql, person, now, today: dateIn(person.timeZone, now) }
    const week = await openWeek(context)
    const of = new Set(week.stops.map((s) => s.siteId)).size
    return {
      roster: week.roster,
      stops: await askedStops(context, week, week.stops, {
        tell: (sites) => tell({ kind: 'looking', sites, of }),
      }),
    }
  })
  if (stopped.aborted) return
  tell({ kind: 'days', days: stops.map(({ stop, days }) => ({ stop: stop.id, days })) })
  await plannedBy(person.firmId, { roster, stops, anew, stopped }, tell)
}

async function plannedBy(
  firmId: string,
  {
    roster,
    stops,
    anew,
    stopped,
  }: { roster: Roster; stops: AskedStop[]; anew: boolean; stopped: AbortSignal },
  tell: (line: WeekLine) => void,
): Promise<void> {
  const { port1: own, port2: port } = new MessageChannel()
  own.on('message', ({ plan, seconds }: WeekNews) => tell({ kind: 'plan', plan, seconds, done: false }))
  try {
    const began = performance.now()
    const plan = await heavy(
      'plan-week',
      firmId,
      { roster, stops, anew, seconds: PLAN_SECONDS, port },
      { stopped, ports: [port], waits: (others) => tell({ kind: 'waiting', others }) },
    )
    tell(
      plan.ok
        ? { kind: 'plan', plan: plan.value, seconds: (performance.now() - began) / 1000, done: true }
        : { kind: 'problem', problem: plan.problem },
    )
  } catch (error) {
    if (!(error instanceof NotDone)) throw error
    if (!stopped.aborted) tell({ kind: 'problem', problem: notDoneProblem(error).problem })
  } finally {
    own.close()
  }
}
