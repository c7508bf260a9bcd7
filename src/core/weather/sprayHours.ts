import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import type { Length, Speed, Temperature } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import type { Working } from '../working/working'
import { spokenDate } from '../time/calendar'
import { wallClock } from '../time/wallClock'

/** One hour of weather. What a limit asks for must be there. */
export interface WeatherHour {
  /** Local wall-clock time, `2026-05-04T06:00`. */
  time: string
  temperature?: Temperature
  wind?: Speed
  gust?: Speed
  rain?: Length
  /** Strength of the sun, 0–1. */
  sun?: number
  cloud?: number
}

export interface SprayLimits {
  minTemperature?: Temperature
  maxTemperature?: Temperature
  /** Below this the air is too still: spray hangs and drifts where nobody looks. */
  minWind?: Speed
  maxWind?: Speed
  maxGust?: Speed
  /** Hours after this one in which it must not get hotter than `maxTemperature`: oil about 6, sulfur 36. */
  coolHours?: number
  /** Dry hours after this one that the spray needs. */
  rainFastHours?: number
  maxSun?: number
  /** Hours after this one without frost. */
  noFreezeHours?: number
}

export type ClosedReason = 'calm' | 'cold' | 'freeze' | 'gust' | 'hot' | 'rain' | 'sun' | 'wind'

export interface SprayHour {
  time: string
  open: boolean
  /** True when a look ahead ran past the end of the data. */
  short: boolean
  /** In alphabetical order. */
  reasons: ClosedReason[]
}

export interface SprayHours {
  hours: SprayHour[]
  /** The earliest longest run of open hours that is at least as long as needed. */
  best: { from: string; hours: number } | null
  working: Working
}

export interface SprayHoursInput {
  hours: WeatherHour[]
  limits: SprayLimits
  need: number
  units?: UnitSystem
}

type Reading = 'temperature' | 'wind' | 'gust' | 'rain' | 'sun'
/** Which reading each limit needs. */
const NEEDS: Record<keyof SprayLimits, Reading> = {
  minTemperature: 'temperature',
  maxTemperature: 'temperature',
  minWind: 'wind',
  maxWind: 'wind',
  maxGust: 'gust',
  rainFastHours: 'rain',
  maxSun: 'sun',
  noFreezeHours: 'temperature',
  coolHours: 'temperature',
}

const HOUR = 3_600_000

/**
 * Which hours a spray may go out in, why the others are closed, and the best run of open ones.
 *
 * An hour is open if every limit given holds for it, its edges included. Rain: none in the hour nor in the next
 * `rainFastHours`. Freeze: no temperature at or below 32 °F in the hour nor in the next `noFreezeHours`. Heat: not above
 * `maxTemperature` in the hour nor in the next `coolHours`, for what burns until it is dry (oil) or works as vapour (sulfur). Past the end of
 * the data only what there is is looked at, and the hour is marked `short`. Hours must follow one another.
 * Problems: `missing` (no hours; a reading a limit needs), `bad-quantity` (a time that is none), `out-of-range` (hours
 * that do not follow, limits upside down, readings that cannot be).
 * Source: handbook, weather for sprays.
 * @example sprayHours({ hours, limits: { maxWind: toSI(10, 'mph') }, need: 2 }).value.best // { from: '…T06:00', hours: 5 }
 */
export function sprayHours(input: SprayHoursInput): Result<SprayHours> {
  const wrong = checkLimits(input) ?? checkHours(input)
  if (wrong) return wrong
  const { hours, limits } = input
  const ahead = Math.max(
    lookAhead(limits.rainFastHours),
    lookAhead(limits.noFreezeHours),
    lookAhead(limits.coolHours),
  )
  const wet = nextWhere(hours, (h) => (h.rain ?? 0) > 0)
  const frost = nextWhere(hours, (h) => (h.temperature ?? 99) <= NOISE)
  const heat = nextWhere(
    hours,
    (h) => limits.maxTemperature !== undefined && h.temperature! > limits.maxTemperature + NOISE,
  )
  const looked = hours.map((hour, i): SprayHour => {
    const reasons = reasonsOf(hour, limits)
    if (limits.rainFastHours !== undefined && wet[i]! - i <= lookAhead(limits.rainFastHours))
      reasons.push('rain')
    if (limits.noFreezeHours !== undefined && frost[i]! - i <= lookAhead(limits.noFreezeHours))
      reasons.push('freeze')
    if (!reasons.includes('hot') && heat[i]! - i <= lookAhead(limits.coolHours)) reasons.push('hot')
    return {
      time: hour.time,
      open: reasons.length === 0,
      short: i + ahead > hours.length - 1,
      reasons: reasons.sort(),
    }
  })
  const best = longestRun(looked, input.need)
  return ok({ hours: looked, best, working: workingOf(input, looked, best) })
}

