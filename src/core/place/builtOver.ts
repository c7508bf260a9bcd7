import type { Length } from '../quantity/units'
import { distanceTo, type Outline } from './distance'
import type { Place } from './place'

/** Points a share is counted on; enough for a figure that is given in whole per cent. */
const POINTS = 2000
/** Each point stands the golden angle on from the one before, on a circle that holds as many as its area. */
const GOLDEN = Math.PI * (3 - Math.sqrt(5))

/**
 * The share of the ground round a tree that lies under outlines, 0 to 1: buildings and whatever else is closed, counted on
 * points spread evenly over the circle. Lines and points cover nothing.
 *
 * @example builtOver({ eastM: 0, northM: 0 }, 5, [halfTheCourt]) // 0.5
 */
export function builtOver(at: Place, reach: Length, outlines: readonly Outline[]): number {
  const closed = outlines.filter((o) => o.type === 'Polygon')
  if (!(reach > 0) || closed.length === 0) return 0
  let under = 0
  for (let i = 0; i < POINTS; i++) {
    const out = reach * Math.sqrt((i + 0.5) / POINTS)
    const place = {
      eastM: at.eastM + out * Math.cos(i * GOLDEN),
      northM: at.northM + out * Math.sin(i * GOLDEN),
    }
    if (closed.some((o) => distanceTo(place, o) === 0)) under++
  }
  return under / POINTS
}
