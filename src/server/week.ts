import { sayMethods } from '@/core/methods/names'
import { said } from '@/core/gate/gate'
import { type ForecastHour } from '@/core/methods/hourReasons'
import { workHours, type WorkHour } from '@/core/methods/hours'
import { paces, type Pace } from '@/core/roster/pace'
import { driveMinutes, milesFrom } from '@/core/roster/roads'
import { dueStops, stopsOf, type Stop } from '@/core/roster/stop'
import { lotsOver, stopOn } from '@/core/roster/stopOn'
import type { AskedStop, Roster, StopDay } from '@/core/roster/weekAsked'
import type { Method } from '@/core/card/card'
import { grouped } from '@/core/grouped'
import { addDays, hourIn, spokenDate } from '@/core/time/calendar'
import { lotsOfCodes, useById, type UseRow } from '@/db/queries/card'
import { absences, crews, members } from '@/db/queries/crew'
import { dueAgain, dueSubjects, type DueRow } from '@/db/queries/occurrence'
import { treesById } from '@/db/queries/tree'
import {
  minutesDue,
  openWork,
  placedSites,
  watchedWork,
  yardOf,
  type OpenWorkRow,
  type PlacedSite,
} from '@/db/queries/week'
import { renewalsOf } from './renewals'
import { against, closedOn, NOTICE_GIVEN_DAYS, onMoving } from './mayGoOn'
import { treesAtHand, type TreeAtHand } from './treesAtHand'
import type { Reading } from './verb'
import { hoursAhead, knownWeather } from './weather/known'

/** Days that are planned, from today on. */
export const WEEK_DAYS = 14
/** Jobs, trees of jobs, and due work on no day, that are planned at once. */
const MOST_JOBS = 300
const MOST_TREES = 6000
const MOST_DUE = 300
/** Works of so long a time say what a work takes: two years. */
const WATCHED_MS = 2 * 365 * 86_400_000
/** A stop of more trees lets others in between its days. */
const MANY_TREES = 30

/** Everything that waits for a day or a crew, with the crews there are. */
export interface OpenWeek {
  today: string
  roster: Roster
  stops: Stop[]
  /** There are more jobs than are planned at once; the first days come first. */
  more: boolean
  works: Map<string, OpenWorkRow>
  due: Map<string, DueRow>
  sites: Map<string, PlacedSite>
  /** Miles east and north of the yard, by site. */
  places: Map<string, { x: number; y: number }>
  /** How long the firm takes beside what is planned, by method, where it was watched. */
  pace: ReadonlyMap<Method, Pace>
}

/** What is open until two weeks from now, as stops. */
export async function openWeek(
  context: Pick<Reading, 'sql' | 'today' | 'now' | 'person'>,
): Promise<OpenWeek> {
  const { sql, today, now, person } = context
  const days = Array.from({ length: WEEK_DAYS }, (_, i) => addDays(today, i))
  const last = days.at(-1)!
  const [teams, people, away] = [await crews(sql), await members(sql), await absences(sql, today, last)]
  const { works: planned, more } = await openWork(sql, last, { jobs: MOST_JOBS, trees: MOST_TREES })
  const pace = paces(await watchedWork(sql, new Date(now.getTime() - WATCHED_MS)))
  const factor = (method: Method) => pace.get(method)?.factor ?? 1
  const works = planned.map((w) => ({ ...w, minutes: w.minutes * factor(w.method) }))
  const asCarded = await dueAgain(sql, last, { limit: MOST_DUE })
  // A cover is due as it washes off, within the days of its card.
  const renewals = await renewalsOf(context, asCarded)
  const due = asCarded.map((d) => ({ ...d, dueTo: renewals.get(d.id)?.by ?? d.dueTo }))
  const dueMinutes = new Map(
    (
      await minutesDue(
        sql,
        due.map((d) => d.id),
      )
    ).map((m) => [m.occurrenceId, m]),
  )
  const sites = await placedSites(
    sql,
    [...new Set([...works.map((w) => w.siteId), ...due.map((d) => d.siteId)])],
    now,
  )
  const yard = await yardOf(sql)
  const places = new Map(
    sites.map((s) => [
      s.id,
      yard.latitude === null || yard.longitude === null || s.latitude === null || s.longitude === null
        ? { x: 0, y: 0 }
        : milesFrom(
            { latitude: yard.latitude, longitude: yard.longitude },
            { latitude: s.latitude, longitude: s.longitude },
          ),
    ]),
  )
  const longestDay = Math.max(0, ...teams.flatMap((c) => c.minutes))
  const [worksAt, dueAt] = [grouped(works, (w) => w.siteId), grouped(due, (d) => d.siteId)]
  const stops = sites.flatMap((site) => {
    const drive = 2 * driveMinutes({ x: 0, y: 0 }, places.get(site.id)!)
    const longest = longestDay > 0 ? Math.max(60, longestDay - drive) : Infinity
    return [
      ...stopsOf(worksAt.get(site.id) ?? [], { longest }),
      ...dueStops(
        (dueAt.get(site.id) ?? []).map((d) => ({
          ...d,
          occurrenceId: d.id,
          licence: dueMinutes.get(d.id)?.licence ?? true,
          minutes: (dueMinutes.get(d.id)?.minutes ?? 0) * factor(d.method),
        })),
      ),
    ]
  })
  return {
    today,
    roster: {
      days,
      crews: teams,
      people,
      absences: away,
      now: { date: today, clock: Math.floor(hourIn(person.timeZone, now) * 60) },
    },
    stops,
    more,
    works: new Map(works.map((w) => [w.id, w])),
    due: new Map(due.map((d) => [d.id, d])),
    sites: new Map(sites.map((s) => [s.id, s])),
    places,
    pace,
  }
}

