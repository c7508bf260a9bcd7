import type { Length } from '../quantity/units'
import { ceilGuarded, floorGuarded } from '../quantity/whole'
import { arc, clockwise, degreesOf, type Sector } from './bearing'
import { forbiddenAt, suitability, type TrunkRound } from './suitability'

export interface LayoutInput extends TrunkRound {
  count: number
  minSpacing: Length
  maxGap?: Length
}

export interface PlacedPort {
  bearing: number
  suitability: number
}

export interface PortLayout {
  /** Ascending by bearing. */
  ports: PlacedPort[]
  total: number
  largestGap: Length
  /** True when there is no `maxGap` or no gap is wider. */
  maxGapMet: boolean
  /** How many of `count` could not be placed. */
  missing: number
  /** The gaps wider than `maxGap`, from port to port clockwise. */
  uncovered: Sector[]
}

const ROUND = 360
/** Suitabilities are compared as whole multiples of this, so that sums are exact and ties are true ties. */
const GRAIN = 1e-12
const NEVER = -Infinity

/**
 * Places `count` ports so that the total suitability is the greatest possible: the true optimum over all sets of whole
 * bearings that keep the spacing, by dynamic programming round the circle.
 *
 * Every neighbouring pair stays at least `minSpacing` apart along the girth. No gap exceeds `maxGap` where that can be
 * met; otherwise the widest gap is the smallest that can be. When `count` ports cannot be placed, as many as can.
 * Among equal totals the ports lie as far apart as they can: first the greatest least gap, then the smallest largest gap, then
 * the smaller bearings, so the same input always gives the same ports. Source: handbook, ports without a drawn ring.
 *
 * @example layoutPorts({ portGirth: toSI(60, 'in'), count: 6, minSpacing: toSI(5, 'in') }).ports[1].bearing // 30
 */
export function layoutPorts(input: LayoutInput): PortLayout {
  const value = new Float64Array(ROUND)
  const open = new Uint8Array(ROUND)
  for (let b = 0; b < ROUND; b++) {
    open[b] = forbiddenAt(b, input) === null ? 1 : 0
    if (open[b]) value[b] = Math.round(suitability(b, input) / GRAIN)
  }
  // Neighbours on the same bearing are never two ports, however small the spacing.
  const least = Math.max(1, ceilGuarded(degreesOf(input.minSpacing, input.portGirth)))
  const placeable = Math.min(input.count, mostPlaceable(open, least))
  let bearings: number[] = []
  if (placeable > 0) {
    const wanted =
      input.maxGap === undefined
        ? ROUND
        : Math.min(ROUND, floorGuarded(degreesOf(input.maxGap, input.portGirth)))
    const most = narrowestGap(open, placeable, least, wanted)
    bearings = spread(value, open, placeable, least, most)
  }
  return describeLayout(bearings, input, input.count - bearings.length)
}

/**
 * The figures of a given set of bearings: suitabilities, total, widest gap, what stays uncovered.
 * Bearings need not be optimal (a person may have moved some).
 */
export function describeLayout(bearings: number[], input: LayoutInput, missing = 0): PortLayout {
  const ascending = [...bearings].sort((a, b) => a - b)
  const ports = ascending.map((bearing) => ({ bearing, suitability: suitability(bearing, input) }))
  const gaps = gapsOf(ascending)
  const widest = gaps.reduce((w, g) => Math.max(w, g.degrees), 0)
  const allowed = input.maxGap === undefined ? ROUND : floorGap(input.maxGap, input.portGirth)
  const uncovered =
    input.maxGap === undefined
      ? []
      : gaps.filter((g) => g.degrees > allowed).map(({ from, to }) => ({ from, to }))
  return {
    ports,
    total: ports.reduce((sum, p) => sum + p.suitability, 0),
    largestGap: arc(widest, input.portGirth),
    maxGapMet: uncovered.length === 0,
    missing,
    uncovered,
  }
}

function floorGap(maxGap: Length, girth: Length): number {
  const degrees = degreesOf(maxGap, girth)
  return degrees + 1e-9 * Math.max(1, degrees)
}

/** The gaps between neighbours, clockwise. One port leaves the whole round, none leaves 0–359. */
function gapsOf(ascending: number[]): { from: number; to: number; degrees: number }[] {
  if (ascending.length === 0) return [{ from: 0, to: 359, degrees: ROUND }]
  return ascending.map((from, i) => {
    const to = ascending[(i + 1) % ascending.length]!
    return { from, to, degrees: ascending.length === 1 ? ROUND : clockwise(from, to) }
  })
}

