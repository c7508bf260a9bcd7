import { toSI, type Dimension, type Length, type SI } from '../quantity/units'
import { readQuantity } from '../quantity/parse'
import type { Soil } from '../dose/uptake'
import type { ClosedReason, SprayLimits, WeatherHour } from '../weather/sprayHours'

/** An hour of a forecast, with the state of the soil. */
export interface ForecastHour extends WeatherHour {
  soil: Soil
  /** Of rain, 0–1. */
  chance?: number
  /** Leaves are wet. */
  wet?: boolean
  /** The air near the ground likely does not mix. */
  inversion?: boolean
  /** Nothing is done at the site in it. */
  shut?: boolean
}

/** Why an hour is closed: the weather’s own reasons, the ground, or that nobody works then. */
export type HourReason =
  | ClosedReason
  | 'frozen'
  | 'saturated'
  | 'dry'
  | 'rain to come'
  | 'wet bark'
  | 'wet leaves'
  | 'inversion'
  | 'night'
  | 'site'
  | 'not known'

/** Each reason in the words of a crew. */
export const HOUR_REASON: Record<HourReason, string> = {
  calm: 'too still',
  cold: 'too cold',
  freeze: 'frost in the hours after',
  gust: 'gusts',
  hot: 'too hot, then or in the hours after',
  rain: 'rain, or before it is dry',
  sun: 'strong sun',
  wind: 'too windy',
  frozen: 'frozen soil',
  saturated: 'soil full of water',
  dry: 'dry soil',
  'rain to come': 'too much rain to come',
  'wet bark': 'wet bark',
  'wet leaves': 'wet leaves',
  inversion: 'air that does not mix',
  night: 'night',
  site: 'outside the hours of the site',
  'not known': 'the weather is not known',
}

/** What a spray keeps where its card says nothing else. Source: handbook, weather gates. */
export const USUAL_SPRAY = {
  minWind: toSI(2, 'mph'),
  maxWind: toSI(10, 'mph'),
  maxGust: toSI(15, 'mph'),
  rainFastHours: 2,
} as const satisfies SprayLimits

/** A figure of a card in its own words, read; undefined where it has none. `ofCard('50 F', 'temperature')` is 10 */
export function ofCard<D extends Dimension>(text: string | undefined, dimension: D): SI[D] | undefined {
  if (text === undefined) return undefined
  const read = readQuantity(text, dimension, dimension)
  return read.ok ? read.value.si : undefined
}

/** Rain over a stretch of hours, the last not counted. */
export function rainIn(hours: readonly ForecastHour[], from: number, to: number): Length {
  return hours.slice(Math.max(0, from), to).reduce((sum, h) => sum + (h.rain ?? 0), 0)
}

/** Ground that is dug into or poured on is neither frozen nor full of water. */
export const groundHours = (hours: readonly ForecastHour[]): HourReason[][] =>
  hours.map(({ soil }) => (soil === 'frozen' || soil === 'saturated' ? [soil] : []))

/** A cut or a spray on bark waits so many hours after rain. House figure. */
export const DRY_BARK_HOURS = 4

/** What wet leaves and still air set for a spray; rain says for itself that leaves are wet. */
export const airAndLeaves = (hours: readonly ForecastHour[]): HourReason[][] =>
  hours.map((h) => [
    ...(h.wet && !((h.rain ?? 0) > 0) ? (['wet leaves'] as const) : []),
    ...(h.inversion ? (['inversion'] as const) : []),
  ])
