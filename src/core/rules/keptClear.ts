import { capital } from '../capital'
import { distanceTo } from '../place/distance'
import type { Drawn } from '../place/measured'
import { OUTLINE } from '../place/outlineKinds'
import type { Place } from '../place/place'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import type { Length } from '../quantity/units'
import type { AgainstRule } from './refused'

/** Something on a plan that a distance is kept from. */
export interface KeptClear extends Drawn {
  name: string | null
  /** Null where only the label and the rules of the place say how far. */
  setback: Length | null
}

const INSIDE = 'Choose a way that stays inside the tree.'

/** What stands too near a tree for what reaches ground or air. */
export interface TooNear {
  what: string
  distance: Length
  setback: Length
}

/**
 * What of a plan is nearer to a place than the distance that is kept from it, the nearest first.
 * @example tooNear({ eastM: 0, northM: 0 }, [{ kind: 'hive', name: null, setback: 30, geometry: at(0, 12) }])[0].distance // 12
 */
export function tooNear(at: Place, drawn: readonly KeptClear[]): TooNear[] {
  return drawn
    .flatMap(({ kind, name, setback, geometry }) => {
      if (setback === null) return []
      const distance = distanceTo(at, geometry)
      return distance < setback ? [{ what: name ?? OUTLINE[kind].name.toLowerCase(), distance, setback }] : []
    })
    .sort((a, b) => a.distance - b.distance)
}

/** Why work that reaches ground or air may not be done so near; nothing against what stays inside the tree. */
export function refusedNear(
  near: readonly TooNear[],
  { onGround, units }: { onGround: boolean; units: UnitSystem },
): AgainstRule[] {
  if (!onGround) return []
  return near.map(({ what, distance, setback }) => ({
    why: `${capital(what)} ${distance === 0 ? 'is where the tree stands' : `at ${shown(distance, 'ft', units, 0)}`}: the plan keeps ${shown(setback, 'ft', units, 0)} from it.`,
    wayOut: INSIDE,
  }))
}

/** Why a card's distance to water and wells is not kept; null where it is, or where there is none. */
export function refusedByCard(
  setback: Length,
  water: { distance: Length; what: string } | null,
  units: UnitSystem,
): AgainstRule | null {
  return water && water.distance < setback
    ? {
        why: `${capital(water.what)} at ${shown(water.distance, 'ft', units, 0)}: the card keeps ${shown(setback, 'ft', units, 0)} from water and wells.`,
        wayOut: INSIDE,
      }
    : null
}