/** The hours a look ahead reaches; a part of an hour counts whole. */
function lookAhead(hours: number | undefined): number {
  return hours === undefined ? 0 : Math.ceil(hours - NOISE)
}

/** For every hour the index of the first hour from it on where `is` holds. */
function nextWhere(hours: WeatherHour[], is: (hour: WeatherHour) => boolean): number[] {
  const next = new Array<number>(hours.length)
  let at = Infinity
  for (let i = hours.length - 1; i >= 0; i--) {
    if (is(hours[i]!)) at = i
    next[i] = at
  }
  return next
}

function reasonsOf(hour: WeatherHour, limits: SprayLimits): ClosedReason[] {
  const below = (value: number, limit: number | undefined) => limit !== undefined && value < limit - NOISE
  const above = (value: number, limit: number | undefined) => limit !== undefined && value > limit + NOISE
  const reasons: ClosedReason[] = []
  if (below(hour.temperature!, limits.minTemperature)) reasons.push('cold')
  if (above(hour.temperature!, limits.maxTemperature)) reasons.push('hot')
  if (below(hour.wind!, limits.minWind)) reasons.push('calm')
  if (above(hour.wind!, limits.maxWind)) reasons.push('wind')
  if (above(hour.gust!, limits.maxGust)) reasons.push('gust')
  if (above(hour.sun!, limits.maxSun)) reasons.push('sun')
  return reasons
}

function longestRun(hours: SprayHour[], need: number): SprayHours['best'] {
  let best: SprayHours['best'] = null
  let from = 0
  for (let i = 0; i <= hours.length; i++) {
    if (hours[i]?.open) continue
    const length = i - from
    if (length > 0 && length >= need && length > (best?.hours ?? 0))
      best = { from: hours[from]!.time, hours: length }
    from = i + 1
  }
  return best
}

function checkLimits({ limits, need }: SprayHoursInput) {
  if (!(need >= 1 && Number.isInteger(need) && need <= 1000))
    return refuse('out-of-range', 'need', 'The hours needed must be a whole number from 1 to 1,000.')
  for (const field of ['rainFastHours', 'noFreezeHours', 'coolHours'] as const)
    if (limits[field] !== undefined && !(limits[field] >= 0 && limits[field] <= 1000))
      return refuse('out-of-range', `limits.${field}`, 'The hours to look ahead must be from 0 to 1,000.')
  if (limits.coolHours !== undefined && limits.maxTemperature === undefined)
    return refuse(
      'missing',
      'limits.maxTemperature',
      'Hours to stay cool need the temperature they must stay under; give it.',
    )
  for (const field of ['minWind', 'maxWind', 'maxGust'] as const)
    if (limits[field] !== undefined && !(limits[field] >= 0))
      return refuse('out-of-range', `limits.${field}`, 'A wind limit cannot be below zero.')
  if (limits.maxSun !== undefined && !(limits.maxSun >= 0 && limits.maxSun <= 1))
    return refuse('out-of-range', 'limits.maxSun', 'The sun limit is a share from 0 to 1.')
  if ((limits.minTemperature ?? -Infinity) > (limits.maxTemperature ?? Infinity))
    return refuse(
      'out-of-range',
      'limits.maxTemperature',
      'The highest temperature is below the lowest; change them over.',
    )
  if ((limits.minWind ?? -Infinity) > (limits.maxWind ?? Infinity))
    return refuse('out-of-range', 'limits.maxWind', 'The most wind is below the least; change them over.')
  return null
}

