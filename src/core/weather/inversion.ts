import { toSI, type Speed } from '../quantity/units'
import { sunTimes, type Spot } from './sunlight'

const HOUR = 3_600_000
/** Source: handbook, weather. */
const CLEAR = 0.3
const STILL: Speed = toSI(3, 'mph')

/**
 * True when the air near the ground likely does not mix: from an hour before sunset until two after sunrise, under a clear sky, in still
 * air. What is sprayed then hangs and goes where nobody looks. `at`: epoch ms. Source: handbook, weather.
 */
export function inversionLikely(spot: Spot, at: number, sky: { cloud?: number; wind?: Speed }): boolean {
  if (!((sky.cloud ?? 1) < CLEAR && (sky.wind ?? Infinity) < STILL)) return false
  const day = sunTimes(spot, at)
  if (!day) return false
  return at < day.rise + 2 * HOUR || at >= day.set - HOUR
}
