import type { Soil } from '@/core/dose/uptake'
import type { ForecastHour } from '@/core/methods/hourReasons'
import { shutIn, type SiteHours } from '@/core/roster/siteHours'
import { addDays, dateIn } from '@/core/time/calendar'
import { sayWallClock, wallClock } from '@/core/time/wallClock'
import {
  placeHours,
  rainHours,
  skyOf,
  windPoint,
  type PlaceHour,
  type RainHour,
} from '@/core/weather/placeDays'
import { inversionLikely } from '@/core/weather/inversion'
import { wetHours } from '@/core/weather/wetness'
import { soilStore } from '@/core/weather/soilStore'
import {
  cellName,
  rainOfSites,
  spotOf,
  weatherOfSite,
  weatherReadings,
  weatherOfTown,
  type WeatherDayRow,
  type WeatherPlace,
  type WeatherReadingRow,
  type WeatherSpan,
} from '@/db/queries/weather'
import type { Reading } from '../verb'
import { refreshWeather } from './refresh'

const HOUR = 3_600_000
/** Hours that a bench and a job look ahead. */
export const HOURS_AHEAD = 72
/** Older than this, what is kept is asked for anew. */
const FRESH_MS = HOUR
/** The soil's store is followed over so many days. */
const SOIL_DAYS = 60
const DAYS_AHEAD = 10
/** What was read at a site holds so long. */
const READING_HOLDS_MS = HOUR
/** A page waits so long for the first weather of a place, then goes on without. */
const FIRST_MS = 400

/** An hour in the words of a crew. */
export interface HourNow {
  temperature: number
  wind: number
  /** Null where it was read at the site. */
  windFrom: string | null
  /** Null where only a reading at the site is known. */
  sky: string | null
  soil: Soil
  /** Who read it at the site, and when; null where a service said it. */
  readBy: { name: string; at: number } | null
}

/** What is known of the weather at a place. */
export interface KnownWeather {
  /** When what is kept was asked for, epoch ms on the firm's clock; null where nothing is. */
  askedAt: number | null
  madeUp: boolean
  /** Null where neither the site nor its firm says where it lies. */
  place: WeatherPlace | null
  readonly hours: PlaceHour[]
  days: WeatherDayRow[]
  soilOn: (date: string) => Soil | null
  /** The hour an instant lies in; null where it is not known. */
  at: (instant: Date) => HourNow | null
}

/** The weather of a site, or of the firm's town (null): what is kept, at once. Where that is old it is asked for anew, and nobody waits for it. */
export async function knownWeather(
  { sql, person, now }: Pick<Reading, 'sql' | 'person' | 'now'>,
  siteId: string | null,
  further: Partial<WeatherSpan> = {},
): Promise<KnownWeather> {
  const today = dateIn(person.timeZone, now)
  const span = {
    from: addDays(today, -SOIL_DAYS),
    to: addDays(today, DAYS_AHEAD + 1),
    hoursFrom: addDays(today, -2),
    hoursTo: addDays(today, DAYS_AHEAD + 1),
    ...further,
  }
  const read = () => (siteId === null ? weatherOfTown(sql, span) : weatherOfSite(sql, siteId, span))
  const first = await read()
  const { place } = first
  let { days } = first
  if (place) {
    if (!isFresh(days, now)) {
      const asking = refreshWeather(person.firmId, place, now)
      const covers = days.some(
        (d) => d.hours && d.begins <= now.getTime() && now.getTime() < d.begins + 24 * HOUR,
      )
      if (!covers) {
        await Promise.race([asking, new Promise((done) => setTimeout(done, FIRST_MS).unref())])
        days = (await read()).days
      }
    }
  }
  const readings =
    siteId === null ? [] : await weatherReadings(sql, siteId, new Date(now.getTime() - 2 * READING_HOLDS_MS))
  return weatherOf(place, days, readings)
}

/**
 * The rain of several sites from a day on, by site, as far as it is kept; sites of one square share theirs. Nobody waits for what is asked for anew.
 */
export async function knownRain(
  { sql, person, now }: Pick<Reading, 'sql' | 'person' | 'now'>,
  siteIds: string[],
  from: string,
): Promise<Map<string, RainHour[]>> {
  const to = addDays(dateIn(person.timeZone, now), DAYS_AHEAD + 1)
  const byCell = new Map<string, RainHour[]>()
  const bySite = new Map<string, RainHour[]>()
  for (const { siteId, place, days } of await rainOfSites(sql, siteIds, { from, to })) {
    const cell = cellName(place)
    let rain = byCell.get(cell)
    if (!rain) {
      if (!isFresh(days, now)) void refreshWeather(person.firmId, place, now)
      rain = days.flatMap((d) => rainHours(d))
      byCell.set(cell, rain)
    }
    bySite.set(siteId, rain)
  }
  return bySite
}

