import { toSI, type Length, type Speed, type Temperature } from '../quantity/units'

/** An hour as far as it wets or dries leaves. What is not known neither wets nor dries. */
export interface LeafHour {
  temperature?: Temperature
  rain?: Length
  wind?: Speed
  /** Strength of the sun, 0–1. */
  sun?: number
  /** Relative humidity, a share of one. */
  humidity?: number
}

/** Source of all figures here: handbook, wet leaves. */
const HUMID = 0.9
const DEW_APART: Temperature = 3.5 / 1.8
const DRYING_WIND = toSI(5, 'mph')
const DRIED_AFTER = { quick: 2, slow: 4 }
const TOGETHER_WITHIN = 8
/** Sun that dries, as a share of the strongest. House figure. */
const DRYING_SUN = 0.2

/**
 * The temperature at which air of a humidity is full, °C.
 * @example dewPoint(20, 0.5) // 9.3
 */
export function dewPoint(temperature: Temperature, humidity: number): Temperature {
  const g = Math.log(Math.max(0.01, humidity)) + (17.625 * temperature) / (243.04 + temperature)
  return (243.04 * g) / (17.625 - g)
}

/**
 * Which hours leaves are wet in: rain falls, the air is nearly full, or dew is near; and after rain until they are dry, two hours in sun
 * or wind, else four. Source: handbook, wet leaves.
 */
export function wetHours(hours: readonly LeafHour[]): boolean[] {
  const wet = hours.map(
    (h) =>
      (h.rain ?? 0) > 0 ||
      (h.humidity !== undefined &&
        (h.humidity >= HUMID ||
          (h.temperature !== undefined && h.temperature - dewPoint(h.temperature, h.humidity) < DEW_APART))),
  )
  const dries = (h: LeafHour | undefined) => (h?.sun ?? 0) > DRYING_SUN || (h?.wind ?? 0) > DRYING_WIND
  let rained = false
  for (let i = 0; i < hours.length; i++) {
    if (!wet[i]) {
      rained = false
      continue
    }
    if ((hours[i]!.rain ?? 0) > 0) rained = true
    if (!rained || i + 1 >= hours.length || wet[i + 1]) continue
    const quick = [1, 2].some((k) => dries(hours[i + k]))
    const last = Math.min(hours.length - 1, i + (quick ? DRIED_AFTER.quick : DRIED_AFTER.slow))
    // Rain that comes back before it is dry goes on wetting.
    let next = i + 1
    for (; next <= last && !wet[next]; next++) wet[next] = true
    i = next - 1
    if (wet[next] && next < hours.length) continue
    rained = false
  }
  return wet
}

export interface WetSpell {
  /** Index of its first and last wet hour. */
  from: number
  to: number
  /** Wet hours in it. */
  hours: number
  /** Mean of the wet hours whose temperature is known, °C; null where none is. */
  mean: Temperature | null
}

/** How many wet hours lie in a stretch, and how warm they were. */
export function wetWithin(
  hours: readonly LeafHour[],
  wet: readonly boolean[],
  from: number,
  to: number,
): Pick<WetSpell, 'hours' | 'mean'> {
  const counted = hours.slice(from, to + 1).filter((_, k) => wet[from + k])
  const known = counted.flatMap((h) => h.temperature ?? [])
  return {
    hours: counted.length,
    mean: known.length > 0 ? known.reduce((a, b) => a + b, 0) / known.length : null,
  }
}

/** Wet hours in spells; two belong together when less than eight dry hours lie between them. Source: handbook, wet leaves. */
export function wetSpells(hours: readonly LeafHour[], wet: readonly boolean[] = wetHours(hours)): WetSpell[] {
  const spells: { from: number; to: number }[] = []
  wet.forEach((isWet, i) => {
    if (!isWet) return
    const last = spells.at(-1)
    if (last && i - last.to - 1 < TOGETHER_WITHIN) {
      last.to = i
    } else spells.push({ from: i, to: i })
  })
  return spells.map(({ from, to }) => ({ from, to, ...wetWithin(hours, wet, from, to) }))
}
