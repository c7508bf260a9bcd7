const DAY = 86_400_000
const HOUR = 3_600_000
const RAD = Math.PI / 180

/** A place on the globe, degrees; south and west are negative. */
export interface Spot {
  latitude: number
  longitude: number
}

/** Number of the day in its year, 1 to 366, by the calendar of UTC. */
function dayOfYear(at: number): number {
  return Math.floor((at - Date.UTC(new Date(at).getUTCFullYear(), 0, 1)) / DAY) + 1
}

/** How far the sun stands north of the equator on a day of the year, radians. */
const declination = (day: number) => 0.409 * Math.sin((2 * Math.PI * day) / 365 - 1.39)

/** Hours the sundial is ahead of the mean clock. */
function sundialAhead(day: number): number {
  const b = (2 * Math.PI * (day - 81)) / 364
  return 0.1645 * Math.sin(2 * b) - 0.1255 * Math.cos(b) - 0.025 * Math.sin(b)
}

/** Half the day's length as an angle; 0 in the polar night, π where the sun does not set. */
function halfDay(latitude: number, day: number): number {
  return Math.acos(Math.max(-1, Math.min(1, -Math.tan(latitude * RAD) * Math.tan(declination(day)))))
}

/**
 * Sine of the sun's height over the horizon at an instant; below zero it is night. Without cloud, the strength of the sun as a share
 * of what stands overhead. Good to about half a degree.
 *
 * @example sunHeight({ latitude: 0, longitude: 0 }, Date.UTC(2026, 2, 20, 12)) // about 1
 */
export function sunHeight({ latitude, longitude }: Spot, at: number): number {
  const day = dayOfYear(at)
  const clock = (at % DAY) / HOUR + longitude / 15 + sundialAhead(day)
  const turned = (clock - 12) * 15 * RAD
  const tilt = declination(day)
  return (
    Math.sin(latitude * RAD) * Math.sin(tilt) + Math.cos(latitude * RAD) * Math.cos(tilt) * Math.cos(turned)
  )
}

/**
 * Sunrise and sunset of the day around a place's own noon that is nearest to an instant, epoch ms; null where the sun does not rise or not
 * set on it. Good to some minutes.
 */
export function sunTimes(spot: Spot, at: number): { rise: number; set: number } | null {
  const solar = at + (spot.longitude / 15) * HOUR
  const midnight = Math.floor(solar / DAY) * DAY
  const day = dayOfYear(midnight)
  const half = halfDay(spot.latitude, day)
  if (half <= 0 || half >= Math.PI) return null
  const noon = midnight + 12 * HOUR - (spot.longitude / 15) * HOUR - sundialAhead(day) * HOUR
  const wide = (half / Math.PI) * 12 * HOUR
  return { rise: noon - wide, set: noon + wide }
}

/**
 * What the sun sends to the top of the air over a latitude on a day, as the water it could evaporate, mm a day. Source: handbook, soil store.
 *
 * @example evaporating(-20, 246) // 13.1: 32.2 MJ to the square metre
 */
export function evaporating(latitude: number, day: number): number {
  const near = 1 + 0.033 * Math.cos((2 * Math.PI * day) / 365)
  const tilt = declination(day)
  const half = halfDay(latitude, day)
  const phi = latitude * RAD
  const energy =
    ((24 * 60) / Math.PI) *
    0.082 *
    near *
    (half * Math.sin(phi) * Math.sin(tilt) + Math.cos(phi) * Math.cos(tilt) * Math.sin(half))
  return Math.max(0, 0.408 * energy)
}
