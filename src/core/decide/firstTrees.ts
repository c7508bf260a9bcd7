import { chooseWays } from '../limits/multipleChoice'

/** A tree that asks for money and time, and what treating it gains. */
export interface Asks {
  id: string
  /** Money; a tree that gains nothing is never chosen. */
  gain: number
  visit: number
  minutes: number
}

export interface FirstTrees {
  /** Those that are treated first, the greatest gain first. */
  chosen: string[]
  gain: number
  visit: number
  minutes: number
}

/**
 * Which trees are treated first with the money and the time there are, so that all of them together gain most: exactly, to the
 * whole of the money and the minute. Without a bound everything that gains is chosen.
 *
 * @example firstTrees([{ id: 'a', gain: 900, visit: 200, minutes: 30 }, …], { money: 1000, minutes: 480 }).chosen
 */
export function firstTrees(
  trees: readonly Asks[],
  room: { money: number | null; minutes: number | null },
): FirstTrees {
  const asks = trees.filter((t) => Math.round(t.gain) > 0)
  // Money held at or below a bound, like an active; costs are rounded up, so that a bound is never passed.
  const picked = chooseWays(
    asks.map((t) => [
      { value: Math.round(t.gain), minutes: Math.ceil(t.minutes), active: Math.ceil(t.visit) },
    ]),
    { active: room.money ?? Infinity, minutes: room.minutes ?? Infinity },
  )
  const chosen = asks.filter((_, i) => picked[i] !== null).sort((a, b) => b.gain - a.gain)
  const sum = (of: (t: Asks) => number) => chosen.reduce((n, t) => n + of(t), 0)
  return {
    chosen: chosen.map((t) => t.id),
    gain: sum((t) => t.gain),
    visit: sum((t) => t.visit),
    minutes: sum((t) => t.minutes),
  }
}
