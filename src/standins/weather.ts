import { dateIn, hourIn } from '@/core/time/calendar'
import { toSI, type Speed, type Temperature } from '@/core/quantity/units'

/** An hour of weather at a place, from whichever service is behind the adapter. */
export interface WeatherHour {
  temperature: Temperature
  wind: Speed
  gust: Speed
  windFrom: string
  rainMm: number
  cloud: number
  /** Strength of the sun, 0–1. */
  sun: number
  sky: string
  soil: 'moist' | 'dry' | 'saturated'
  /** Shown beside every figure: this weather is made up. */
  simulated: true
}

/** A repeatable number in 0…1 from whole numbers. */
function chance(...keys: number[]): number {
  let h = 2166136261
  for (const k of keys) {
    h = Math.imul(h ^ (k & 0xffff), 16777619)
    h = Math.imul(h ^ (k >>> 16), 16777619)
    h ^= h >>> 13
  }
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

const POINTS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW']

/** Millimetres of rain on a day: about one day in four is wet. */
function rainOn(day: number): number {
  return chance(day, 11) < 0.26 ? 2 + 14 * chance(day, 12) : 0
}

/**
 * The simulated weather of an hour: zone 6, inland, the same every time. A season, a day's course, fronts of a few
 * days and showers; soil from the rain of the last eight days. Stands in for a weather service.
 */
export function simulatedWeather(timeZone: string, at: Date): WeatherHour {
  const date = dateIn(timeZone, at)
  const day = Math.floor(Date.parse(date) / 86_400_000)
  const hour = hourIn(timeZone, at)
  const dayOfYear = day - Math.floor(Date.parse(`${date.slice(0, 4)}-01-01`) / 86_400_000)
  const season = 50 + 24 * Math.cos(((dayOfYear - 200) / 365) * 2 * Math.PI)
  const front = 5 * Math.sin(day / 2.1) + 4 * (chance(day, 3) - 0.5)
  const course = 9 * Math.cos(((hour - 15) / 24) * 2 * Math.PI)
  const rainToday = rainOn(day)
  const wetHour = rainToday > 0 && Math.abs(hour - (11 + 8 * chance(day, 5))) < 2.5
  const recent = Array.from({ length: 8 }, (_, i) => rainOn(day - 1 - i) * (1 - i / 9)).reduce(
    (a, b) => a + b,
    0,
  )
  const windMph = Math.max(1, 3 + 4 * chance(day, 7) + 3 * Math.cos(((hour - 14) / 24) * 2 * Math.PI))
  const cloud = wetHour ? 0.95 : 0.15 + 0.5 * chance(day, Math.floor(hour / 3), 9)
  return {
    temperature: toSI(season + front + course - (wetHour ? 5 : 0), 'F'),
    wind: toSI(windMph, 'mph'),
    gust: toSI(windMph * 1.6, 'mph'),
    windFrom: POINTS[Math.floor(chance(day, 13) * 8)]!,
    rainMm: wetHour ? rainToday / 5 : 0,
    cloud,
    sun: Math.max(0, Math.cos(((hour - 13) / 14) * Math.PI)) * (1 - 0.8 * cloud),
    sky: wetHour ? 'rain' : cloud > 0.7 ? 'overcast' : cloud > 0.35 ? 'some cloud' : 'clear',
    soil: recent > 32 ? 'saturated' : recent > 1.2 ? 'moist' : 'dry',
    simulated: true,
  }
}
