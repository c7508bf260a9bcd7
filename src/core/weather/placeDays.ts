import { addDays, dateIn, type PlainDate } from '../time/calendar'
import { sayWallClock } from '../time/wallClock'
import { beginOf, offsetIn } from '../time/zone'
import type { Length, Temperature } from '../quantity/units'
import type { WeatherHour } from './sprayHours'
import { sunHeight, type Spot } from './sunlight'

const HOUR = 3_600_000
/** What a closed sky leaves of the sun. */
const THROUGH_CLOUD = 0.25

/** What a weather service tells, one entry an hour: °C, m/s, degrees, mm, shares of one. A missing entry is not known. */
export const TOLD = [
  'temperature',
  'wind',
  'gust',
  'windFrom',
  'rain',
  'cloud',
  'humidity',
  'chance',
] as const
export type Columns = Partial<Record<(typeof TOLD)[number], (number | null)[]>>

/** Between these a figure can be; others are not known. Units as told. */
const CAN_BE: Record<(typeof TOLD)[number], readonly [number, number]> = {
  temperature: [-90, 60],
  wind: [0, 110],
  gust: [0, 140],
  windFrom: [0, 360],
  rain: [0, 400],
  cloud: [0, 1],
  humidity: [0, 1],
  chance: [0, 1],
}

/** A day of a place on its own calendar, as it is kept. */
export interface PlaceDay {
  date: PlainDate
  /** Its first whole hour, epoch ms. */
  begins: number
  /** Hours before this are measured, epoch ms. */
  knownUntil: number
  hours: Columns
}

/** What a day comes to; null where it is not known for every hour of it. */
export interface DayWeather {
  date: PlainDate
  min: Temperature | null
  max: Temperature | null
  rain: Length | null
}

/** An hour at a place. */
export interface PlaceHour extends WeatherHour {
  at: number
  windFrom?: number
  humidity?: number
  /** Of rain, 0–1; of forecast hours. */
  chance?: number
  measured: boolean
}

/** The rain of an hour. */
export type RainHour = Pick<PlaceHour, 'at' | 'rain'>

/** The rain of a kept day, hour by hour; mm as it is told, null where none is kept. */
export function rainHours({
  begins,
  rain,
}: {
  begins: number
  rain: readonly (number | null)[] | null
}): RainHour[] {
  return (rain ?? []).map((mm, i) => ({
    at: begins + i * HOUR,
    rain: mm === null ? undefined : mm / 1000,
  }))
}

/** Hours that follow one another from an instant on, parted into the days of a time zone. Figures that cannot be become not known. */
export function partDays(told: Columns, from: number, knownUntil: number, timeZone: string): PlaceDay[] {
  const length = Math.max(0, ...Object.values(told).map((c) => c.length))
  const first = Math.ceil(from / HOUR) * HOUR
  const end = first + length * HOUR
  const days: PlaceDay[] = []
  for (let at = first; at < end;) {
    const date = dateIn(timeZone, new Date(at))
    const until = Math.min(end, Math.ceil(beginOf(timeZone, addDays(date, 1)) / HOUR) * HOUR)
    const [i, n] = [(at - first) / HOUR, (until - at) / HOUR]
    const hours: Columns = {}
    for (const key of TOLD) {
      const column = told[key]
      if (!column) continue
      const [least, most] = CAN_BE[key]
      hours[key] = Array.from({ length: n }, (_, k) => {
        const v = column[i + k]
        return typeof v === 'number' && v >= least && v <= most ? v : null
      })
    }
    days.push({ date, begins: at, knownUntil, hours })
    at = until
  }
  return days
}

/** What a day comes to. `hours`: how many it has. */
export function dayWeather({ date, hours }: Pick<PlaceDay, 'date' | 'hours'>, count: number): DayWeather {
  const whole = (column: (number | null)[] | undefined) =>
    column?.length === count && column.every((v) => v !== null) ? column : null
  const temperatures = whole(hours.temperature)
  const rain = whole(hours.rain)
  return {
    date,
    min: temperatures && Math.min(...temperatures),
    max: temperatures && Math.max(...temperatures),
    rain: rain && rain.reduce((a, b) => a + b, 0) / 1000,
  }
}

/** The hours of a kept day, with the strength of the sun by its height and the cloud. */
export function placeHours(day: PlaceDay, spot: Spot, timeZone: string): PlaceHour[] {
  const { hours } = day
  const length = Math.max(0, ...Object.values(hours).map((c) => c.length))
  const known = (key: keyof Columns, i: number) => hours[key]?.[i] ?? undefined
  // Asked of every hour only on the day on which the clock is changed.
  const [first, last] = [0, length - 1].map((i) => offsetIn(timeZone, day.begins + i * HOUR))
  const offset = (at: number) => (first === last ? first! : offsetIn(timeZone, at))
  return Array.from({ length }, (_, i) => {
    const at = day.begins + i * HOUR
    const rain = known('rain', i)
    const cloud = known('cloud', i)
    const sun = Math.max(0, sunHeight(spot, at + HOUR / 2))
    return {
      at,
      time: sayWallClock(at + offset(at)),
      temperature: known('temperature', i),
      wind: known('wind', i),
      gust: known('gust', i),
      windFrom: known('windFrom', i),
      rain: rain === undefined ? undefined : rain / 1000,
      cloud,
      humidity: known('humidity', i),
      chance: known('chance', i),
      sun: sun * (1 - (1 - THROUGH_CLOUD) * (cloud ?? 0)),
      measured: at < day.knownUntil,
    }
  })
}

const POINTS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const
export type WindPoint = (typeof POINTS)[number]

/** The nearest of eight points of the compass. `windPoint(200)` is 'S'. */
export function windPoint(degrees: number): WindPoint {
  return POINTS[((Math.round(degrees / 45) % 8) + 8) % 8]!
}

/** The sky in a word. */
export function skyOf({ rain, cloud }: Pick<PlaceHour, 'rain' | 'cloud'>): string {
  if ((rain ?? 0) > 0) return 'rain'
  if (cloud === undefined) return 'not known'
  return cloud > 0.7 ? 'overcast' : cloud > 0.35 ? 'some cloud' : 'clear'
}
