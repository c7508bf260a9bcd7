/** A thing that may be chosen: whole `weight` and whole `value`, both at least 1. */
export interface Item {
  weight: number
  value: number
}

/** Tables up to this many cells are filled outright; larger problems go by the core method. */
const MOST_CELLS = 40_000_000

/** After looking at this many sets the core method holds only {@link FEW_STATES}, those of the most promise. */
const MUCH_WORK = 1_000_000
const FEW_STATES = 100

/** With this many sets and a value that cannot be bettered, what is left is a choice among equals. */
const MANY_EQUALS = 2000

/**
 * The exact 0/1 knapsack: which items to choose for the greatest total value within `capacity`. Of equal values the
 * lesser weight; of equal weights too, the set that holds the earlier item where two sets first differ, so items come
 * in the order in which ties are to be settled.
 *
 * Whole numbers throughout (totals below 2⁵³), so that sums and ties are exact. Items heavier than the capacity are
 * never chosen. Answers indices in ascending order.
 *
 * Problems that are small in value or in weight fill a table; others follow the items outward from the break item,
 * keeping only sets that no other set beats and whose upper bound still reaches the best known. There, thousands of
 * items of thousands of sizes whose value is their size make more equal sets than can be held: the search then
 * ends with a total that cannot be bettered, or, after {@link MUCH_WORK} sets, goes on with those of the
 * most promise only.
 *
 * @example chooseItems([{ weight: 14, value: 3 }, { weight: 22, value: 5 }, { weight: 30, value: 6 }, { weight: 9, value: 2 }], 63)
 * // [1, 2, 3]
 */
export function chooseItems(items: readonly Item[], capacity: number): number[] {
  const fit = items.map((_, i) => i).filter((i) => items[i]!.weight <= capacity)
  const weightAll = fit.reduce((s, i) => s + items[i]!.weight, 0)
  if (weightAll <= capacity) return fit
  const valueGrain = fit.reduce((g, i) => divisor(g, items[i]!.value), 0)
  const weightGrain = fit.reduce((g, i) => divisor(g, items[i]!.weight), 0)
  const values = fit.map((i) => items[i]!.value / valueGrain)
  const weights = fit.map((i) => items[i]!.weight / weightGrain)
  const room = Math.floor(capacity / weightGrain)
  const byEfficiency = weights
    .map((_, i) => i)
    .sort((a, b) => values[b]! * weights[a]! - values[a]! * weights[b]! || a - b)
  const mostValue = linearBound(weights, values, byEfficiency, room)
  const n = fit.length
  const chosen =
    n * Math.min(mostValue, room) > MOST_CELLS
      ? byCore(weights, values, byEfficiency, room, mostValue)
      : mostValue <= room
        ? byValue(weights, values, room, mostValue)
        : byWeight(weights, values, room)
  return chosen.map((i) => fit[i]!)
}

/** The greatest common divisor of two whole numbers. `divisor(12, 18) === 6` */
export function divisor(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b]
  return a
}

/** No set within the room is worth more than this: the greedy set with a part of the item that no longer fits. */
function linearBound(weights: number[], values: number[], order: number[], room: number): number {
  let value = 0
  for (const i of order) {
    if (weights[i]! > room) return value + Math.floor((values[i]! * room) / weights[i]! + 1e-6)
    room -= weights[i]!
    value += values[i]!
  }
  return value
}

/** Which item was taken into which cell, one bit each. */
class Taken {
  private readonly bits: Uint8Array
  constructor(
    rows: number,
    private readonly width: number,
  ) {
    this.bits = new Uint8Array(Math.ceil((rows * width) / 8))
  }
  set(row: number, cell: number) {
    const bit = row * this.width + cell
    this.bits[bit >> 3]! |= 1 << (bit & 7)
  }
  has(row: number, cell: number): boolean {
    const bit = row * this.width + cell
    return (this.bits[bit >> 3]! & (1 << (bit & 7))) !== 0
  }
}

/** The items that led to a cell, the first on; `size` is what an item moves the cell by. */
function follow(taken: Taken, cell: number, size: number[]): number[] {
  const chosen: number[] = []
  for (let i = 0; i < size.length && cell > 0; i++)
    if (taken.has(i, cell)) {
      chosen.push(i)
      cell -= size[i]!
    }
  return chosen
}

/** The least weight for every value reachable with items i…, filled from the last item to the first. */
function byValue(weights: number[], values: number[], room: number, mostValue: number): number[] {
  const least = new Float64Array(mostValue + 1).fill(Infinity)
  least[0] = 0
  const taken = new Taken(weights.length, mostValue + 1)
  let reach = 0
  for (let i = weights.length - 1; i >= 0; i--) {
    const v = values[i]!
    const w = weights[i]!
    reach = Math.min(mostValue, reach + v)
    for (let value = reach; value >= v; value--) {
      const withIt = least[value - v]! + w
      // At equal weight the earlier item is taken.
      if (withIt <= least[value]! && withIt <= room) {
        least[value] = withIt
        taken.set(i, value)
      }
    }
  }
  let value = mostValue
  while (least[value]! > room) value--
  return follow(taken, value, values)
}

