import type { PlainDate } from '../time/calendar'
import type { WeekPlan } from '../week/planWeek'
import { crewOn, type Crew } from './crew'
import { bestClock, clockOf, type Clocked } from './dayClock'
import { driveMinutes, roundMinutes } from './roads'
import { crewPlanned, refusedTo, type AskedStop, type Roster } from './weekAsked'

/** Where a stop is put while the week is looked at. */
export interface Put {
  crewId: string | null
  date: PlainDate | null
  pinned: boolean
  /** Which one of its crew's day. */
  place: number
  /** By hand; else by the plan, or not at all. */
  byHand: boolean
}

/** Every stop by its id, and where it is put. */
export type Board = ReadonlyMap<string, Put>

/** The week as it stands. */
export function boardOf(stops: readonly AskedStop[]): Board {
  return new Map(
    stops.map(({ stop }) => [
      stop.id,
      {
        crewId: stop.crewId,
        date: stop.onDate,
        pinned: stop.pinned,
        place: stop.place ?? 999,
        byHand: false,
      },
    ]),
  )
}

/** A week as a plan puts it; what the plan leaves out stays where it is. */
export function withPlan(board: Board, plan: Pick<WeekPlan, 'assignments'>): Board {
  const next = new Map(board)
  for (const a of plan.assignments) {
    const before = next.get(a.job)
    if (!before) continue
    const to = { crewId: crewPlanned(a.crew), date: a.date }
    const stays = before.crewId === to.crewId && before.date === to.date
    next.set(a.job, { ...before, ...to, place: a.position, byHand: stays && before.byHand })
  }
  return next
}

/** A stop put somewhere by hand, and kept there. */
export function putByHand(
  board: Board,
  stop: string,
  to: { crewId: string | null; date: PlainDate | null },
): Board {
  const before = board.get(stop)
  if (!before || (before.crewId === to.crewId && before.date === to.date)) return board
  return new Map(board).set(stop, { ...to, pinned: to.crewId !== null, place: 999, byHand: true })
}

/** A stop that is kept where it is, or let go. */
export function pin(board: Board, stop: string, pinned: boolean): Board {
  const before = board.get(stop)
  return before ? new Map(board).set(stop, { ...before, pinned }) : board
}

/** The stops that are put elsewhere than they stand, or kept or let go. */
export function changed<S extends AskedStop>(stops: readonly S[], board: Board): S[] {
  return stops.filter(({ stop }) => {
    const put = board.get(stop.id)!
    return put.crewId !== stop.crewId || put.date !== stop.onDate || put.pinned !== stop.pinned
  })
}

/** A stop in a crew's day, with its clock and what stands against it there. */
export interface ShownStop<S extends AskedStop> {
  asked: S
  clock: Clocked | null
  against: string[]
}

/** A crew's day as it would be. */
export interface ShownDay<S extends AskedStop> {
  stops: ShownStop<S>[]
  /** Minutes of work and driving. */
  minutes: number
  /** Minutes it is too long by; 0 where it is not. */
  over: number
  /** When the crew is back, minutes after midnight. */
  home: number
}

/**
 * A crew's day as it would be: its stops in the order that leaves least over, each with its clock, and what stands against it: a closed day, a crew that cannot, hours
 * that do not do.
 */
export function shownDay<S extends AskedStop>(
  roster: Roster,
  crew: Crew,
  date: PlainDate,
  stops: readonly S[],
  board: Board,
): ShownDay<S> {
  const own = stops
    .filter(({ stop }) => board.get(stop.id)!.crewId === crew.id && board.get(stop.id)!.date === date)
    .sort((a, b) => board.get(a.stop.id)!.place - board.get(b.stop.id)!.place)
  const on = crewOn(crew, roster, date)
  const timed = own.map(({ stop, days }) => ({
    minutes: stop.minutes,
    open: days.find((d) => d.date === date)?.open ?? null,
  }))
  const yard = { x: 0, y: 0 }
  const at = (i: number) => (i < 0 ? yard : own[i]!.at)
  const road = (a: number, b: number) => driveMinutes(at(a), at(b))
  const order = bestClock(on.begins, timed, road)
  const clock = clockOf(on.begins, timed, order, road)
  const inOrder = order.map((i) => own[i]!)
  const minutes = roundMinutes(inOrder)
  const over = on.out === null ? Math.max(0, clock.home - on.begins - on.minutes) : 0
  return {
    stops: inOrder.map((asked, i) => {
      const clocked = clock.stops[i]!
      const against = againstPut(roster, crew, date, asked)
      if (against.length === 0 && clocked.short > 0.5)
        against.push(`${Math.round(clocked.short)} min of it find no open hour.`)
      return { asked, clock: on.out === null ? clocked : null, against }
    }),
    minutes,
    over: over > 0.5 ? over : 0,
    home: clock.home,
  }
}

/** What stands against a stop on a day with a crew, in words; empty where nothing does. For the hand that holds it. */
export function againstPut(roster: Roster, crew: Crew | null, date: PlainDate, asked: AskedStop): string[] {
  const closed = asked.days.find((d) => d.date === date)?.closed ?? null
  const refused = crew === null ? null : refusedTo(crew, crewOn(crew, roster, date), asked, date)
  return [closed, refused].filter((w) => w !== null)
}