/** What was asked for long after now, as a demo's clock was moved back, says nothing of how fresh the rest is. */
function isFresh(days: readonly Pick<WeatherDayRow, 'askedAt'>[], now: Date): boolean {
  return days.some((d) => Math.abs(now.getTime() - d.askedAt) <= FRESH_MS)
}

/** What kept days say. */
export function weatherOf(
  place: WeatherPlace | null,
  days: WeatherDayRow[],
  /** Read at the site, the newest first. */
  readings: readonly WeatherReadingRow[] = [],
): KnownWeather {
  const spot = place && spotOf(place)
  const hoursOf = (own: readonly WeatherDayRow[]) =>
    spot
      ? own.flatMap((d) => (d.hours ? placeHours({ ...d, hours: d.hours }, spot, place.timeZone) : []))
      : []
  let hours: PlaceHour[] | null = null
  /** What was read at the site stands in the hour it was read in. */
  const asRead = (all: PlaceHour[]) =>
    readings.length === 0
      ? all
      : all.map((h) => {
          const read = readings.find((r) => r.at >= h.at && r.at < h.at + HOUR)
          return read ? { ...h, temperature: read.temperatureC, wind: read.windMs } : h
        })
  const whole = days.flatMap((d) =>
    d.min === null || d.max === null || d.rain === null
      ? []
      : [{ date: d.date, min: d.min, max: d.max, rain: d.rain }],
  )
  let soils: Map<string, Soil> | null = null
  const soilOn = (date: string) => {
    soils ??= new Map(spot ? soilStore(whole, { latitude: spot.latitude }).map((s) => [s.date, s.soil]) : [])
    return soils.get(date) ?? null
  }
  return {
    askedAt: days.length > 0 ? Math.max(...days.map((d) => d.askedAt)) : null,
    madeUp: days.some((d) => d.madeUp),
    place,
    // Most views look at one hour of one day.
    get hours() {
      return (hours ??= asRead(hoursOf(days)))
    },
    days,
    soilOn,
    at: (instant) => {
      // A day on which the clock is changed has up to 25 hours.
      const near = days.filter(
        (d) => d.begins <= instant.getTime() && instant.getTime() < d.begins + 26 * HOUR,
      )
      const hour = hoursOf(near).find((h) => h.at <= instant.getTime() && instant.getTime() < h.at + HOUR)
      const read = readings.find(
        (r) => r.at <= instant.getTime() && instant.getTime() < r.at + READING_HOLDS_MS,
      )
      if (!read && (!hour || hour.temperature === undefined || hour.wind === undefined)) return null
      return {
        temperature: read?.temperatureC ?? hour!.temperature!,
        wind: read?.windMs ?? hour!.wind!,
        windFrom: read ? null : windPoint(hour!.windFrom ?? 0),
        sky: hour ? skyOf(hour) : null,
        soil: (hour && soilOn(hour.time.slice(0, 10))) ?? 'moist',
        readBy: read ? { name: read.by, at: read.at } : null,
      }
    },
  }
}

/**
 * Hours of a forecast as work is held against them: from an instant’s own hour on, each wall-clock hour once, so that they follow one another; ends where
 * the weather is not known. Where the clock leaves an hour out, the one before stands for it.
 */
export function hoursAhead(
  weather: KnownWeather,
  now: Date,
  count: number,
  /** When work may be done at the site; null for any time. */
  site: readonly SiteHours[] | null = null,
): ForecastHour[] {
  const found: ForecastHour[] = []
  const spot = weather.place && spotOf(weather.place)
  const wet = wetHours(weather.hours)
  let last: PlaceHour | null = null
  for (const [i, hour] of weather.hours.entries()) {
    if (hour.at <= now.getTime() - HOUR || (last && hour.time <= last.time)) continue
    if (last && hour.at > last.at + 2 * HOUR) break
    const wall = wallClock(hour.time)!
    const gap = last ? wall - wallClock(last.time)! : HOUR
    if (gap === 2 * HOUR) found.push({ ...found.at(-1)!, time: sayWallClock(wall - HOUR) })
    found.push({
      time: hour.time,
      temperature: hour.temperature,
      wind: hour.wind,
      gust: hour.gust,
      rain: hour.rain,
      sun: hour.sun,
      cloud: hour.cloud,
      chance: hour.chance,
      wet: wet[i],
      inversion: spot !== null && inversionLikely(spot, hour.at + HOUR / 2, hour),
      soil: weather.soilOn(hour.time.slice(0, 10)) ?? 'moist',
      ...(site !== null && shutIn(site, hour.time) && { shut: true }),
    })
    last = hour
    if (found.length >= count) break
  }
  return found
}
