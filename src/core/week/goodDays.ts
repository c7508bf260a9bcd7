import { WEIGHTS, SAME, type Shift, type WeekField } from './field'
import type { Cuts } from './threes'

/**
 * Days of one crew that cost less than `below` once each job's price is taken off: quickly, some good ones, not all and perhaps not the best. Days are grown
 * job by job; of those of one length only the `width` that promise most are grown on.
 */
export function goodDays(
  field: WeekField,
  shift: Shift,
  prices: Float64Array,
  below: number,
  width: number,
  cuts?: Cuts,
): { cost: number; day: readonly number[] }[] {
  const { jobs, road, minutes } = field
  const row = jobs + 1
  const gains = new Float64Array(jobs)
  const chosen: number[] = []
  let dearest = 0
  for (let j = 0; j < jobs; j++) {
    gains[j] = prices[j]! - shift.late[j]!
    if (gains[j]! <= 1e-9) continue
    chosen.push(j)
    dearest = Math.max(dearest, gains[j]! / minutes[j]!)
  }
  // The second of the three jobs of a cut costs.
  const cut = (day: readonly number[], k: number) => {
    let sum = 0
    if (!cuts) return sum
    for (const c of cuts.of[k]!) {
      let held = 0
      for (const j of cuts.threes[c]!) if (j !== k && day.includes(j)) held++
      if (held === 1) sum += cuts.price[c]!
    }
    return sum
  }
  // What a minute that is left may still gain.
  const worth = Math.min(dearest, -below / shift.capacity)
  let layer: Grown[] = [{ end: jobs, spent: 0, cost: 0, rank: 0, mark: 0, from: NONE, day: [] }]
  const found: { cost: number; day: readonly number[] }[] = []
  while (layer.length > 0) {
    const next: Grown[] = []
    let bar = Infinity
    for (const g of layer) {
      const here = g.end * row
      for (const k of chosen) {
        const onRoad = road[here + k]!
        const spent = g.spent + onRoad + minutes[k]!
        const left = shift.capacity - spent - road[k * row + jobs]!
        if (left < -SAME) continue
        const least = g.cost + WEIGHTS.perMinuteDriven * onRoad - gains[k]!
        if (least - worth * left >= bar || g.day.includes(k)) continue
        const cost = least + cut(g.day, k)
        const rank = cost - worth * left
        if (rank >= bar) continue
        next.push({ end: k, spent, cost, rank, mark: g.mark + mark(k), from: g.day, day: NONE })
        if (next.length > 8 * width) bar = keepBest(next, width)
      }
    }
    keepBest(next, width)
    for (const g of next) {
      g.day = [...g.from, g.end]
      const cost = g.cost + WEIGHTS.perMinuteDriven * road[g.end * row + jobs]!
      if (cost < below - 1e-9) found.push({ cost, day: g.day })
    }
    layer = next
  }
  return found.sort((a, b) => a.cost - b.cost)
}

interface Grown {
  end: number
  spent: number
  cost: number
  rank: number
  /** Nearly one number for each set of jobs. */
  mark: number
  /** The day it was grown from; its own is only written down once it is kept. */
  from: readonly number[]
  day: readonly number[]
}

const NONE: readonly number[] = []

/** So many for each ending, so that sets and endings together have nearly one number of their own. */
const ENDING = 40_503

/** A number for a job, so that those of a set add up to one of its own. */
function mark(job: number): number {
  return (Math.imul(job + 1, 0x9e3779b1) >>> 0) * 0x10001 + job * job
}

/** Leaves the best of each set and ending, and of those so many; the rank of the last of them. */
function keepBest(days: Grown[], width: number): number {
  days.sort((a, b) => a.rank - b.rank)
  const seen = new Set<number>()
  let kept = 0
  for (const g of days) {
    const name = g.mark + g.end * ENDING
    if (seen.has(name)) continue
    seen.add(name)
    days[kept++] = g
    if (kept === width) break
  }
  days.length = Math.min(days.length, kept)
  return kept < width ? Infinity : days[kept - 1]!.rank
}
