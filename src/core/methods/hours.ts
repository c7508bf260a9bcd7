import { sameActive } from '../actives/actives'
import type { Method } from '../card/card'
import type { Soil } from '../dose/uptake'
import { ok, type Result } from '../problem'
import { readQuantity } from '../quantity/parse'
import { toSI, type Dimension, type SI } from '../quantity/units'
import {
  readingsFor,
  sprayHours,
  type ClosedReason,
  type SprayHour,
  type SprayLimits,
  type WeatherHour,
} from '../weather/sprayHours'
import type { UseOf } from './plan'

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

export interface WorkHour {
  time: string
  open: boolean
  reasons: HourReason[]
}

export interface Stretch {
  from: string
  hours: number
}

export interface WorkHours {
  hours: WorkHour[]
  /** The first stretch that is long enough. */
  next: Stretch | null
  /** The earliest longest stretch that is long enough. */
  best: Stretch | null
}

/** Nobody works before or after. House figures, hours of the wall clock. */
const DAY = { from: 5, to: 21 }
/** True for an hour of the wall clock in which nobody works. `atNight('2026-06-12T04:00')` */
export function atNight(time: string): boolean {
  const clock = Number(time.slice(11, 13))
  return clock < DAY.from || clock >= DAY.to
}

/** Oil burns until it is dry, sulfur works as vapour: so long it must not get hotter. Source: handbook, weather gates. */
const COOL_HOURS: readonly (readonly [active: string, hours: number])[] = [
  ['horticultural oil', 6],
  ['citrus oil', 6],
  ['sulfur', 36],
]
/** What sun is too strong for, as a share of the strongest. House figure. */
const STRONG_SUN = 0.6
/** A cut waits for dry bark and a dry day to come. House figures. */
const DRY_AFTER_CUT = 24
const DRY_BEFORE_CUT = 4
/** Without a figure on the card, half an inch of rain within a day carries a drench away. Source: handbook, weather gates. */
const MOST_RAIN = toSI(0.5, 'in')
/** A forecast hour that is as likely as this to rain counts as rain. Source: handbook, rain forecast. */
const LIKELY = 0.4
/** What such an hour is taken to bring where the forecast says no amount. */
const SOME_RAIN = toSI(0.01, 'in')

/**
 * Which hours work by a use may be done in, why the others are closed, and the next and the longest stretch that is long enough; null where
 * weather sets nothing. By the card’s own limits for a crown spray, a drench, an injection; of cuts and other ground work by
 * the defaults of the handbook. An hour that likely rains counts as rain, one of which too little is known is closed. `need`: whole hours. Problems as {@link sprayHours}.
 *
 * @example workHours(use, actives, forecast, 2).value?.next // { from: '2026-06-12T06:00', hours: 4 }
 */
export function workHours(
  use: UseOf<Method>,
  actives: readonly { name: string }[],
  forecast: readonly ForecastHour[],
  need: number,
): Result<WorkHours | null> {
  const hours = withLikelyRain(forecast)
  const own = ownReasons(use, hours)
  const limits = limitsOf(use, actives)
  if (own === null && limits === null && !hours.some((h) => h.shut)) return ok(null)
  const held = heldHours(hours, own, limits, need)
  if (!held.ok) return held
  const all = held.value
  const open = stretches(all).filter((s) => s.reasons.length === 0 && s.hours >= Math.max(1, need))
  const most = Math.max(0, ...open.map((s) => s.hours))
  const plain = (s: Stretch | undefined) => (s ? { from: s.from, hours: s.hours } : null)
  return ok({ hours: all, next: plain(open[0]), best: plain(open.find((s) => s.hours === most)) })
}

/** What a spray keeps where its card says nothing else. Source: handbook, weather gates. */
export const USUAL_SPRAY = {
  minWind: toSI(2, 'mph'),
  maxWind: toSI(10, 'mph'),
  maxGust: toSI(15, 'mph'),
  rainFastHours: 2,
} as const satisfies SprayLimits

/** Which hours a spray may go out in by the usual limits, for a look at the days ahead before any card is chosen. Problems as {@link sprayHours}. */
export function usualSprayHours(forecast: readonly ForecastHour[]): Result<WorkHour[]> {
  const hours = withLikelyRain(forecast)
  return hours.length === 0 ? ok([]) : heldHours(hours, airAndLeaves(hours), USUAL_SPRAY, 1)
}

const withLikelyRain = (forecast: readonly ForecastHour[]) =>
  forecast.map((h) => ((h.chance ?? 0) >= LIKELY && !((h.rain ?? 0) > 0) ? { ...h, rain: SOME_RAIN } : h))

/** What bark sprays keep, which cards do not write down by themselves. Source: handbook, bark spray. */
const BARK_SPRAY = {
  minTemperature: toSI(40, 'F'),
  maxWind: USUAL_SPRAY.maxWind,
  maxGust: USUAL_SPRAY.maxGust,
  rainFastHours: 12,
} as const satisfies SprayLimits

/** Hours held against what ground, leaves and air set, against limits, and the night. */
function heldHours(
  hours: readonly ForecastHour[],
  own: HourReason[][] | null,
  limits: SprayLimits | null,
  need: number,
): Result<WorkHour[]> {
  let sprayed: SprayHour[] | null = null
  const needed = limits === null ? [] : [...readingsFor(limits)]
  const lacks = hours.map((h) => needed.some((reading) => h[reading] === undefined))
  if (limits !== null) {
    // An hour that is not known is closed for that, and says nothing of those before it.
    const whole = hours.map((h, i) =>
      lacks[i] ? { ...h, ...Object.fromEntries(needed.map((r) => [r, h[r] ?? MILD[r]])) } : h,
    )
    const read = sprayHours({ hours: whole, limits, need })
    if (!read.ok) return read
    sprayed = read.value.hours
  }
  return ok(
    hours.map((hour, i): WorkHour => {
      const reasons: HourReason[] = [
        ...(atNight(hour.time) ? (['night'] as const) : []),
        ...(hour.shut ? (['site'] as const) : []),
        ...(own?.[i] ?? []),
        ...(lacks[i] ? (['not known'] as const) : (sprayed?.[i]?.reasons ?? [])),
      ]
      return { time: hour.time, open: reasons.length === 0, reasons }
    }),
  )
}

