import type { Method } from '../card/card'
import { grouped } from '../grouped'

/** Work whose presses were watched: so many minutes were planned, so many it took. */
export interface WatchedWork {
  method: Method
  planned: number
  took: number
}

/** How long a firm takes beside what is planned, by works that were watched. */
export interface Pace {
  /** Minutes it takes for each that is planned. */
  factor: number
  works: number
}

/** Fewer works say nothing. One that took far less or more than any pace is no measure of it. House figures. */
const LEAST_WORKS = 5
const BOUNDS = [0.5, 2] as const

/**
 * The pace of a firm by method: the middle of what watched works took beside what was planned for them, within half and double. What is
 * ticked at the end of a day teaches nothing, and is not handed in. Source: handbook, what happened is what is written.
 *
 * @example paces([…five prunings planned for 60 min that took 75]).get('prune') // { factor: 1.25, works: 5 }
 */
export function paces(watched: readonly WatchedWork[]): Map<Method, Pace> {
  const found = new Map<Method, Pace>()
  for (const [method, own] of grouped(
    watched.filter((w) => w.planned > 0),
    (w) => w.method,
  )) {
    if (own.length < LEAST_WORKS) continue
    const shares = own.map((w) => w.took / w.planned).sort((x, y) => x - y)
    const half = (shares.length - 1) / 2
    const middle = (shares[Math.floor(half)]! + shares[Math.ceil(half)]!) / 2
    found.set(method as Method, {
      factor: Math.min(BOUNDS[1], Math.max(BOUNDS[0], middle)),
      works: own.length,
    })
  }
  return found
}

/** On what the minutes of some work rest, in words; nothing where it is the plan. `sayPace({ factor: 1.25, works: 6 })` */
export function sayPace({ factor, works }: Pace): string {
  const share = Math.round(Math.abs(factor - 1) * 100)
  if (share === 0) return `as planned, by ${works} works that were watched`
  return `${share} % ${factor > 1 ? 'longer' : 'shorter'} than planned, by ${works} works that were watched`
}
