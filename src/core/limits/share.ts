import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { toSI, type Mass } from '../quantity/units'
import type { Working } from '../working/working'
import { refusedApplied, refusedId, refusedPriority, type Asked } from './asked'
import { divisor } from '../choice/knapsack'
import { chooseWays } from '../choice/multipleChoice'

/** One way in which a tree can be worked. */
export interface ShareWay {
  way: string
  /** Active ingredient, kg; a way without any is bound by no limit. */
  active: Mass
  minutes: number
  /** How well it works here, as a factor on the tree's priority. */
  worth: number
}

export interface ShareTree extends Asked {
  /** In the order in which they are preferred where all else is equal. */
  ways: ShareWay[]
}

export interface ShareInput {
  /** Active ingredient this ground may get this year, kg. */
  limit: Mass
  applied: Mass[]
  /** Minutes of work there are; without end where not given. */
  minutes?: number
  trees: ShareTree[]
  units?: UnitSystem
}

export interface Share {
  choice: { id: string; way: string | null }[]
  worth: number
  used: Mass
  minutes: number
  /** What is left of the limit after it; below zero where it was passed before. */
  remaining: Mass
  working: Working
}

export const MOST_SHARED = 2000
const MOST_WAYS = 20

/**
 * One way or none for each tree, so that what is left of a yearly limit and of the hours does most: the greatest sum of
 * priority × worth with the active ingredient within what is left and the minutes within what there is, exactly. Ties: fewer
 * minutes, then less active, then tree by tree the earlier way, none last. A way without active is always allowed, also when
 * the limit is passed.
 *
 * Problems: `missing` without trees or an id; `out-of-range` for amounts below zero, an id or a way given twice, more than
 * 2,000 trees or 20 ways a tree.
 * Source: handbook, yearly limit per area; the split among ways is a multiple-choice knapsack.
 * @example share({ limit: toSI(0.1, 'lb'), applied: [], trees: [{ id: 'A', priority: 5, ways: [drench, inject] }] })
 */
export function share(input: ShareInput): Result<Share> {
  const wrong = check(input)
  if (wrong) return wrong
  const units = input.units ?? 'us'
  const before = input.applied.reduce((sum, m) => sum + m, 0)
  const left = input.limit - before
  const ways = input.trees.flatMap((t) => t.ways)
  const active = grainOf(
    ways.map((w) => w.active),
    [toSI(1, 'lb'), 1],
    input.trees.length,
  )
  const minutes = grainOf(
    ways.map((w) => w.minutes),
    [1],
    input.trees.length,
  )
  const value = grainOf(
    input.trees.flatMap((t) => t.ways.map((w) => t.priority * w.worth)),
    [1],
    input.trees.length,
  )
  const chosen = chooseWays(
    input.trees.map((t) =>
      t.ways.map((w) => ({
        value: Math.round((t.priority * w.worth) / value),
        minutes: Math.round(w.minutes / minutes),
        active: Math.round(w.active / active),
      })),
    ),
    {
      // What passes a bound only by floating noise still fits.
      active: left <= 0 ? 0 : Math.floor((left * (1 + NOISE_OF_SUM)) / active + 0.5),
      minutes:
        input.minutes === undefined
          ? Infinity
          : Math.floor((input.minutes * (1 + NOISE_OF_SUM)) / minutes + 0.5),
    },
  )
  const taken = input.trees.map((t, i) => (chosen[i] === null ? null : t.ways[chosen[i]!]!))
  const sum = (of: (w: ShareWay, t: ShareTree) => number) =>
    taken.reduce((total, w, i) => total + (w ? of(w, input.trees[i]!) : 0), 0)
  const used = sum((w) => w.active)
  const spent = sum((w) => w.minutes)
  const worth = sum((w, t) => t.priority * w.worth)
  const lb = (m: Mass) => shown(m, 'lb', units, 4)
  const working: Working = [
    {
      label: left < 0 ? 'Passed already by' : 'Left of the limit',
      expression: `${lb(input.limit)} − ${lb(before)}`,
      result: lb(Math.abs(left)),
      source: 'record',
    },
    ...waysTaken(input.trees, taken).map(([way, many, mass, time]) => ({
      label: `By ${way}`,
      expression: `${lb(mass)}, ${sensible(time, 0)} min`,
      result: `${many} ${many === 1 ? 'tree' : 'trees'}`,
    })),
    {
      label: 'Left out',
      expression: 'no way of these fits, or another tree makes more of it',
      result: `${taken.filter((w) => w === null).length} of ${input.trees.length} trees`,
    },
    {
      label: 'Left after it',
      expression: `${lb(left)} − ${lb(used)}`,
      result: lb(left - used),
    },
  ]
  return ok({
    choice: input.trees.map((t, i) => ({ id: t.id, way: taken[i]?.way ?? null })),
    worth,
    used,
    minutes: spent,
    remaining: left - used,
    working,
  })
}

