import { ok, refuse, type Result } from '../problem'
import { plain, type UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { toSI, type Length } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import { sayWallClock, wallClock } from '../time/wallClock'
import type { Working } from '../working/working'

const HOUR = 3_600_000
const DAY = 24 * HOUR

/** More rain than this before a film is dry takes it off. Source: handbook, wash-off. */
const BEFORE_DRY: Length = toSI(0.1, 'in')

/** What a film is held by. */
export interface CoverTerms {
  /** Rain after which nothing is left. */
  washOff: Length
  rainFastHours: number
  /** Per cent of the leaves that are new each day. */
  growthPerDay: number
  /** Renewed below so many per cent. */
  threshold: number
  /** Days the label keeps between two. */
  minDays: number
}

export interface CoverInput extends CoverTerms {
  /** Wall-clock time at which it was put on. */
  applied: string
  /** Ascending; each the hour that begins at `time`. */
  hours: { time: string; rain: Length }[]
  units?: UnitSystem
}

export interface Cover {
  /** At the end of each hour from `applied` on. */
  cover: { time: string; percent: number }[]
  /** The first hour below the threshold. */
  renewBy: string | null
  /** The later of that and the end of the label's days. */
  renewFrom: string | null
  washedBeforeDry: boolean
  working: Working
}

/**
 * How much of a film is left at the end of each hour from `applied` on, by instants or by a wall clock alike, ms: the rule of `cover`, for hours that ascend
 * and terms that can be. `renewBy`: the first hour below the threshold, null where there is none; `renewFrom`: not before the label's days are over.
 *
 * @example coverLeft(0, [{ at: 0, rain: 0 }], terms).left[0].percent // 99.83 where 4 % grow a day
 */
export function coverLeft(
  applied: number,
  hours: readonly { at: number; rain: Length }[],
  terms: CoverTerms,
): {
  left: { at: number; percent: number }[]
  renewBy: number | null
  renewFrom: number | null
  rain: Length
  washed: boolean
} {
  let rain = 0
  let washed = false
  const left: { at: number; percent: number }[] = []
  for (const hour of hours) {
    rain += hour.rain
    if (hour.at < applied + terms.rainFastHours * HOUR && rain > BEFORE_DRY * (1 + NOISE)) washed = true
    const days = (hour.at + HOUR - applied) / DAY
    left.push({
      at: hour.at,
      percent: washed
        ? 0
        : 100 * Math.max(0, 1 - rain / terms.washOff) * Math.max(0, 1 - (terms.growthPerDay / 100) * days),
    })
  }
  const renewBy = left.find((c) => c.percent < terms.threshold - NOISE)?.at ?? null
  const renewFrom = renewBy === null ? null : Math.max(renewBy, applied + terms.minDays * DAY)
  return { left, renewBy, renewFrom, rain, washed }
}

/**
 * How much of a protective film is left, hour by hour: what the rain since has not washed off, of what was there before new
 * leaves grew. Rain of more than a tenth of an inch in all before it is dry takes it off for good. Problems: `missing` without
 * hours, `bad-quantity` for times that are none, `out-of-range` for hours that do not ascend and figures that cannot be.
 * Source: handbook, wash-off and repeats.
 *
 * @example cover({ applied: '2026-05-04T07:00', hours, washOff: toSI(1, 'in'), growthPerDay: 4, … }).value.cover[0].percent // 99.83
 */
export function cover(input: CoverInput): Result<Cover> {
  const applied = wallClock(input.applied)
  if (applied === null)
    return refuse('bad-quantity', 'applied', 'The time it was put on is no time such as 2026-05-04T07:00.')
  for (const [field, name, least, most] of [
    ['washOff', 'The rain that washes it off', Number.MIN_VALUE, 10],
    ['rainFastHours', 'The hours until it is dry', 0, 1000],
    ['growthPerDay', 'The growth a day', 0, 100],
    ['threshold', 'The threshold', 0, 100],
    ['minDays', 'The days between two', 0, 3660],
  ] as const)
    if (!(input[field] >= least && input[field] <= most))
      return refuse('out-of-range', field, `${name} cannot be that; check the number and the unit.`)
  if (input.hours.length === 0)
    return refuse('missing', 'hours', 'There is no hour of weather; give at least one.')
  let before = -Infinity
  const hours: { at: number; time: string; rain: Length }[] = []
  for (const [i, hour] of input.hours.entries()) {
    const at = wallClock(hour.time)
    if (at === null)
      return refuse('bad-quantity', `hours[${i}].time`, 'This is no time such as 2026-05-04T07:00.')
    if (at <= before)
      return refuse('out-of-range', `hours[${i}].time`, 'The hours must ascend, each once; sort them.')
    if (!(hour.rain >= 0)) return refuse('out-of-range', `hours[${i}].rain`, 'Rain cannot be below zero.')
    before = at
    if (at >= applied) hours.push({ at, ...hour })
  }
  const units = input.units ?? 'us'
  const { rain, washed, left, renewBy, renewFrom } = coverLeft(applied, hours, input)
  const last = left.at(-1)
  // An hour is said as it was given.
  const given = new Map(hours.map((h) => [h.at, h.time]))
  const said = (at: number | null) => (at === null ? null : (given.get(at) ?? sayWallClock(at)))
  return ok({
    cover: left.map(({ percent }, i) => ({ time: hours[i]!.time, percent })),
    renewBy: said(renewBy),
    renewFrom: said(renewFrom),
    washedBeforeDry: washed,
    working: [
      {
        label: 'Rain since it was put on',
        expression: `${hours.length} hours`,
        result: shown(rain, 'in', units),
      },
      {
        label: 'Cover at the end',
        expression: washed
          ? `more than ${shown(BEFORE_DRY, 'in', units)} fell before it was dry`
          : `(1 − ${shown(rain, 'in', units)} ÷ ${shown(input.washOff, 'in', units)}) × (1 − ${plain(input.growthPerDay, 1)} % × ${plain(last ? (last.at + HOUR - applied) / DAY : 0, 1)} days)`,
        result: `${plain(last?.percent ?? 100, 1)} %`,
      },
    ],
  })
}
