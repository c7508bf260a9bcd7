import type { Length, Speed, Temperature } from '@/core/quantity/units'
import { sunHeight, type Spot } from '@/core/weather/sunlight'

/** An hour of made-up weather. */
export interface MadeHour {
  temperature: Temperature
  wind: Speed
  gust: Speed
  /** Degrees clockwise from north. */
  windFrom: number
  rain: Length
  cloud: number
  /** A share of one. */
  humidity: number
  /** Of rain, in a forecast hour; null for what was measured. */
  chance: number | null
}

/** A day to order: everything else stays as it would have been. */
export const ORDERS = ['storm', 'soak', 'frost', 'heat', 'still', 'fair'] as const
export type OrderKind = (typeof ORDERS)[number]

/** Which day, `2026-06-15` or every year’s `06-15`, by the sun’s own midnight at the place. */
export interface Order {
  date: string
  kind: OrderKind
}

const DAY_H = 24
/** Fronts come about so many hours apart. */
const FRONT_H = 101
/** A forecast is made anew so often, hours. */
const ISSUED_H = 6

/** A repeatable number in 0…1 from whole numbers. */
function chance(...keys: number[]): number {
  let h = 2166136261
  for (const k of keys) {
    h = Math.imul(h ^ (k & 0xffff), 16777619)
    h = Math.imul(h ^ (k >>> 16), 16777619)
    h ^= h >>> 13
    h = Math.imul(h, 0x5bd1e995)
  }
  h ^= h >>> 15
  return ((Math.imul(h, 0x27d4eb2d) ^ (h >>> 16)) >>> 0) / 4294967296
}

/** A smooth repeatable run between 0 and 1 over x. */
function smooth(seed: number, x: number): number {
  const at = Math.floor(x)
  const share = (1 - Math.cos((x - at) * Math.PI)) / 2
  return chance(seed, at) * (1 - share) + chance(seed, at + 1) * share
}

const bell = (x: number, width: number) => Math.exp(-((x / width) ** 2))

/** Air at a temperature holds so much, as a pressure, hPa. */
const holds = (t: number) => 6.1094 * Math.exp((17.625 * t) / (t + 243.04))

interface Front {
  /** Hours from the hour asked about until it comes; negative after it. */
  to: number
  k: number
  rain: 'none' | 'showers' | 'steady'
}

/** The fronts near an hour at a place, as they are, or as a forecast issued at an hour has them: the later, the less sure of the hour. */
function frontsNear({ longitude }: Spot, hour: number, issued: number | null): Front[] {
  // They come from the west.
  const own = hour - longitude * 0.9
  const here = Math.floor(own / FRONT_H)
  return [here - 1, here, here + 1].map((k) => {
    const comes = (k + 0.65 * chance(k, 1)) * FRONT_H
    const lead = issued === null ? 0 : Math.max(0, (comes - (issued - longitude * 0.9)) / DAY_H)
    const off =
      issued === null ? 0 : (chance(k, Math.floor(issued / ISSUED_H), 2) - 0.5) * Math.min(30, lead * 5)
    const sort = chance(k, 3)
    return { to: comes + off - own, k, rain: sort < 0.22 ? 'none' : sort < 0.6 ? 'showers' : 'steady' }
  })
}

/** The front’s rain in an hour, mm. */
function frontRain({ to, k, rain }: Front, hour: number): number {
  if (rain === 'steady' && to > -3 && to < 7) return (0.5 + 2.2 * chance(k, 4)) * bell(to - 2, 4)
  if (rain === 'showers' && to > -6 && to < 3 && chance(hour, k, 5) < 0.4)
    return 0.4 + 5 * chance(hour, k, 6) ** 2
  return 0
}

/**
 * The weather of an hour at a place, the same every time: a year by latitude, the sun’s own day, fronts from the west with steady rain or showers, wind
 * and a turn of it, afternoon showers in warm months, still clear nights. `hour`: whole hours since 1970. With `issued` an hour after it is as a forecast
 * made then had it: near days are nearly right, far ones are not, and each six hours bring another.
 */