/** Sums of thousands of figures are true to this part. */
const NOISE_OF_SUM = 1e-12

/**
 * The grain in which figures are counted as whole numbers. Where all are whole multiples of a decimal part of one of `per`
 * (pounds, kilograms, minutes), their greatest common one: totals are then small numbers and equal ones are truly equal.
 * Otherwise so fine that the sum stays just below 2⁵³.
 */
function grainOf(figures: readonly number[], per: readonly number[], trees: number): number {
  const most = Math.max(...figures, 0)
  if (most === 0) return 1
  for (const unit of per)
    for (let grain = unit; grain >= unit * 1e-9 && (most / grain) * trees < 9e15; grain /= 10) {
      const whole = figures.map((f) => Math.round(f / grain))
      if (figures.some((f, i) => Math.abs(f / grain - whole[i]!) > 1e-9 * Math.max(1, f / grain))) continue
      return grain * whole.reduce(divisor, 0)
    }
  return (most * trees) / 4e15
}

function waysTaken(
  trees: readonly ShareTree[],
  taken: readonly (ShareWay | null)[],
): [string, number, Mass, number][] {
  const by = new Map<string, [string, number, Mass, number]>()
  for (const [i, tree] of trees.entries())
    for (const w of tree.ways) {
      const sum = by.get(w.way) ?? [w.way, 0, 0, 0]
      if (taken[i] === w) by.set(w.way, [w.way, sum[1] + 1, sum[2] + w.active, sum[3] + w.minutes])
      else by.set(w.way, sum)
    }
  return [...by.values()].slice(0, 30)
}

function check(input: ShareInput): Result<never> | null {
  if (!(input.limit >= 0)) return refuse('out-of-range', 'limit', 'The limit cannot be below zero.')
  const applied = refusedApplied(input.applied)
  if (applied) return applied
  if (input.minutes !== undefined && !(input.minutes >= 0 && input.minutes <= MOST_MINUTES))
    return refuse('out-of-range', 'minutes', 'The minutes must lie from 0 to those of ten years.')
  if (input.trees.length === 0) return refuse('missing', 'trees', 'There is no tree; give at least one.')
  if (input.trees.length > MOST_SHARED)
    return refuse(
      'out-of-range',
      'trees',
      `At most ${MOST_SHARED} trees can be shared among at once; send fewer.`,
    )
  const ids = new Set<string>()
  for (const [i, tree] of input.trees.entries()) {
    const at = `trees[${i}]`
    const refused = refusedId(tree, i, ids) ?? refusedPriority(tree, i)
    if (refused) return refused
    if (tree.ways.length > MOST_WAYS)
      return refuse('out-of-range', `${at}.ways`, `At most ${MOST_WAYS} ways can be compared for a tree.`)
    const names = new Set<string>()
    for (const [j, way] of tree.ways.entries()) {
      const here = `${at}.ways[${j}]`
      if (names.has(way.way))
        return refuse('out-of-range', `${here}.way`, 'This tree has the same way twice; keep one.')
      names.add(way.way)
      if (!(way.active >= 0))
        return refuse('out-of-range', `${here}.active`, 'The active ingredient cannot be below zero.')
      if (!(way.minutes >= 0 && way.minutes <= MOST_MINUTES))
        return refuse('out-of-range', `${here}.minutes`, 'The minutes must lie from 0 to those of ten years.')
      if (!(way.worth >= 0 && way.worth <= 1e6))
        return refuse('out-of-range', `${here}.worth`, 'What a way is worth is a number from 0 to 1,000,000.')
    }
  }
  return null
}

const MOST_MINUTES = 5_300_000