/** The greatest value for every weight exactly reached with items i…, filled from the last item to the first. */
function byWeight(weights: number[], values: number[], room: number): number[] {
  const most = new Float64Array(room + 1).fill(-Infinity)
  most[0] = 0
  const taken = new Taken(weights.length, room + 1)
  let reach = 0
  for (let i = weights.length - 1; i >= 0; i--) {
    const v = values[i]!
    const w = weights[i]!
    reach = Math.min(room, reach + w)
    for (let weight = reach; weight >= w; weight--) {
      const withIt = most[weight - w]! + v
      if (withIt >= most[weight]! && withIt !== -Infinity) {
        most[weight] = withIt
        taken.set(i, weight)
      }
    }
  }
  let best = 0
  for (let weight = 1; weight <= room; weight++) if (most[weight]! > most[best]!) best = weight
  return follow(taken, best, weights)
}

/** A set of items, told by how it differs from the break set. */
interface Change {
  item: number
  before: Change | null
}

interface State {
  value: number
  weight: number
  changes: Change | null
}

function byCore(
  weights: number[],
  values: number[],
  order: number[],
  capacity: number,
  mostValue: number,
): number[] {
  const n = weights.length
  const w = order.map((i) => weights[i]!)
  const v = order.map((i) => values[i]!)
  let breakAt = 0
  let weight = 0
  let value = 0
  while (breakAt < n && weight + w[breakAt]! <= capacity) {
    weight += w[breakAt]!
    value += v[breakAt]!
    breakAt++
  }
  let known = value + greedyRest(w, v, breakAt, capacity - weight)
  let states: State[] = [{ value, weight, changes: null }]
  let left = breakAt - 1
  let right = breakAt
  let best: State | null = null
  const better = (a: State, b: State | null): boolean => {
    if (!b) return true
    if (a.value !== b.value) return a.value > b.value
    if (a.weight !== b.weight) return a.weight < b.weight
    return precedes(a.changes, b.changes, order, breakAt)
  }
  /** The most a set could still become worth, with the items not yet looked at. */
  const promise = (s: State) => {
    if (s.weight <= capacity)
      return s.value + (right < n ? Math.floor(((capacity - s.weight) * v[right]!) / w[right]! + 1e-6) : 0)
    return left < 0 ? -1 : s.value - Math.ceil(((s.weight - capacity) * v[left]!) / w[left]! - 1e-6)
  }
  const consider = (s: State) => {
    if (s.weight > capacity || s.value < known) return
    known = s.value
    if (better(s, best)) best = s
  }
  let work = 0
  consider(states[0]!)
  while ((left >= 0 || right < n) && states.length > 0) {
    const insert = right < n && (left < 0 || right - breakAt <= breakAt - 1 - left)
    const at = insert ? right++ : left--
    const dv = insert ? v[at]! : -v[at]!
    const dw = insert ? w[at]! : -w[at]!
    const shifted = states.map((s): State => ({
      value: s.value + dv,
      weight: s.weight + dw,
      changes: { item: at, before: s.changes },
    }))
    states = merged(states, shifted, better)
    for (const s of states) consider(s)
    states = states.filter((s) => promise(s) >= known)
    if (states.length > MANY_EQUALS && known >= mostValue && best !== null) break
    work += states.length
    if (work > MUCH_WORK && states.length > FEW_STATES) states = thinned(states, promise)
  }
  const chosen = new Set(order.slice(0, breakAt))
  for (let c = best!.changes; c; c = c.before) {
    const i = order[c.item]!
    if (chosen.has(i)) chosen.delete(i)
    else chosen.add(i)
  }
  return [...chosen].sort((a, b) => a - b)
}

/** What still fits after the greedy set, taken as it comes. */
function greedyRest(w: number[], v: number[], from: number, room: number): number {
  let value = 0
  for (let i = from; i < w.length; i++)
    if (w[i]! <= room) {
      room -= w[i]!
      value += v[i]!
    }
  return value
}

/** The sets that promise most, still ascending by weight. */
function thinned(states: State[], promise: (s: State) => number): State[] {
  const bar = Float64Array.from(states, promise).sort()[states.length - FEW_STATES]!
  const kept = states.filter((s) => promise(s) > bar)
  for (const s of states) {
    if (kept.length >= FEW_STATES) break
    if (promise(s) === bar) kept.push(s)
  }
  return kept.sort((a, b) => a.weight - b.weight)
}

/** Two lists ascending by weight, joined, keeping of each weight the greatest value and nothing that is beaten. */
function merged(a: State[], b: State[], better: (a: State, b: State | null) => boolean): State[] {
  const result: State[] = []
  let i = 0
  let j = 0
  while (i < a.length || j < b.length) {
    const x = a[i]
    const y = b[j]
    let next: State
    if (x && y && x.weight === y.weight) {
      next = better(x, y) ? x : y
      i++
      j++
    } else if (x && (!y || x.weight < y.weight)) {
      next = x
      i++
    } else {
      next = y!
      j++
    }
    if (result.length === 0 || next.value > result[result.length - 1]!.value) result.push(next)
  }
  return result
}

/** Of two sets of equal value and weight: does the first hold the earlier item where they first differ? */
function precedes(a: Change | null, b: Change | null, order: number[], breakAt: number): boolean {
  const mine = new Set<number>()
  for (let c = a; c; c = c.before) mine.add(c.item)
  let earliest = Infinity
  let first = false
  const look = (at: number, changedByA: boolean) => {
    if (order[at]! >= earliest) return
    earliest = order[at]!
    // Changing an item of the break set drops it; changing another takes it.
    first = changedByA !== at < breakAt
  }
  for (let c = b; c; c = c.before) if (!mine.delete(c.item)) look(c.item, false)
  for (const at of mine) look(at, true)
  return first
}