export function madeHour(
  spot: Spot,
  hour: number,
  orders: readonly Order[] = [],
  issued: number | null = null,
): MadeHour {
  const forecast = issued !== null && hour > issued ? issued : null
  const lead = forecast === null ? 0 : (hour - forecast) / DAY_H
  const solar = hour + spot.longitude / 15
  const day = Math.floor(solar / DAY_H)
  const clock = solar - day * DAY_H
  const date = new Date(day * DAY_H * 3_600_000).toISOString().slice(0, 10)
  const order =
    orders.find((o) => o.date === date)?.kind ?? orders.find((o) => o.date === date.slice(5))?.kind
  const north = spot.latitude >= 0
  const steep = Math.abs(spot.latitude)
  const dayOfYear = (day % 365.2425) + (north ? 0 : 182.6)
  const zone = Math.round(spot.latitude / 6)
  const x = hour / DAY_H - spot.longitude * 0.04

  const fronts = frontsNear(spot, hour, forecast)
  const near = fronts.reduce((a, f) => (Math.abs(f.to) < Math.abs(a.to) ? f : a))
  const season = 30.2 - 0.43 * steep - 0.31 * steep * Math.cos(((dayOfYear - 20) / 365.2425) * 2 * Math.PI)
  const spell = 7 * (smooth(11 + zone, x / 3.4) - 0.5) + 4 * (smooth(31 + zone, x / 11) - 0.5)
  const passed = near.to < 0 ? -4.5 * bell(near.to, 40) : 1.5 * bell(near.to, 20)

  const showery = season + spell > 17 && chance(day, 7 + zone) < 0.13
  const unsure = forecast !== null && chance(day, Math.floor(forecast / ISSUED_H), 8) < lead / 14
  const burst =
    showery && !unsure && Math.abs(clock - (15 + 3 * chance(day, 9))) < 1 ? 2 + 9 * chance(day, 10) : 0
  let mm = Math.max(burst, ...fronts.map((f) => frontRain(f, hour)))
  if (mm < 0.1) mm = 0

  const veil = smooth(51 + zone, x * 1.6) ** 1.6
  let cloud = Math.min(
    1,
    Math.max(veil, near.rain === 'none' ? 0.6 * bell(near.to, 9) : bell(near.to - 1, 9)),
  )
  if (mm > 0) cloud = Math.max(0.9, cloud)
  const swing = (4 + 3 * chance(day, 12)) * (1 - 0.55 * cloud)
  const course = Math.cos(((clock - 15) / DAY_H) * 2 * Math.PI)
  const miss =
    forecast === null ? 0 : (chance(day, Math.floor(forecast / ISSUED_H), 13) - 0.5) * 2.4 * Math.sqrt(lead)
  let temperature = season + spell + passed + swing * course + miss - (mm > 0 ? 1.5 : 0)
  const shine = Math.max(0, sunHeight(spot, hour * 3_600_000))
  let wind =
    0.6 + 1.6 * smooth(71 + zone, x * 1.1) + 2.2 * shine * (1 - 0.4 * cloud) + 4.5 * bell(near.to + 2, 9)
  let gust = wind * (1.35 + 0.45 * smooth(91 + zone, x * 5))
  let windFrom = 215 + 40 * (smooth(111 + zone, x) - 0.5) + (near.to < 0 ? 85 * bell(near.to, 60) : 0)

  switch (order) {
    case 'storm':
      mm = clock >= 10 && clock < 17 ? 4 + 3 * chance(hour, 14) : mm
      wind = 5 + 6 * bell(clock - 13, 6)
      gust = wind * 1.8
      cloud = 0.97
      windFrom = 190
      break
    case 'soak':
      mm = clock >= 4 && clock < 20 ? 3.2 : mm
      cloud = 0.98
      break
    case 'frost':
      temperature = Math.min(temperature, 3.5 + 6 * course)
      mm = 0
      cloud = 0.05
      wind = Math.min(wind, 1)
      break
    case 'heat':
      temperature = Math.max(temperature, 31 + 6.5 * course)
      mm = 0
      cloud = 0.05
      break
    case 'still':
      wind = 0.5
      gust = 0.9
      cloud = 0.1
      mm = 0
      break
    case 'fair':
      wind = 1.4 + 1.6 * shine
      gust = wind * 1.5
      cloud = Math.min(cloud, 0.3)
      mm = 0
      break
    case undefined:
      break
  }

  const dew = Math.min(
    temperature,
    season + spell + 0.6 * passed - 8.5 + 4 * smooth(131 + zone, x / 2.3) + 3 * bell(near.to - 2, 14),
  )
  const humidity = mm > 0 ? Math.max(0.93, holds(dew) / holds(temperature)) : holds(dew) / holds(temperature)
  const round = (v: number, to: number) => Math.round(v * to) / to
  return {
    temperature: round(temperature, 10),
    wind: round(wind, 10),
    gust: round(Math.max(wind, gust), 10),
    windFrom: Math.round((windFrom + 360) % 360),
    rain: round(mm, 10) / 1000,
    cloud: round(cloud, 100),
    humidity: round(Math.min(1, Math.max(0.15, humidity)), 100),
    chance: forecast === null ? null : round(rainChance(mm, near, lead, showery), 100),
  }
}

/** How sure a forecast is of rain: surer of near days. */
function rainChance(mm: number, near: Front, lead: number, showery: boolean): number {
  if (mm > 0) return Math.max(0.45, 0.95 - 0.06 * lead)
  if (near.rain !== 'none' && Math.abs(near.to - 1) < 8 + 2 * lead) return Math.min(0.38, 0.2 + 0.04 * lead)
  return Math.min(0.25, (showery ? 0.2 : 0.03) + 0.01 * lead)
}
