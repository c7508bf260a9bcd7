import { refuse, type Result } from '../problem'
import type { PlainDate } from '../time/calendar'
import type { Working } from '../working/working'
import { Bounder } from './bound'
import { dive } from './dive'
import {
  fits,
  movedCost,
  MOVED,
  planCost,
  roundMinutes,
  weekField,
  SAME,
  WEIGHTS,
  type WeekField,
  type WeekInput,
} from './field'
import type { Helper } from './helper'
import { drawn, Improver, pinnedPlan, shortOrder, type Plan } from './improve'
import type { BeginProgram } from './program'
import { whyNotPlaced, type WhyNot } from './whyNot'

export interface Assignment {
  job: string
  crew: string
  date: PlainDate
  /** In the order of the crew's day, from 1. */
  position: number
}

export interface WeekPlan {
  assignments: Assignment[]
  unassigned: { job: string; reason: WhyNot }[]
  /** What it costs: lateness, what is left undone, driving. */
  objective: number
  /** No plan costs less. */
  bound: number
  /** How far it is from the best there can be, at most, in per cent of what it costs. */
  gapPercent: number
  travelMinutes: number
  working: Working
}

/** How planning stands. */
export interface WeekProgress {
  objective: number
  bound: number
  seconds: number
}

export interface Planning {
  /** Who solves linear programs; without, the bound is weak. */
  program?: BeginProgram
  /** How long is looked for a better plan, s. */
  seconds?: number
  /** Who makes the plan better beside; without, it is done in turns. */
  helper?: (input: WeekInput, start: Plan, seconds: number) => Helper
  /** A plan to begin from, as assignments; what of it no longer fits is left out. */
  start?: readonly Assignment[]
  /** Seconds of a clock that only goes forward. */
  clock?: () => number
  /** Hears how it stands, and may ask for the plan there is. */
  tell?: (progress: WeekProgress, plan: () => WeekPlan) => void
  stopped?: () => boolean
}

/** So long a plan may be looked for. */
export const MOST_SECONDS = 30
/** From so many jobs on help is worth a thread. */
const HELPED = 40
/**
 * Until which part of the time it is done: days are made quickly, a whole plan is made of them, what no plan is below is proven. With help the whole plan is made beside, from
 * when on and how long of the time.
 */
const ALONE = { quick: 0.4, whole: 0.55, proven: 0.82 }
const ALONG = { quick: 0.25, proven: 0.97, choose: [0.4, 0.7], choosing: 0.3 }

/**
 * Puts jobs on days of crews, so that lateness, what is left undone and driving cost least: Σ placed priority × days after due + Σ not placed priority × 30 +
 * 0.02 × minutes driven. A first plan by what is dearest; then taken apart and put together again; then days as columns of a linear program, which gives a bound that
 * no plan can be below, and from them the best choice. Ends when it is proven best, stopped, or the time is over.
 *
 * Problems: those of `weekField`; `out-of-range` at a pinned job that finds no room beside the others pinned to its day.
 * Source: handbook, the week; the objective is the calculator's.
 * @example planWeek({ days: ['2026-06-15'], yard, speed: 30, detour: 1.3, crews, jobs }, { seconds: 2 }).value.assignments
 */
