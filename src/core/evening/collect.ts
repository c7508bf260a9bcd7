import { driveMinutes } from '../roster/roads'

/** Miles east and north of the yard. */
interface At {
  at: { x: number; y: number }
}

/** So many places are put in the best order there is; of more, in a good one. */
const EXACT = 11
const YARD = { x: 0, y: 0 }

/** Minutes on the road by way of places in their order, from the yard and back. */
export function tripMinutes(stops: readonly At[]): number {
  const way = [YARD, ...stops.map((s) => s.at), YARD]
  return way.slice(1).reduce((sum, at, i) => sum + driveMinutes(way[i]!, at), 0)
}

/**
 * The shortest way by all places, from the yard and back: the best order of up to eleven, of more one that no turned stretch shortens.
 *
 * @example shortestTrip([{ at: { x: 9, y: 0 } }, { at: { x: 1, y: 0 } }, { at: { x: 5, y: 4 } }]) // by 1, 5 and 9 miles, or back
 */
export function shortestTrip<Stop extends At>(stops: readonly Stop[]): Stop[] {
  return stops.length <= EXACT ? best(stops) : turned(nearest(stops))
}

/** Every set of places and the last of it, with the shortest way that comes by all of them. */
function best<Stop extends At>(stops: readonly Stop[]): Stop[] {
  const n = stops.length
  if (n < 2) return [...stops]
  const ways = new Map<string, { minutes: number; way: number[] }>()
  const key = (set: number, last: number) => `${set} ${last}`
  for (let i = 0; i < n; i++)
    ways.set(key(1 << i, i), { minutes: driveMinutes(YARD, stops[i]!.at), way: [i] })
  for (let set = 1; set < 1 << n; set++)
    for (let last = 0; last < n; last++) {
      const before = ways.get(key(set, last))
      if (!before) continue
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue
        const minutes = before.minutes + driveMinutes(stops[last]!.at, stops[next]!.at)
        const to = key(set | (1 << next), next)
        if (minutes < (ways.get(to)?.minutes ?? Infinity))
          ways.set(to, { minutes, way: [...before.way, next] })
      }
    }
  const whole = (1 << n) - 1
  const [found] = stops
    .map((stop, last) => {
      const { minutes, way } = ways.get(key(whole, last))!
      return { minutes: minutes + driveMinutes(stop.at, YARD), way }
    })
    .sort((a, b) => a.minutes - b.minutes)
  return found!.way.map((i) => stops[i]!)
}

function nearest<Stop extends At>(stops: readonly Stop[]): Stop[] {
  const left = [...stops]
  const way: Stop[] = []
  let at = YARD
  while (left.length > 0) {
    left.sort((a, b) => driveMinutes(at, a.at) - driveMinutes(at, b.at))
    const next = left.shift()!
    way.push(next)
    at = next.at
  }
  return way
}

function turned<Stop extends At>(way: Stop[]): Stop[] {
  let now = way
  let minutes = tripMinutes(now)
  for (let again = true; again;) {
    again = false
    for (let i = 0; i < now.length - 1; i++)
      for (let j = i + 1; j < now.length; j++) {
        const other = [...now.slice(0, i), ...now.slice(i, j + 1).reverse(), ...now.slice(j + 1)]
        const its = tripMinutes(other)
        if (its < minutes - 1e-9) {
          now = other
          minutes = its
          again = true
        }
      }
  }
  return now
}
