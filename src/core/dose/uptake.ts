import { ok, refuse, type Result } from '../problem'
import { plain, showTemperature, type UnitSystem } from '../quantity/format'
import { toSI, type Temperature } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import type { Working } from '../working/working'

export type Wood = 'ring-porous' | 'semi-ring-porous' | 'diffuse-porous' | 'conifer'
export type Soil = 'moist' | 'dry' | 'saturated' | 'frozen'

/** Wood factors; semi-ring-porous lies between its neighbours. */
const WOOD: Record<Wood, number> = {
  'ring-porous': 0.8,
  'semi-ring-porous': 0.9,
  'diffuse-porous': 1.0,
  conifer: 1.8,
}
const SOIL: Record<Exclude<Soil, 'frozen'>, number> = { moist: 1.0, dry: 2.0, saturated: 1.4 }

const F = (f: number) => toSI(f, 'F')

export interface UptakeInput {
  /** The label's base time, seconds. */
  base: { from: number; to: number }
  wood: Wood
  soil: Soil
  temperature: Temperature
  /** The label's own limits, which bind where they are narrower. */
  limits?: { least: Temperature; most: Temperature }
  units?: UnitSystem
  sources?: { label?: string; weather?: string }
}

/**
 * How long the ports of an injection will take to empty: base × wood × soil × temperature.
 * Refused (`not-allowed`) below 45 °F, above 95 °F, outside the label's own limits and on frozen soil.
 * @returns seconds from–to, with the working.
 * @example estimateUptake({ base: { from: 1200, to: 2400 }, wood: 'ring-porous', soil: 'moist', temperature: 21 })
 * // 960–1920 s: 16 to 32 min
 */
export function estimateUptake(input: UptakeInput): Result<{ from: number; to: number; working: Working }> {
  const { temperature: t, units = 'us' } = input
  const shown = showTemperature(t, units)
  if (input.soil === 'frozen')
    return refuse(
      'not-allowed',
      'soil',
      'The soil is frozen and the tree draws nothing; wait for the thaw and leaf.',
    )
  if (t < F(45))
    return refuse(
      'not-allowed',
      'temperature',
      `It is ${shown}; below ${showTemperature(F(45), units)} a trunk takes nothing up. Wait for a warmer hour.`,
    )
  if (t > F(95))
    return refuse(
      'not-allowed',
      'temperature',
      `It is ${shown}; above ${showTemperature(F(95), units)} leaves close. Come back in the morning.`,
    )
  const label = input.sources?.label ?? 'the label'
  if (input.limits && t < input.limits.least - NOISE)
    return refuse(
      'not-allowed',
      'temperature',
      `It is ${shown}; ${label} begins at ${showTemperature(input.limits.least, units)}. Wait for a warmer hour.`,
    )
  if (input.limits && t > input.limits.most + NOISE)
    return refuse(
      'not-allowed',
      'temperature',
      `It is ${shown}; ${label} ends at ${showTemperature(input.limits.most, units)}. Come back in a cooler hour.`,
    )
  const warmth = t < F(55) ? 2.2 : t < F(65) || t > F(85) ? 1.4 : 1.0
  const wood = WOOD[input.wood]
  const soil = SOIL[input.soil]
  const factor = wood * soil * warmth
  const from = input.base.from * factor
  const to = input.base.to * factor
  const minutes = (s: number) => plain(s / 60, 0)
  return ok({
    from,
    to,
    working: [
      {
        label: 'Base time',
        expression: `${minutes(input.base.from)}–${minutes(input.base.to)} min`,
        result: `${minutes(input.base.from)}–${minutes(input.base.to)} min`,
        source: 'label',
        from: input.sources?.label,
      },
      {
        label: 'Wood, soil, warmth',
        expression: `${input.wood} ${wood} × ${input.soil} soil ${soil} × ${shown} ${warmth}`,
        result: `× ${plain(factor)}`,
        source: 'handbook',
        from: input.sources?.weather,
      },
      {
        label: 'Expected uptake',
        expression: `${minutes(input.base.from)}–${minutes(input.base.to)} min × ${plain(factor)}`,
        result: `${minutes(from)}–${minutes(to)} min`,
      },
    ],
  })
}

/**
 * How an hour is for an injection into a kind of wood, against the label's own time: good, slow, or closed where nothing
 * is taken up. `uptakeOutlook('ring-porous', { soil: 'dry', temperature: 21 })` is 'slow'.
 */
export function uptakeOutlook(
  wood: Wood,
  hour: { soil: Soil; temperature: Temperature },
): 'good' | 'slow' | 'closed' {
  const uptake = estimateUptake({ base: { from: 1, to: 1 }, wood, ...hour })
  if (!uptake.ok) return 'closed'
  return uptake.value.from > 1 ? 'slow' : 'good'
}