/** The most ports that fit on the open bearings at least `least` degrees apart: greedy from every start. */
function mostPlaceable(open: Uint8Array, least: number): number {
  // next[b]: first open bearing ≥ b, or 360 and beyond.
  const next = new Int32Array(ROUND + 1)
  next[ROUND] = ROUND
  for (let b = ROUND - 1; b >= 0; b--) next[b] = open[b] ? b : next[b + 1]!
  let most = 0
  for (let start = next[0]!; start < ROUND; start = next[start + 1]!) {
    let count = 1
    let at = start
    for (;;) {
      const to = at + least
      if (to >= ROUND) break
      const q = next[to]!
      if (q >= ROUND || q - start > ROUND - least) break
      at = q
      count++
    }
    most = Math.max(most, count)
  }
  return most
}

/** The smallest largest gap, in degrees and at least `wanted`, with which exactly `count` ports can be placed. */
function narrowestGap(open: Uint8Array, count: number, least: number, wanted: number): number {
  // A gap always spans the longest closed stretch, so nothing narrower needs a trial.
  const closed = longestClosed(open) + 1
  if (wanted >= ROUND || (wanted >= closed && feasible(open, count, least, wanted))) return wanted
  let low = Math.max(wanted + 1, closed)
  if (low >= ROUND || feasible(open, count, least, low)) return Math.min(low, ROUND)
  let high = ROUND
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (feasible(open, count, least, middle)) high = middle
    else low = middle
  }
  return high
}

function longestClosed(open: Uint8Array): number {
  let longest = 0
  let run = 0
  for (let i = 0; i < 2 * ROUND; i++) {
    run = open[i % ROUND] ? 0 : run + 1
    longest = Math.max(longest, run)
  }
  return Math.min(longest, ROUND)
}

/** Can exactly `count` ports be placed with every gap between `least` and `most` degrees? */
function feasible(open: Uint8Array, count: number, least: number, most: number): boolean {
  if (count === 1) return most >= ROUND
  if (count * most < ROUND || count * least > ROUND) return false
  const sums = new Int32Array(ROUND + 1)
  const reach = new Uint8Array(ROUND)
  const starts = Math.min(most, ROUND - (count - 1) * least)
  for (let start = 0; start < starts; start++) {
    if (!open[start]) continue
    reach.fill(0)
    reach[start] = 1
    for (let k = 1; k < count; k++) {
      for (let b = 0; b < ROUND; b++) sums[b + 1] = sums[b]! + reach[b]!
      for (let b = 0; b < ROUND; b++) {
        const from = Math.max(start, b - most)
        const to = b - least
        reach[b] = open[b] && to >= from && sums[to + 1]! > sums[from]! ? 1 : 0
      }
    }
    for (let last = Math.max(0, start + ROUND - most); last <= start + ROUND - least && last < ROUND; last++)
      if (reach[last]) return true
  }
  return false
}

/**
 * The best bearings, spread out: of all sets with the greatest total the one whose nearest two are farthest apart, then the one whose
 * widest gap is narrowest. Narrowing the gaps that are allowed never raises the total, so each is found by halving.
 */
function spread(value: Float64Array, open: Uint8Array, count: number, least: number, most: number): number[] {
  const first = best(value, open, count, least, most)
  if (count < 2 || first.length === 0) return first
  const total = first.reduce((sum, b) => sum + value[b]!, 0)
  const keeps = (apart: number, within: number) => {
    const found = best(value, open, count, apart, within, total)
    return found.length > 0 && found.reduce((sum, b) => sum + value[b]!, 0) === total ? found : null
  }
  const widest = (bearings: number[]) => Math.max(...gapsOf(bearings).map((g) => g.degrees))
  const nearest = (bearings: number[]) => Math.min(...gapsOf(bearings).map((g) => g.degrees))
  let found = first
  let low = nearest(found)
  let high = Math.floor(ROUND / count)
  while (low < high) {
    const middle = (low + high + 1) >> 1
    const next = keeps(middle, most)
    if (next) {
      found = next
      low = nearest(next)
    } else high = middle - 1
  }
  const apart = low
  let [from, to] = [Math.ceil(ROUND / count), widest(found)]
  while (from < to) {
    const middle = (from + to) >> 1
    const next = keeps(apart, middle)
    if (next) {
      found = next
      to = widest(next)
    } else from = middle + 1
  }
  return keeps(apart, to) ?? found
}