/** A stop in a sentence. */
export function nameOfStop({ sites }: Pick<OpenWeek, 'sites'>, stop: Stop): string {
  return `${sites.get(stop.siteId)!.name}${stop.block ? `, ${stop.block}` : ''}: ${sayMethods(stop.methods)}`
}

/**
 * Stops with what each day says to them: the gate of every tree, the days between, hours of the site, re-entry, lots, and the weather as far as it is
 * forecast. A site at a time: `tell` hears how many are looked at. Without `gates` the trees are not asked, which is quick.
 */
export async function askedStops(
  context: Pick<Reading, 'sql' | 'now' | 'person' | 'today'>,
  week: OpenWeek,
  stops: readonly Stop[],
  { gates = true, tell }: { gates?: boolean; tell?: (sites: number) => void } = {},
): Promise<AskedStop[]> {
  const { sql } = context
  const uses = new Map<string, UseRow>()
  for (const id of new Set(stops.flatMap((s) => s.uses))) uses.set(id, (await useById(sql, id))!)
  const lots = await lotsOfCodes(sql, [...new Set([...uses.values()].map((u) => u.product.code))])
  const asked = new Map<string, AskedStop>()
  let looked = 0
  for (const siteId of new Set(stops.map((s) => s.siteId))) {
    const own = stops.filter((s) => s.siteId === siteId)
    const site = week.sites.get(siteId)!
    const weather = await knownWeather(context, siteId)
    const forecast = hoursAhead(weather, context.now, 24 * WEEK_DAYS)
    const trees = new Map<string, GateTree[]>()
    for (const stop of own)
      trees.set(
        stop.id,
        stop.occurrenceId === null
          ? stop.subjects.map((id) => {
              const { treeId, useId, cause, harvestOn, onDate } = week.works.get(id)!
              return { workId: id, treeId, useId, cause, harvestOn, on: onDate }
            })
          : (await dueSubjects(sql, stop.occurrenceId)).map(({ treeId }) => ({
              treeId,
              useId: stop.uses[0]!,
              workId: null,
              occurrenceId: stop.occurrenceId!,
              cause: week.due.get(stop.occurrenceId!)!.cause,
              harvestOn: week.due.get(stop.occurrenceId!)!.harvestOn,
              on: null,
            })),
      )
    const ids = [...new Set([...trees.values()].flat().map((t) => t.treeId))]
    const hands = new Map(
      (gates
        ? await treesAtHand(
            context,
            (await treesById(sql, ids)).filter((t) => t.status === 'standing'),
            own.flatMap((s) => s.uses).map((id) => uses.get(id)!),
            { weather },
          )
        : []
      ).map((h) => [h.tree.id, h]),
    )
    const hoursOf = new Map(own.flatMap((s) => s.uses).map((id) => [id, openHours(uses.get(id)!, forecast)]))
    for (const stop of own) {
      const days: StopDay[] = []
      for (const date of week.roster.days) {
        const open = stopOn(stop, site, date, hoursOf)
        if ('closed' in open) {
          days.push({ date, closed: open.closed, open: null })
          continue
        }
        const closed =
          stop.dueFrom !== null && date < stop.dueFrom
            ? `Due from ${spokenDate(stop.dueFrom)} on.`
            : (lotsOver(
                stop.uses.map((id) => uses.get(id)!.product),
                lots,
                date,
              ) ?? gateClosed(context, trees.get(stop.id)!, { hands, uses, date, today: week.today }))
        days.push({ date, closed, open: open.spans })
        // Pages are served between the trees of two days.
        if (stop.trees > MANY_TREES) await new Promise((go) => setImmediate(go))
      }
      asked.set(stop.id, {
        stop,
        name: nameOfStop(week, stop),
        at: week.places.get(siteId)!,
        days,
      })
    }
    tell?.(++looked)
  }
  return stops.map((s) => asked.get(s.id)!)
}

/** The hours of a forecast in which work by a use is open; null where weather sets nothing. */
function openHours({ use, product }: UseRow, forecast: readonly ForecastHour[]): WorkHour[] | null {
  const held = workHours(use, product.actives, forecast, 1)
  return held.ok && held.value ? held.value.hours : null
}

/** A tree of a stop as its gate is asked; `workId` null where it stands on no day. */
interface GateTree {
  workId: string | null
  treeId: string
  useId: string
  cause: string
  harvestOn: string | null
  on: string | null
  /** Of what is promised and stands on no day. */
  occurrenceId?: string
}

/** Why one of the trees may not be worked on a day; null where all may. */
function gateClosed(
  { person }: Pick<Reading, 'person'>,
  trees: readonly GateTree[],
  q: {
    hands: ReadonlyMap<string, TreeAtHand>
    uses: ReadonlyMap<string, UseRow>
    date: string
    today: string
  },
): string | null {
  const moving = trees.flatMap((t) => (t.workId === null ? [] : [t.workId]))
  for (const { workId, treeId, useId, cause, harvestOn, on, occurrenceId } of trees) {
    const hand = q.hands.get(treeId)
    if (!hand) continue
    const row = q.uses.get(useId)!
    const shut = closedOn(
      {
        ...against(onMoving(hand, { own: workId, moving, on: q.date, occurrenceId }), cause),
        // Notice of its own day was given.
        today: q.date === on ? addDays(q.today, -NOTICE_GIVEN_DAYS) : hand.today,
      },
      row,
      { on: q.date, harvestOn, units: person.units },
    )
    if (shut) return `${hand.tree.tag}: ${said(shut)}`
  }
  return null
}