/** What must be known of an hour to hold it against limits. */
export function readingsFor(limits: SprayLimits): Set<Reading> {
  return new Set(
    (Object.keys(NEEDS) as (keyof SprayLimits)[]).filter((l) => limits[l] !== undefined).map((l) => NEEDS[l]),
  )
}

function checkHours({ hours, limits }: SprayHoursInput) {
  if (hours.length === 0) return refuse('missing', 'hours', 'There is no hour; give at least one.')
  const needed = readingsFor(limits)
  let before: number | null = null
  for (const [i, hour] of hours.entries()) {
    const at = wallClock(hour.time)
    if (at === null)
      return refuse('bad-quantity', `hours[${i}].time`, 'A time is written as 2026-05-04T06:00; check it.')
    if (before !== null && at !== before + HOUR)
      return refuse(
        'out-of-range',
        `hours[${i}].time`,
        'Each hour must be one hour after the one before; give every hour once, in order.',
      )
    before = at
    for (const field of needed)
      if (hour[field] === undefined)
        return refuse(
          'missing',
          `hours[${i}].${field}`,
          `The limits need the ${field} of every hour; give it.`,
        )
    for (const field of ['wind', 'gust', 'rain'] as const)
      if (hour[field] !== undefined && !(hour[field] >= 0))
        return refuse('out-of-range', `hours[${i}].${field}`, `The ${field} cannot be below zero.`)
    for (const field of ['sun', 'cloud'] as const)
      if (hour[field] !== undefined && !(hour[field] >= 0 && hour[field] <= 1))
        return refuse('out-of-range', `hours[${i}].${field}`, `The ${field} is a share from 0 to 1.`)
    if (hour.temperature !== undefined && !(hour.temperature >= -90 && hour.temperature <= 60))
      return refuse(
        'out-of-range',
        `hours[${i}].temperature`,
        'That is no temperature of the air; check the unit.',
      )
  }
  return null
}

function workingOf(
  { limits, need, units = 'us' }: SprayHoursInput,
  hours: SprayHour[],
  best: SprayHours['best'],
): Working {
  const said: string[] = []
  const t = (c: Temperature) => shown(c, 'F', units, 1)
  const w = (s: Speed) => shown(s, 'mph', units, 1)
  if (limits.minTemperature !== undefined) said.push(`from ${t(limits.minTemperature)}`)
  if (limits.maxTemperature !== undefined) said.push(`to ${t(limits.maxTemperature)}`)
  if (limits.minWind !== undefined) said.push(`wind from ${w(limits.minWind)}`)
  if (limits.maxWind !== undefined) said.push(`wind to ${w(limits.maxWind)}`)
  if (limits.maxGust !== undefined) said.push(`gusts to ${w(limits.maxGust)}`)
  if (limits.rainFastHours !== undefined) said.push(`${limits.rainFastHours} dry hours after`)
  if (limits.maxSun !== undefined) said.push(`sun to ${limits.maxSun}`)
  if (limits.noFreezeHours !== undefined) said.push(`${limits.noFreezeHours} hours without frost`)
  if (limits.coolHours !== undefined) said.push(`${limits.coolHours} hours no hotter after`)
  const why = new Map<string, number>()
  for (const hour of hours) for (const r of hour.reasons) why.set(r, (why.get(r) ?? 0) + 1)
  const shut = [...why].sort().map(([r, n]) => `${r} ${n}`)
  return [
    {
      label: 'Open hours',
      expression: said.length ? said.join(', ') : 'no limit given',
      result: `${hours.filter((h) => h.open).length} of ${hours.length}`,
      source: 'label',
    },
    {
      label: 'Closed by',
      expression: shut.length ? shut.join(', ') : 'nothing',
      result: `${hours.filter((h) => !h.open).length} hours`,
    },
    {
      label: 'Best run',
      expression: `the earliest of the longest with at least ${need} h`,
      result: best
        ? `${best.hours} h from ${spokenDate(best.from.slice(0, 10))}, ${best.from.slice(11, 16)}`
        : 'none',
    },
  ]
}
