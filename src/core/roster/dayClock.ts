import { meet, type Span } from './span'

/** What a crew does at a stop, and when it may. */
export interface ClockedStop {
  minutes: number
  /** On the road before it. */
  drive: number
  /** When work may be done there; null for any time. */
  open: readonly Span[] | null
}

/** A stop on the clock of its crew's day, minutes after midnight. */
export interface Clocked {
  from: number
  to: number
  /** Waited for before work begins, beside the drive. */
  waits: number
  /** Minutes of work that find no open hour before the day is over. */
  short: number
}

/**
 * The clock of a crew's day: from when it begins, by the drive to each stop, to work in its open hours, with pauses where they close. What finds no open hour
 * until midnight is left over and said. `home`: when the crew is back, with the drive of `back` minutes.
 * @example dayClock(420, [{ minutes: 60, drive: 15, open: [{ from: 480, to: 600 }] }], 15).stops[0] // { from: 480, to: 540, waits: 45, short: 0 }
 */
export function dayClock(
  begins: number,
  stops: readonly ClockedStop[],
  back: number,
): { stops: Clocked[]; home: number } {
  let at = begins
  const clocked = stops.map(({ minutes, drive, open }): Clocked => {
    const arrives = at + drive
    let left = minutes
    let [from, to] = [arrives, arrives]
    let began = false
    for (const s of meet(open ?? [{ from: 0, to: 1440 }], [{ from: arrives, to: 1440 }])) {
      if (left <= 0) break
      const worked = Math.min(left, s.to - s.from)
      if (!began) from = s.from
      began = true
      to = s.from + worked
      left -= worked
    }
    at = to
    return { from, to, waits: began ? from - arrives : 0, short: Math.max(0, left) }
  })
  return { stops: clocked, home: stops.length === 0 ? begins : at + back }
}

/** As many stops as are tried in every order. */
const TRIED = 6

/**
 * The order of a crew's stops that leaves least work over, then ends soonest: every order of up to six, else the order given. `road(a, b)` says the
 * minutes between two stops by their number, the yard as -1.
 * @example bestClock(420, [a, b], road) // [1, 0] where b is open in the morning only
 */
export function bestClock(
  begins: number,
  stops: readonly Omit<ClockedStop, 'drive'>[],
  road: (from: number, to: number) => number,
): number[] {
  const given = stops.map((_, i) => i)
  if (stops.length > TRIED || stops.length < 2) return given
  const cost = (order: readonly number[]) => {
    const day = clockOf(begins, stops, order, road)
    return { short: day.stops.reduce((sum, s) => sum + s.short, 0), home: day.home }
  }
  let best = given
  let least = cost(given)
  for (const order of orders(given)) {
    const c = cost(order)
    if (c.short < least.short - 0.5 || (c.short <= least.short + 0.5 && c.home < least.home - 0.5)) {
      best = order
      least = c
    }
  }
  return best
}

/** The clock of stops in an order, as {@link dayClock} says it. */
export function clockOf(
  begins: number,
  stops: readonly Omit<ClockedStop, 'drive'>[],
  order: readonly number[],
  road: (from: number, to: number) => number,
): { stops: Clocked[]; home: number } {
  return dayClock(
    begins,
    order.map((s, i) => ({ ...stops[s]!, drive: road(i === 0 ? -1 : order[i - 1]!, s) })),
    order.length === 0 ? 0 : road(order.at(-1)!, -1),
  )
}

function* orders(of: readonly number[]): Generator<number[]> {
  if (of.length <= 1) {
    yield [...of]
    return
  }
  for (const [i, first] of of.entries())
    for (const rest of orders([...of.slice(0, i), ...of.slice(i + 1)])) yield [first, ...rest]
}
