/** Where something lies on the globe, degrees. */
export interface Spot {
  latitude: number
  longitude: number
}

/** How fast a truck with a tank goes, miles an hour, and how much longer a road is than a straight line. House figures. */
export const ROADS = { speed: 25, detour: 1.3 }

const MILES_A_DEGREE = 69.1
const RADIANS = Math.PI / 180

/**
 * Miles east and north of a yard, on a plane that touches the globe there: good to a per cent within a hundred miles. The shorter way round counts, so
 * that a yard near the date line has its sites beside it.
 * @example milesFrom({ latitude: 42, longitude: -75 }, { latitude: 42.1, longitude: -75 }) // { x: 0, y: 6.91 }
 */
export function milesFrom(yard: Spot, to: Spot): { x: number; y: number } {
  const east = ((((to.longitude - yard.longitude + 180) % 360) + 360) % 360) - 180
  const middle = ((yard.latitude + to.latitude) / 2) * RADIANS
  return {
    x: east * Math.cos(middle) * MILES_A_DEGREE,
    y: (to.latitude - yard.latitude) * MILES_A_DEGREE,
  }
}

/** Minutes on the road between two places, miles east and north of the yard. */
export function driveMinutes(a: { x: number; y: number }, b: { x: number; y: number }): number {
  return (Math.hypot(a.x - b.x, a.y - b.y) * ROADS.detour * 60) / ROADS.speed
}

/** Minutes of work and driving of a day's stops in their order, from the yard and back. */
export function roundMinutes(
  day: readonly { at: { x: number; y: number }; stop: { minutes: number } }[],
): number {
  const yard = { x: 0, y: 0 }
  let at = yard
  let sum = 0
  for (const s of day) {
    sum += driveMinutes(at, s.at) + s.stop.minutes
    at = s.at
  }
  return sum + driveMinutes(at, yard)
}
