import { chooseWays } from '../choice/multipleChoice'
import type { Mass } from '../quantity/units'

/** A tree that asks for money and time, and what treating it gains. */
export interface Asks {
  id: string
  /** Money; a tree that gains nothing is never chosen. */
  gain: number
  visit: number
  minutes: number
  /** What the way counted with puts on the ground of what its yearly limit binds; none where it puts on nothing of it. */
  active?: Mass
}

/** What there is this year; null where it binds nothing. */
export interface Room {
  money: number | null
  minutes: number | null
  /** What the yearly limit of the ground leaves. */
  active?: Mass | null
}

export interface FirstTrees {
  /** Those that are treated first, the greatest gain first. */
  chosen: string[]
  gain: number
  visit: number
  minutes: number
  active: Mass
  /** No choice gains more than so many per cent more; 0 where it is the best there is. */
  shortPercent: number
}

/** How often the price of the active is halved in: after it two prices next to each other choose the same trees. */
const ROUNDS = 24

/**
 * Which trees are treated first with the money, the time and the active there are, so that all of them together gain most. Under
 * money and time it is the best there is, exactly, to the whole of the money and the minute. Where the yearly limit binds as
 * well, the active is given a price, halved in until it just fits; how far that can be from the best is said (`shortPercent`).
 * Without a bound everything that gains is chosen.
 *
 * @example firstTrees([{ id: 'a', gain: 900, visit: 200, minutes: 30 }, …], { money: 1000, minutes: 480 }).chosen
 */
export function firstTrees(trees: readonly Asks[], room: Room): FirstTrees {
  const asks = trees.filter((t) => Math.round(t.gain) > 0)
  const free = pick(asks, room, 0)
  const most = room.active ?? Infinity
  if (sum(free, activeOf) <= most * (1 + 1e-9)) return told(free, 0)
  let best: Asks[] = []
  let bound = sum(free, gainOf)
  let [low, high] = [0, Math.max(...asks.map((t) => (activeOf(t) > 0 ? perActive(t) : 0)))]
  for (let round = 0; round < ROUNDS; round++) {
    const price = round === 0 ? high : (low + high) / 2
    const picked = pick(asks, room, price)
    bound = Math.min(bound, sum(picked, (t) => t.gain - price * activeOf(t)) + price * most)
    const fits = sum(picked, activeOf) <= most
    if (round > 0) {
      if (fits) high = price
      else low = price
    }
    const candidate = filled(asks, fits ? picked : pruned(picked, most), room)
    if (sum(candidate, gainOf) > sum(best, gainOf)) best = candidate
  }
  const gain = sum(best, gainOf)
  // Gains are weighed to the whole, so a bound may lie half a unit a tree too low.
  const over = (bound + asks.length * 0.5 - gain) / Math.max(1, gain)
  return told(best, Math.max(0, Math.round(over * 1000) / 10))
}

const sum = (trees: readonly Asks[], of: (t: Asks) => number) => trees.reduce((n, t) => n + of(t), 0)
const gainOf = (t: Asks) => t.gain
const activeOf = (t: Asks) => t.active ?? 0
/** Less of an active than this is none that could be weighed, kg. */
const NONE = 1e-12
const perActive = (t: Asks) => t.gain / Math.max(activeOf(t), NONE)

/** The best choice under money and time, with the active at a price. */
function pick(asks: readonly Asks[], room: Room, price: number): Asks[] {
  const worth = asks.filter((t) => Math.round(t.gain - price * activeOf(t)) > 0)
  // Money held at or below a bound, like an active; costs are rounded up, so that a bound is never passed.
  const picked = chooseWays(
    worth.map((t) => [
      {
        value: Math.round(t.gain - price * activeOf(t)),
        minutes: Math.ceil(t.minutes),
        active: Math.ceil(t.visit),
      },
    ]),
    { active: room.money ?? Infinity, minutes: room.minutes ?? Infinity },
  )
  return worth.filter((_, i) => picked[i] !== null)
}

/** Without those that gain least for the active they take, until the rest fits. */
function pruned(picked: readonly Asks[], most: Mass): Asks[] {
  const left = [...picked].sort((a, b) => perActive(b) - perActive(a))
  while (sum(left, activeOf) > most) left.pop()
  return left
}

/** With whatever of the others still fits, the greatest gain first. */
function filled(asks: readonly Asks[], picked: readonly Asks[], room: Room): Asks[] {
  const all = [...picked]
  const fits = (t: Asks) =>
    sum(all, activeOf) + activeOf(t) <= (room.active ?? Infinity) &&
    sum(all, (x) => Math.ceil(x.visit)) + Math.ceil(t.visit) <= (room.money ?? Infinity) &&
    sum(all, (x) => Math.ceil(x.minutes)) + Math.ceil(t.minutes) <= (room.minutes ?? Infinity)
  for (const t of [...asks].sort((a, b) => b.gain - a.gain)) if (!all.includes(t) && fits(t)) all.push(t)
  return all
}

function told(picked: readonly Asks[], shortPercent: number): FirstTrees {
  return {
    chosen: [...picked].sort((a, b) => b.gain - a.gain).map((t) => t.id),
    gain: sum(picked, gainOf),
    visit: sum(picked, (t) => t.visit),
    minutes: sum(picked, (t) => t.minutes),
    active: sum(picked, activeOf),
    shortPercent,
  }
}