/**
 * The optimal bearings. For a smallest bearing `start`, `rest[k][b]` is the greatest value of k more ports after a
 * port at b; windows of candidates slide, so a start costs count × 360 steps. What a start could reach if the last
 * port were free of it bounds it from above, so starts are tried from the most promising and most are never filled in.
 */
function best(
  value: Float64Array,
  open: Uint8Array,
  count: number,
  least: number,
  most: number,
  /** What must be reached; less is as good as nothing. */
  wanted = NEVER,
): number[] {
  const table = new Float64Array(count * ROUND)
  const queue = new Int32Array(ROUND)
  const starts = boundedStarts(table, queue, value, open, count, least, most)
  let bestTotal = NEVER
  let bestStart = -1
  for (const { start, bound } of starts) {
    // Starts come by their bounds, then by their bearings: where nothing is left to gain, the first that reaches it stands.
    if (bound < bestTotal || bound < wanted || (bound === bestTotal && start > bestStart)) break
    const total = value[start]! + fill(table, queue, value, open, count, least, most, start)
    if (total > bestTotal || (total === bestTotal && total !== NEVER && start < bestStart)) {
      bestTotal = total
      bestStart = start
    }
  }
  if (bestStart < 0) return []
  fill(table, queue, value, open, count, least, most, bestStart)
  const bearings = [bestStart]
  let at = bestStart
  for (let k = count - 1; k > 0; k--) {
    const target = table[k * ROUND + at]!
    let q = at + least
    // Values are whole numbers, so equality is exact; the first that reaches the target is the smallest bearing.
    while (!(open[q] && value[q]! + table[(k - 1) * ROUND + q]! === target)) q++
    bearings.push(q)
    at = q
  }
  return bearings
}

/** Starts with an upper bound each, the most promising first. */
function boundedStarts(
  table: Float64Array,
  queue: Int32Array,
  value: Float64Array,
  open: Uint8Array,
  count: number,
  least: number,
  most: number,
): { start: number; bound: number }[] {
  const starts: { start: number; bound: number }[] = []
  fill(table, queue, value, open, count, least, most, null)
  for (let start = 0; start < Math.min(most, ROUND - (count - 1) * least); start++) {
    if (!open[start]) continue
    const bound = value[start]! + table[(count - 1) * ROUND + start]!
    if (bound !== NEVER) starts.push({ start, bound })
  }
  return starts.sort((a, b) => b.bound - a.bound || a.start - b.start)
}

/**
 * Fills `table[k × 360 + b]`: the greatest value of k more ports after one at b, and answers the entry for `start`.
 * With `start` null the last port may be anywhere (the gap back to the first is not looked at).
 */
function fill(
  table: Float64Array,
  queue: Int32Array,
  value: Float64Array,
  open: Uint8Array,
  count: number,
  least: number,
  most: number,
  from: number | null,
): number {
  const start = from ?? 0
  if (count === 1 && most < ROUND) return NEVER
  // The last port must leave a gap of least…most back to the start; one port alone has no neighbour.
  const free = from === null || count === 1
  const lastFrom = free ? start : Math.max(start, start + ROUND - most)
  const lastTo = free ? ROUND - 1 : Math.min(ROUND - 1, start + ROUND - least)
  for (let b = start; b < ROUND; b++) table[b] = b >= lastFrom && b <= lastTo ? 0 : NEVER
  for (let k = 1; k < count; k++) {
    const here = k * ROUND
    const below = here - ROUND
    // With k ports still to come after b, b cannot lie outside these.
    const first = from === null ? 0 : start + (count - 1 - k) * least
    let head = 0
    let tail = 0
    let entering = ROUND - 1
    for (let b = ROUND - 1; b >= first; b--) {
      for (; entering >= b + least; entering--) {
        if (!open[entering]) continue
        const v = value[entering]! + table[below + entering]!
        if (v === NEVER) continue
        while (tail > head && value[queue[tail - 1]!]! + table[below + queue[tail - 1]!]! < v) tail--
        queue[tail++] = entering
      }
      while (tail > head && queue[head]! > b + most) head++
      table[here + b] = tail > head ? value[queue[head]!]! + table[below + queue[head]!]! : NEVER
    }
    for (let b = start; b < Math.min(first, ROUND); b++) table[here + b] = NEVER
  }
  return table[(count - 1) * ROUND + start]!
}
