import { type PutOnMethod, isHand } from './names'
import type { Method } from '../card/card'
import { ok, type Result } from '../problem'
import { toSI } from '../quantity/units'
import { readingsFor, sprayHours, type SprayHour, type SprayLimits } from '../weather/sprayHours'
import type { HandTerms } from './byHand'
import { handMethod } from './hand'
import { airAndLeaves, USUAL_SPRAY, type ForecastHour, type HourReason } from './hourReasons'
import type { PutOn } from './parts'
import type { UseOf } from './plan'
import { putOnMethod } from './putOn'

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
  const { own, limits } = isHand(use.method)
    ? { own: handMethod(use.method).hours?.(use.terms as HandTerms, hours) ?? null, limits: null }
    : setBy(putOnMethod(use.method), use as UseOf<PutOnMethod>, actives, hours)
  if (own === null && limits === null && !hours.some((h) => h.shut)) return ok(null)
  const held = heldHours(hours, own, limits, need)
  if (!held.ok) return held
  const all = held.value
  const open = stretches(all).filter((s) => s.reasons.length === 0 && s.hours >= Math.max(1, need))
  const most = Math.max(0, ...open.map((s) => s.hours))
  const plain = (s: Stretch | undefined) => (s ? { from: s.from, hours: s.hours } : null)
  return ok({ hours: all, next: plain(open[0]), best: plain(open.find((s) => s.hours === most)) })
}

/** What a method and its card set for hours. */
function setBy(
  method: PutOn<PutOnMethod>,
  use: UseOf<PutOnMethod>,
  actives: readonly { name: string }[],
  hours: readonly ForecastHour[],
) {
  return { own: method.hours?.(use, hours) ?? null, limits: method.limits?.(use, actives) ?? null }
}

/** Which hours a spray may go out in by the usual limits, for a look at the days ahead before any card is chosen. Problems as {@link sprayHours}. */
export function usualSprayHours(forecast: readonly ForecastHour[]): Result<WorkHour[]> {
  const hours = withLikelyRain(forecast)
  return hours.length === 0 ? ok([]) : heldHours(hours, airAndLeaves(hours), USUAL_SPRAY, 1)
}

const withLikelyRain = (forecast: readonly ForecastHour[]) =>
  forecast.map((h) => ((h.chance ?? 0) >= LIKELY && !((h.rain ?? 0) > 0) ? { ...h, rain: SOME_RAIN } : h))

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