export function planWeek(input: WeekInput, planning: Planning = {}): Result<WeekPlan> {
  const { seconds = 5, clock = () => performance.now() / 1000, stopped = () => false } = planning
  if (!(seconds > 0 && seconds <= MOST_SECONDS))
    return refuse('out-of-range', 'seconds', `Planning takes up to ${MOST_SECONDS} s, and more than none.`)
  const read = weekField(input)
  if (!read.ok) return read
  const field = read.value
  const pinned = pinnedPlan(field)
  if ('noRoom' in pinned)
    return refuse(
      'out-of-range',
      `jobs[${pinned.noRoom}].pinned`,
      `"${input.jobs[pinned.noRoom]!.id}" is pinned to a day that has no room for all that is pinned to it. Unpin it or pin it elsewhere.`,
    )
  const began = clock()
  const left = () => (stopped() ? 0 : began + seconds - clock())
  const improver = new Improver(field, withStart(input, field, pinned.plan, planning.start ?? []), drawn(1))
  improver.fill()
  let bound = Math.min(improver.bestCost, leastCost(field))
  const tell = () =>
    planning.tell?.({ objective: improver.bestCost, bound, seconds: clock() - began }, () =>
      said(input, field, improver.best, planCost(field, improver.best), Math.min(bound, improver.bestCost)),
    )
  const done = () => improver.bestCost - bound <= 1e-6 || left() <= 0
  tell()
  const { program } = planning
  const bounder = program && field.shifts.length > 0 && field.jobs > 0 ? new Bounder(field, program) : null
  const helper =
    bounder && field.jobs >= HELPED ? planning.helper?.(input, improver.best, seconds) : undefined
  const heard = () => {
    const plan = helper?.better()
    if (plan) improver.take(plan)
    if (plan && bounder) bounder.know(plan)
    if (bounder) bound = Math.max(bound, Math.min(bounder.bound, improver.bestCost))
    tell()
  }
  const ways = { clock, left, tell, done }
  try {
    bounder?.know(improver.best)
    improve(improver, bounder, Math.min(seconds * 0.08, 0.02 + field.jobs * 0.02), ways)
    if (bounder && !done()) {
      const until = (part: number) => () => left() - seconds * (1 - part)
      const better = (plan: Plan | null, part: number) => {
        if (plan?.every((order, s) => fits(field, field.shifts[s]!, order)))
          improver.take(plan.map((order) => shorter(field, order)))
        // A plan without what is pinned is none.
        if (improver.cost === Infinity) improver.take(improver.best)
        improver.fill()
        bounder.know(improver.plan)
        // A far worse one leads nowhere.
        if (improver.cost > improver.bestCost * 1.05) improver.take(improver.best)
        improver.liked = bounder.program.likes()
        helper?.tell(improver.plan, improver.liked)
        if (!helper)
          improve(improver, bounder, Math.min(seconds * part, field.jobs * 0.02), ways, improver.plan)
        heard()
      }
      const quick = until(helper ? ALONG.quick : ALONE.quick)
      while (quick() > 0 && !bounder.turn(quick)) {
        heard()
        helper?.tell(null, bounder.program.likes())
      }
      if (!helper) better(dive(bounder.program, until(ALONE.whole)), 0.08)
      let ended = false
      let asked = 0
      const proven = until(helper ? ALONG.proven : ALONE.proven)
      while (!ended && proven() > 0 && !done()) {
        ended = bounder.prove(improver.bestCost, proven)
        heard()
        helper?.tell(null, bounder.program.likes())
        if (helper && until(ALONG.choose[asked] ?? 1)() <= 0) {
          asked++
          helper.choose(bounder.best(), seconds * ALONG.choosing)
        }
      }
      if (!helper && !done() && !ended) better(bounder.choose(improver.bestCost, until(0.96)(), false), 0.03)
      if (ended && !done()) {
        const all = bounder.learnAll(improver.bestCost, () => left() * 0.4)
        better(bounder.choose(improver.bestCost, Math.max(0.05, left() * 0.7), all), 0.02)
      }
    }
    heard()
    if (!done()) improve(improver, null, left(), ways)
    heard()
  } finally {
    bounder?.end()
    helper?.end()
  }
  const plan = improver.best
  const objective = planCost(field, plan)
  bound = Math.max(0, Math.min(bound, objective))
  tell()
  return { ok: true, value: said(input, field, plan, objective, bound) }
}

/** The same jobs in a shorter order, where one is found. */
function shorter(field: WeekField, order: readonly number[]): number[] {
  const other = shortOrder(field, order)
  return roundMinutes(field, other) < roundMinutes(field, order) ? other : [...order]
}

