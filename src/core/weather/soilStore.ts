import { toSI, type Length, type Temperature } from '../quantity/units'
import { evaporating } from './sunlight'
import type { Soil } from '../dose/uptake'
import type { PlainDate } from '../time/calendar'

export type Texture = 'sand' | 'loam' | 'clay'

/** What the top eight inches hold between wilting and full. Source: handbook, soil store. */
export const SOIL_HOLDS: Record<Texture, Length> = {
  sand: toSI(0.9, 'in'),
  loam: toSI(1.6, 'in'),
  clay: toSI(1.9, 'in'),
}
const UNDER_CROWN = 0.8
const SATURATED = { share: 0.95, rain: toSI(0.8, 'in') }
const DRY = 0.4
const FROZEN_DAYS = 5

/** A day of weather. */
export interface SoilDay {
  date: PlainDate
  min: Temperature
  max: Temperature
  rain: Length
}

/**
 * What a full meadow of leaves uses on a day, m of water. Source: handbook, soil store.
 * @example waterUse(42, { date: '2026-06-12', min: 14, max: 27, rain: 0 }) // 0.0055
 */
export function waterUse(latitude: number, { date, min, max }: Omit<SoilDay, 'rain'>): Length {
  const day = Math.round((Date.parse(date) - Date.parse(`${date.slice(0, 4)}-01-01`)) / 86_400_000) + 1
  const use =
    0.0023 * evaporating(latitude, day) * ((min + max) / 2 + 17.8) * Math.sqrt(Math.max(0, max - min))
  return Math.max(0, use) / 1000
}

/**
 * The store of the top of the soil, day by day, and what the ground is like: rain fills it and what passes runs through, leaves and sun
 * use it up. `probes` are readings of a probe as a share of what it holds; each sets the store on its day. Without one it begins full.
 * Days must follow one another. Source: handbook, soil store.
 */
export function soilStore(
  days: readonly SoilDay[],
  {
    latitude,
    texture = 'loam',
    underCrown = true,
    probes = [],
  }: {
    latitude: number
    texture?: Texture
    underCrown?: boolean
    probes?: readonly { date: PlainDate; share: number }[]
  },
): { date: PlainDate; share: number; soil: Soil }[] {
  const holds = SOIL_HOLDS[texture]
  const probed = new Map(probes.map((p) => [p.date, p.share]))
  let store = holds
  let soaked = false
  return days.map((day, i) => {
    const filled = Math.min(holds, store + day.rain)
    store = Math.max(0, filled - waterUse(latitude, day) * (underCrown ? UNDER_CROWN : 1))
    const probe = probed.get(day.date)
    if (probe !== undefined) store = Math.max(0, Math.min(1, probe)) * holds
    const soaking = filled / holds > SATURATED.share && day.rain > SATURATED.rain
    const wet = probe === undefined && (soaking || soaked)
    soaked = soaking && probe === undefined
    const last = days.slice(Math.max(0, i + 1 - FROZEN_DAYS), i + 1)
    const cold =
      last.length === FROZEN_DAYS && last.reduce((sum, d) => sum + (d.min + d.max) / 2, 0) / FROZEN_DAYS <= 0
    const share = store / holds
    return {
      date: day.date,
      share,
      soil: cold ? 'frozen' : wet ? 'saturated' : share < DRY ? 'dry' : 'moist',
    }
  })
}
