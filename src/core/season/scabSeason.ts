import { coverLeft } from '../spray/cover'
import { toSI, type Length } from '../quantity/units'
import type { UnitSystem } from '../quantity/format'
import { wetHours, wetSpells, wetWithin, type WetSpell } from '../weather/wetness'
import type { PlaceHour, RainHour } from '../weather/placeDays'
import { RIPENS_ABOVE, scabSpells, type ScabSpell } from './scab'
import { degreeDaysOf } from './degreeDays'

const HOUR = 3_600_000
/** Rain that lets spores out, and the hours of the day in which it does. Source: handbook, scab; the hours are a house figure. */
const LETS_OUT: Length = toSI(0.01, 'in')
const DAY = { from: 6, to: 20 }
/** The primary season ends so long after petal fall. Source: handbook, apple scab. */
export const AFTER_PETAL_FALL_DAYS = 42
/** New leaves in a season of shoot growth, per cent of all a day. House figure. */
const GROWTH_PER_DAY = 4

/** A protective spray that went on. */
export interface Cover {
  /** When, epoch ms. */
  at: number
  /** Rain after which nothing is left. */
  washOff: Length
  rainFastHours: number
  /** Days the label keeps between two. */
  leastDays: number
  /** It goes by rain alone, not by leaves that grow. */
  rainOnly?: boolean
}

export interface CoverNow {
  /** Per cent that is left at the beginning of each hour from the newest spray on, by the hour's instant. */
  left: { at: number; percent: number }[]
  renewBy: number | null
  renewFrom: number | null
}

/**
 * What is left of the newest cover at each hour, over hours that follow one another. Rain that is not known washes nothing off. Null where no
 * cover went on before the last hour. Source: handbook, wash-off and repeats.
 */
export function coverOver(hours: readonly RainHour[], covers: readonly Cover[]): CoverNow | null {
  const last = hours.at(-1)
  if (!last) return null
  const went = covers.filter((c) => c.at <= last.at).sort((a, b) => a.at - b.at)
  if (went.length === 0) return null
  const left: CoverNow['left'] = []
  let renewBy: number | null = null
  let renewFrom: number | null = null
  for (const [i, c] of went.entries()) {
    const until = went[i + 1]?.at ?? Infinity
    const own = hours.filter((h) => h.at >= c.at && h.at < until)
    if (own.length === 0) continue
    const found = coverLeft(
      c.at,
      own.map((h) => ({ at: h.at, rain: h.rain ?? 0 })),
      {
        washOff: c.washOff,
        rainFastHours: c.rainFastHours,
        growthPerDay: c.rainOnly ? 0 : GROWTH_PER_DAY,
        threshold: 50,
        minDays: c.leastDays,
      },
    )
    for (const l of found.left) left.push(l)
    renewBy = found.renewBy
    renewFrom = found.renewFrom
  }
  return { left, renewBy, renewFrom }
}

/**
 * The wet spells of the primary season of scab, from green tip until six weeks after petal fall, each with its verdict. `hours` follow one another.
 * Source: handbook, apple scab.
 */
export function scabSeason(
  hours: readonly PlaceHour[],
  covers: readonly Cover[],
  units: UnitSystem = 'us',
): (ScabSpell & { fromAt: number; toAt: number; measured: boolean })[] {
  const wet = wetHours(hours)
  const spells = wetSpells(hours, wet)
  const left = new Map(coverOver(hours, covers)?.left.map((l) => [l.at, l.percent]) ?? [])
  // Warmth since the first hour, by the hour.
  const sums: number[] = []
  let sum = 0
  for (const h of hours) {
    if (h.temperature !== undefined)
      sum +=
        degreeDaysOf({ min: h.temperature, max: h.temperature }, { method: 'average', base: RIPENS_ABOVE }) /
        24
    sums.push(sum)
  }
  return scabSpells(spells, {
    sinceOut: (s) => sinceOut(s, hours, wet),
    ripeSum: (s) => sums[s.from]!,
    coverAt: (s) => left.get(hours[s.from]!.at) ?? null,
    units,
  }).map((s) => ({
    ...s,
    fromAt: hours[s.from]!.at,
    toAt: hours[s.to]!.at + HOUR,
    measured: hours[s.to]!.measured,
  }))
}

/** The wet hours of a spell since rain by day let spores out; what fell at night counts from sunrise. Null where too little fell, as of dew. */
function sinceOut(
  { from, to }: WetSpell,
  hours: readonly PlaceHour[],
  wet: readonly boolean[],
): Pick<WetSpell, 'hours' | 'mean'> | null {
  let fallen = 0
  let out: number | null = null
  for (let i = from; i <= to && out === null; i++) {
    fallen += hours[i]!.rain ?? 0
    const hour = Number(hours[i]!.time.slice(11, 13))
    if (fallen >= LETS_OUT && hour >= DAY.from && hour < DAY.to) out = i
  }
  return out === null ? null : wetWithin(hours, wet, out, to)
}
