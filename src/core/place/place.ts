import { ok, type Result } from '../problem'
import { plain, showGround, type UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import { fromSI, type Length } from '../quantity/units'

/** A place on a site's plan: metres east and north of its corner. */
export interface Place {
  eastM: Length
  northM: Length
}

/** How far things spread on a plan, metres. */
export interface Spread {
  west: number
  south: number
  east: number
  north: number
}

/** The spread of points; null without any. `spreadOf([{ eastM: 1, northM: 2 }])` is one point wide. */
export function spreadOf(places: readonly Place[]): Spread | null {
  if (places.length === 0) return null
  const [east, north] = [places.map((p) => p.eastM), places.map((p) => p.northM)]
  return {
    west: Math.min(...east),
    south: Math.min(...north),
    east: Math.max(...east),
    north: Math.max(...north),
  }
}

/** The spread of two spreads together. */
export function together(a: Spread | null, b: Spread | null): Spread | null {
  if (!a || !b) return a ?? b
  return {
    west: Math.min(a.west, b.west),
    south: Math.min(a.south, b.south),
    east: Math.max(a.east, b.east),
    north: Math.max(a.north, b.north),
  }
}

/** A tree may stand this far beyond everything else on a plan before it is asked about, metres; on a large site more. */
const BEYOND_M = 30
/** … and this share of the site's longer side. */
const BEYOND_SHARE = 0.5

/**
 * Holds a place against all that the plan shows so far: a slip of a digit draws a tree far off and shrinks everybody's
 * plan. Answers a sentence to ask with, or null. An empty plan has nothing to hold it against.
 *
 * @example doubtPlace({ eastM: 500, northM: 20 }, { west: 0, south: 0, east: 60, north: 40 }, 'metric') // "… 440 m east …"
 */
export function doubtPlace(place: Place, known: Spread | null, units: UnitSystem = 'us'): string | null {
  if (!known) return null
  const beyond: [number, string][] = [
    [place.eastM - known.east, 'east'],
    [known.west - place.eastM, 'west'],
    [place.northM - known.north, 'north'],
    [known.south - place.northM, 'south'],
  ]
  const [far, side] = beyond.sort((a, b) => b[0] - a[0])[0]!
  const longer = Math.max(known.east - known.west, known.north - known.south)
  if (far <= Math.max(BEYOND_M, longer * BEYOND_SHARE)) return null
  return `This is ${showGround(far, units, 0)} ${side} of everything else on the plan. Is the place right?`
}

/** A place as people type it: two distances from the plan's corner, in feet or metres where no unit is typed. */
export interface TypedPlace {
  east: string
  north: string
}

/**
 * Reads a typed place. Problems: those of `readQuantity`, with field `eastM` or `northM`.
 *
 * @example readPlace({ east: '30', north: '12 m' }, 'us') // { eastM: 9.144, northM: 12 }
 */
export function readPlace(typed: TypedPlace, units: UnitSystem): Result<Place> {
  const bareUnit = units === 'us' ? 'ft' : 'm'
  const east = readQuantity(typed.east, 'length', 'eastM', { bareUnit, name: 'East' })
  if (!east.ok) return east
  const north = readQuantity(typed.north, 'length', 'northM', { bareUnit, name: 'North' })
  if (!north.ok) return north
  return ok({ eastM: east.value.si, northM: north.value.si })
}

/** A place as it stands in the fields, to a tenth of a foot or a metre. `showPlace({ eastM: 3, northM: 0 }, 'metric').east === '3'` */
export function showPlace(place: Place, units: UnitSystem): TypedPlace {
  const show = (m: number) => plain(units === 'us' ? fromSI(m, 'ft') : m, 1).replace(/,/g, '')
  return { east: show(place.eastM), north: show(place.northM) }
}