/** Takes a plan apart and puts it together for some seconds, from bold to careful. */
function improve(
  improver: Improver,
  bounder: Bounder | null,
  seconds: number,
  {
    clock,
    left,
    tell,
    done,
  }: { clock: () => number; left: () => number; tell: () => void; done: () => boolean },
  from?: Plan,
): void {
  const began = clock()
  const end = Math.min(seconds, left())
  const [hot, cold] = [from ? 1 : 4, 0.1]
  improver.take(from ?? improver.best)
  let told = began
  let best = improver.bestCost
  for (let i = 0; ; i++) {
    if (i % 32 === 0) {
      const now = clock()
      const part = (now - began) / end
      if (!(part < 1) || done()) break
      if (now - told > 0.25) {
        told = now
        tell()
      }
    }
    const part = Math.min(1, (clock() - began) / end)
    const moved = improver.step(hot * (cold / hot) ** part)
    if (bounder && moved && (i % 100 === 0 || improver.bestCost < best - SAME)) bounder.know(improver.plan)
    best = improver.bestCost
  }
}

/** What every plan costs at the least, whatever the days: each job on its best day with no drive. */
function leastCost(field: WeekField): number {
  let sum = 0
  for (let j = 0; j < field.jobs; j++)
    sum += field.shifts.reduce((least, s) => Math.min(least, s.late[j]!), field.undone[j]!)
  return sum
}

/** Pinned jobs, and of a plan to begin from what still fits. */
function withStart(input: WeekInput, field: WeekField, pinned: Plan, start: readonly Assignment[]): Plan {
  const plan = pinned.map((o) => [...o])
  const jobs = new Map(input.jobs.map((j, i) => [j.id, i]))
  const shifts = new Map(field.shifts.map((s, i) => [`${input.crews[s.crew]!.id} ${s.date}`, i]))
  const placed = new Set(plan.flat())
  for (const a of [...start].sort((x, y) => x.position - y.position)) {
    const j = jobs.get(a.job)
    const s = shifts.get(`${a.crew} ${a.date}`)
    if (j === undefined || s === undefined || placed.has(j) || field.shifts[s]!.late[j] === Infinity) continue
    const more = [...plan[s]!, j]
    if (!fits(field, field.shifts[s]!, more)) continue
    plan[s] = more
    placed.add(j)
  }
  return plan
}

function said(input: WeekInput, field: WeekField, plan: Plan, objective: number, bound: number): WeekPlan {
  const assignments: Assignment[] = []
  const placed = new Set<number>()
  let late = 0
  let moved = 0
  let driven = 0
  for (const [s, order] of plan.entries()) {
    const shift = field.shifts[s]!
    driven += roundMinutes(field, order)
    for (const [i, j] of order.entries()) {
      placed.add(j)
      const cost = movedCost(input.jobs[j]!, input.crews[shift.crew]!.id, shift.date)
      moved += cost
      late += shift.late[j]! - cost
      assignments.push({
        job: input.jobs[j]!.id,
        crew: input.crews[shift.crew]!.id,
        date: shift.date,
        position: i + 1,
      })
    }
  }
  const open = input.jobs.flatMap((job, j) =>
    placed.has(j) ? [] : [{ job: job.id, reason: whyNotPlaced(input, field, j) }],
  )
  const undone = input.jobs.reduce((sum, _, j) => sum + (placed.has(j) ? 0 : field.undone[j]!), 0)
  const figure = (n: number) => String(Number(n.toFixed(6)))
  return {
    assignments,
    unassigned: open,
    objective,
    bound,
    gapPercent: objective - bound <= 1e-6 ? 0 : (100 * (objective - bound)) / objective,
    travelMinutes: driven,
    working: [
      {
        label: 'Lateness',
        expression: 'sum of priority times days after due, of what is placed',
        result: figure(late),
      },
      {
        label: 'Left undone',
        expression: `sum of priority times ${WEIGHTS.undoneDays}, of what is not placed`,
        result: figure(undone),
      },
      {
        label: 'Driving',
        expression: `${WEIGHTS.perMinuteDriven} × ${figure(driven)}`,
        result: figure(WEIGHTS.perMinuteDriven * driven),
      },
      ...(moved > 0
        ? [
            {
              label: 'Moved',
              expression: `${MOVED} for each taken from where it stood`,
              result: figure(moved),
            },
          ]
        : []),
      {
        label: 'Objective',
        expression: [late, undone, WEIGHTS.perMinuteDriven * driven, ...(moved > 0 ? [moved] : [])]
          .map(figure)
          .join(' + '),
        result: figure(objective),
      },
    ],
  }
}