/** Stands where a reading is not known; the hour itself is closed. */
const MILD = { temperature: 20, wind: 2, gust: 3, rain: 0, sun: 0 } as const

/** The limits of a card in its own words, read. */
function limitsOf(use: UseOf<Method>, actives: readonly { name: string }[]): SprayLimits | null {
  const si = <D extends Dimension>(text: string | undefined, dimension: D): SI[D] | undefined => {
    if (text === undefined) return undefined
    const read = readQuantity(text, dimension, dimension)
    return read.ok ? read.value.si : undefined
  }
  if (use.method === 'trunk-injection')
    return {
      minTemperature: si(use.terms.temperature.least, 'temperature'),
      maxTemperature: si(use.terms.temperature.most, 'temperature'),
    }
  if (use.method === 'bark-spray') return BARK_SPRAY
  if (use.method !== 'crown-spray') return null
  const { terms } = use
  const maxTemperature = si(terms.temperature.most, 'temperature')
  const cool = Math.max(
    0,
    ...COOL_HOURS.flatMap(([active, h]) => (actives.some((a) => sameActive(a.name, active)) ? [h] : [])),
  )
  return {
    minTemperature: si(terms.temperature.least, 'temperature'),
    maxTemperature,
    ...(cool > 0 && maxTemperature !== undefined && { coolHours: cool }),
    minWind: si(terms.wind.least, 'speed'),
    maxWind: si(terms.wind.most, 'speed'),
    maxGust: si(terms.wind.gust, 'speed'),
    rainFastHours: terms.rainFastHours,
    noFreezeHours: terms.noFreezeHours,
    ...(terms.strongSun === false && { maxSun: STRONG_SUN }),
  }
}

/** What the ground and the bark set, hour by hour; null where they set nothing. */
function ownReasons(use: UseOf<Method>, hours: readonly ForecastHour[]): HourReason[][] | null {
  const rain = (from: number, to: number) =>
    hours.slice(Math.max(0, from), to).reduce((sum, h) => sum + (h.rain ?? 0), 0)
  const ground = (soil: Soil): HourReason[] =>
    soil === 'frozen' ? ['frozen'] : soil === 'saturated' ? ['saturated'] : []
  switch (use.method) {
    case 'soil-drench': {
      const most = use.terms.mostRainComing
        ? readQuantity(use.terms.mostRainComing, 'length', 'mostRainComing')
        : null
      const bound = most?.ok ? most.value.si : MOST_RAIN
      return hours.map((h, i) => [
        ...ground(h.soil),
        ...(rain(i, i + 24) > bound ? (['rain to come'] as const) : []),
      ])
    }
    case 'soil-injection':
    case 'trenches':
    case 'collar':
      return hours.map((h) => ground(h.soil))
    case 'trunk-injection':
      return hours.map((h) => (h.soil === 'dry' ? ['dry'] : h.soil === 'frozen' ? ['frozen'] : []))
    case 'prune':
      return hours.map((_, i) =>
        rain(i - DRY_BEFORE_CUT, i + 1) > 0
          ? ['wet bark']
          : rain(i + 1, i + 1 + DRY_AFTER_CUT) > 0
            ? ['rain to come']
            : [],
      )
    case 'crown-spray':
      return airAndLeaves(hours)
    case 'bark-spray':
      return hours.map((h, i) =>
        !((h.rain ?? 0) > 0) && rain(i - DRY_BEFORE_CUT, i) > 0 ? ['wet bark'] : [],
      )
    case 'release':
      return coolDays(use.terms['warm'], hours)
    default:
      return null
  }
}

/** Helpers are set free on days that reach a warmth, °F; of a day whose warmth is not known nothing is said. */
function coolDays(warm: string | number | undefined, hours: readonly ForecastHour[]): HourReason[][] {
  const least = toSI(Number(warm), 'F')
  const reached = new Map<string, number>()
  for (const { time, temperature } of hours)
    if (temperature !== undefined)
      reached.set(time.slice(0, 10), Math.max(reached.get(time.slice(0, 10)) ?? -Infinity, temperature))
  return hours.map(({ time }) => ((reached.get(time.slice(0, 10)) ?? Infinity) < least ? ['cold'] : []))
}

/** What wet leaves and still air set for a spray; rain says for itself that leaves are wet. */
const airAndLeaves = (hours: readonly ForecastHour[]): HourReason[][] =>
  hours.map((h) => [
    ...(h.wet && !((h.rain ?? 0) > 0) ? (['wet leaves'] as const) : []),
    ...(h.inversion ? (['inversion'] as const) : []),
  ])

/** Hours that follow one another and are closed for the same reasons, or open, as one stretch. */
export function stretches(
  hours: readonly WorkHour[],
): { from: string; hours: number; reasons: HourReason[] }[] {
  const found: { from: string; hours: number; reasons: HourReason[] }[] = []
  for (const { time, reasons } of hours) {
    const last = found.at(-1)
    if (last && last.reasons.join() === reasons.join()) last.hours += 1
    else found.push({ from: time, hours: 1, reasons })
  }
  return found
}
