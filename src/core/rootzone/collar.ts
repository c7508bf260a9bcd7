import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import type { Length, Volume } from '../quantity/units'
import type { Working } from '../working/working'

/** Deeper than this no flare is dug for by hand, metres (6 ft). */
const DEEPEST = 1.83

/**
 * The soil lifted off a flare: a ring from the bark out, as deep as it was probed on average. Problems: `missing` without any
 * depth, `out-of-range` for one that cannot be.
 * Source: handbook, root collar excavation.
 *
 * @example annulus(toSI(20, 'in'), toSI(18, 'in'), [toSI(4, 'in')], 'us').value.soil // 0.101 m³, 3.6 ft³ … of a 38 in wide ring
 */
export function annulus(
  diameter: Length,
  out: Length,
  depths: readonly Length[],
  units: UnitSystem,
): Result<{ soil: Volume; working: Working }> {
  if (depths.length === 0)
    return refuse('missing', 'north', 'Probe the soil over the flare on at least one side.')
  const tooDeep = depths.find((d) => !(d >= 0 && d <= DEEPEST))
  if (tooDeep !== undefined)
    return refuse(
      'out-of-range',
      'north',
      `${shown(tooDeep, 'in', units)} of soil over a flare is deeper than anything that is dug by hand; check the unit.`,
    )
  const mean = depths.reduce((a, b) => a + b, 0) / depths.length
  const r = diameter / 2
  const area = Math.PI * ((r + out) ** 2 - r ** 2)
  const soil = area * mean
  return ok({
    soil,
    working: [
      {
        label: 'Soil over the flare, on average',
        expression: depths.map((d) => shown(d, 'in', units)).join(', '),
        result: shown(mean, 'in', units),
      },
      {
        label: 'Soil to lift',
        expression: `3.1416 × ((${shown(r, 'in', units)} + ${shown(out, 'in', units)})² − (${shown(r, 'in', units)})²) × ${shown(mean, 'in', units)}`,
        result: shown(soil, 'ft3', units, 1),
      },
    ],
  })
}
