import { METHOD_NAME } from '../methods/names'
import { ok, refuse, type Result } from '../problem'
import { spokenDay, type PlainDate } from '../time/calendar'
import type { WeekInput, WeekJob } from '../week/field'
import { crewOn, type Crew, type CrewDay, type People } from './crew'
import { ROADS } from './roads'
import { meet, minutesOf, type Span } from './span'
import type { Stop } from './stop'

/** A stop on a day: why it may not be done, or in which hours it may. */
export interface StopDay {
  date: PlainDate
  /** Null where nothing stands against it. */
  closed: string | null
  /** Null where any hour will do, or none is known. */
  open: readonly Span[] | null
}

/** A stop with where it lies and what each day says to it. */
export interface AskedStop {
  stop: Stop
  /** How it is named in a sentence. */
  name: string
  /** Miles east and north of the yard. */
  at: { x: number; y: number }
  days: readonly StopDay[]
}

/** The days that are planned, with the crews there are. */
export interface Roster extends People {
  days: readonly PlainDate[]
  crews: readonly Crew[]
}

/** Where a stop stands or goes. */
export interface Place {
  crewId: string
  date: PlainDate
}

const LICENCE = 'licence'
/** A crew is named anew on days on which nobody of it has a licence. */
const UNLICENSED = ' unlicensed'

/** The crew a planned crew is. */
export function crewPlanned(id: string): string {
  return id.endsWith(UNLICENSED) ? id.slice(0, -UNLICENSED.length) : id
}

/**
 * How much a stop matters against others: what must be renewed in time most, then what is put on, then work without a product. House figures; a day late
 * costs so much, and being left undone as much as thirty days.
 */
export function urgencyOf(stop: Pick<Stop, 'dueFrom' | 'licence'>): number {
  return stop.dueFrom !== null ? 4 : stop.licence ? 3 : 2
}

/**
 * Why a crew cannot take a stop on a day, or null: it does not go out, does not do this, has no licence there that day, or its hours and the open hours of
 * the stop do not leave enough. Whether the day has room is not asked here.
 */
export function refusedTo(
  crew: Crew,
  on: CrewDay,
  { stop, days }: AskedStop,
  date: PlainDate,
): string | null {
  if (on.out !== null) return `Not out that day: ${on.out}.`
  const not = stop.methods.find((m) => !crew.methods.includes(m))
  if (not) return `${crew.name} does not do ${METHOD_NAME[not].toLowerCase()}.`
  if (stop.licence && !on.licensed) return `Nobody with a licence is in ${crew.name} then.`
  const day = days.find((d) => d.date === date)
  if (!day?.open) return null
  const hours = minutesOf(meet(day.open, [{ from: on.begins, to: on.begins + on.minutes }]))
  if (hours + 0.5 >= stop.minutes) return null
  return hours < 1
    ? `Not open there in the hours of ${crew.name}.`
    : `Open only ${Math.round(hours)} of the ${Math.round(stop.minutes)} min it takes, in the hours of ${crew.name}.`
}

/** The stops that are planned: all at which nothing is begun. */
export function toPlan<S extends AskedStop>(stops: readonly S[]): S[] {
  return stops.filter(({ stop }) => !stop.begun)
}

/**
 * Stops and crews as a week to be planned. A crew has its skills by day: on days without anybody who has a licence it is another one. What is begun is not
 * planned, and what is pinned stays; what stands somewhere stays rather than moves, unless all is planned anew.
 *
 * Problems: `out-of-range` at `pinned` for a stop that is pinned where its crew cannot take it.
 */
export function weekAsked(
  roster: Roster,
  stops: readonly AskedStop[],
  { anew = false }: { anew?: boolean } = {},
): Result<WeekInput> {
  const { days, crews } = roster
  const on = new Map(crews.map((c) => [c.id, new Map(days.map((d) => [d, crewOn(c, roster, d)]))]))
  const named = (crew: Crew, date: PlainDate) =>
    on.get(crew.id)!.get(date)!.licensed ? crew.id : crew.id + UNLICENSED
  // What is begun takes its time of its crew's day and is not planned.
  const begunAt = (crewId: string, date: PlainDate) =>
    stops.reduce(
      (sum, { stop: s }) => sum + (s.begun && s.crewId === crewId && s.onDate === date ? s.minutes : 0),
      0,
    )
  const planned = crews.flatMap((crew) => {
    const out = days.map((d) => ({ date: d, on: on.get(crew.id)!.get(d)! }))
    const both = [true, false].map((licensed) => ({
      id: licensed ? crew.id : crew.id + UNLICENSED,
      skills: [...crew.methods, ...(licensed ? [LICENCE] : [])],
      minutes: Object.fromEntries(
        out
          .filter((o) => o.on.minutes > 0 && o.on.licensed === licensed)
          .map((o) => [o.date, Math.max(0, o.on.minutes - begunAt(crew.id, o.date))]),
      ),
    }))
    // One that is never out is still a crew with its skills.
    const used = both.filter((c) => Object.keys(c.minutes).length > 0)
    return used.length > 0 ? used : both.slice(out.some((o) => o.on.licensed) ? 0 : 1).slice(0, 1)
  })
  const jobs: WeekJob[] = []
  for (const asked of toPlan(stops)) {
    const { stop } = asked
    const crew = crews.find((c) => c.id === stop.crewId)
    const stays = stop.pinned && stop.onDate !== null && days.includes(stop.onDate)
    const pinned = stays && crew ? { crew: named(crew, stop.onDate!), date: stop.onDate! } : undefined
    if (pinned) {
      const day = on.get(crew!.id)!.get(pinned.date)!
      const why =
        day.out !== null
          ? `they are not out: ${day.out}`
          : refusedTo(crew!, day, { ...asked, days: [] }, pinned.date)
      if (why !== null)
        return refuse(
          'out-of-range',
          'pinned',
          `${asked.name} is kept with ${crew!.name} on ${spokenDay(pinned.date)}, but ${why.replace(/\.$/, '')}. Let it go or put it elsewhere.`,
        )
    }
    const open = asked.days.filter((d) => d.closed === null && days.includes(d.date)).map((d) => d.date)
    jobs.push({
      id: stop.id,
      ...asked.at,
      minutes: stop.minutes,
      skills: [...stop.methods, ...(stop.licence ? [LICENCE] : [])],
      days: pinned ? [pinned.date] : open,
      due: stop.dueTo,
      priority: urgencyOf(stop),
      ...(pinned && { pinned }),
      ...(!pinned && {
        not: open.flatMap((date) =>
          crews.flatMap((c) =>
            refusedTo(c, on.get(c.id)!.get(date)!, asked, date) === null
              ? []
              : [{ crew: named(c, date), date }],
          ),
        ),
      }),
      ...(!anew &&
        !pinned &&
        stop.onDate !== null &&
        days.includes(stop.onDate) && {
          stands: { date: stop.onDate, crew: crew ? named(crew, stop.onDate) : null },
        }),
    })
  }
  return ok({ days: [...days], yard: { x: 0, y: 0 }, ...ROADS, crews: planned, jobs })
}
