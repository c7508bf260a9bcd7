import { ok, refuse, type Result } from '../problem'
import { showSpeed, showTemperature, type UnitSystem } from '../quantity/format'
import type { Speed, Temperature } from '../quantity/units'

export interface Weather {
  temperature: Temperature
  wind: Speed
}

/** What a gust or a sheltered corner can make of it, m/s; about 10 mph. */
const WIND_APART = 4.5
/** What sun, shade and a hill can make of it, kelvin; 20 °F. */
const WARMTH_APART = 100 / 9

/**
 * The weather a person notes, against what the nearest service has for that hour. Far apart, one of the two is a slip (45
 * for 4.5, °C for °F) and is asked about: a `doubt` at `wind` or `temperature`, unless that was answered. Noted as it
 * was said once it was.
 *
 * @example doubtWeather({ temperature: 20, wind: 20.1 }, { temperature: 20, wind: 1.8 }, 'us', []) // a doubt at wind
 */
export function doubtWeather(
  said: Weather,
  measured: Weather,
  units: UnitSystem,
  answered: readonly string[],
): Result<null> {
  if (Math.abs(said.wind - measured.wind) > WIND_APART && !answered.includes('wind'))
    return refuse(
      'doubt',
      'wind',
      `You noted a wind of ${showSpeed(said.wind, units)}; the service has ${showSpeed(measured.wind, units)} for this hour. Is it what you measured here?`,
    )
  if (Math.abs(said.temperature - measured.temperature) > WARMTH_APART && !answered.includes('temperature'))
    return refuse(
      'doubt',
      'temperature',
      `You noted ${showTemperature(said.temperature, units)}; the service has ${showTemperature(measured.temperature, units)} for this hour. Is it what you measured here?`,
    )
  return ok(null)
}
