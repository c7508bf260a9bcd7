import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { fromSI, toSI, type Area, type Length, type Mass, type Volume } from '../quantity/units'
import { measureTrunk, type StemInput } from '../trunk/trunk'
import type { Working } from '../working/working'
import { activeOf, rateOf, rateWords, type RateChoice, type RateRange } from './drench'

export interface BarkInput {
  stems: StemInput[]
  /** Product per inch of diameter. */
  rate: RateRange
  choice?: RateChoice
  /** How high the band goes from the soil line. */
  bandHeight: Length
  /** Active ingredient, kg per m³ of product. */
  strength: number
  units?: UnitSystem
}

export interface Bark {
  product: Volume
  perStem: Volume[]
  /** Bark that is wetted, all stems together. */
  bandArea: Area
  activeIngredient: Mass
  /** Inches of diameter, all stems added up. */
  inches: number
  working: Working
}

/** No band goes higher than a person with a wand reaches. */
export const HIGHEST_BAND = toSI(20, 'ft')

/**
 * Product of a basal bark spray: each stem on its own, by inch of its diameter, and the bark of the band from the soil line
 * up. Problems: `missing` (no stems), `out-of-range` (rates, a band of no height or above 20 ft, no strength).
 * Source: handbook, bark spray.
 * @example bark({ stems: [{ diameter: toSI(9, 'in') }], rate: { low: toSI(1, 'fl oz'), high: toSI(2, 'fl oz') },
 *   bandHeight: toSI(5, 'ft'), strength: 95.9 }) // 9 fl oz on 11.78 ft²
 */
export function bark(input: BarkInput): Result<Bark> {
  const units = input.units ?? 'us'
  const trunk = measureTrunk(input.stems, 12, units)
  if (!trunk.ok) return trunk
  const rate = rateOf(input.rate, input.choice, 'rate')
  if (!rate.ok) return rate
  if (!(input.bandHeight > 0 && input.bandHeight <= HIGHEST_BAND))
    return refuse(
      'out-of-range',
      'bandHeight',
      `The band must be higher than zero and at most ${shown(HIGHEST_BAND, 'ft', units, 0)}; check the number and the unit.`,
    )
  const { stems, summedDiameter } = trunk.value
  const perStem = stems.map((s) => fromSI(s.diameter, 'in') * rate.value)
  const product = perStem.reduce((sum, v) => sum + v, 0)
  const bandArea = stems.reduce((sum, s) => sum + Math.PI * s.diameter * input.bandHeight, 0)
  const inches = fromSI(summedDiameter, 'in')
  const active = activeOf(product, input.strength, units)
  if (!active.ok) return active
  const oz = (v: Volume) => shown(v, 'fl oz', units)
  const working: Working = trunk.value.working.filter((s) => !/^(Critical|Equivalent|Summed)/.test(s.label))
  for (const [i, volume] of perStem.entries())
    working.push({
      label: stems.length > 1 ? `Product for stem ${i + 1}` : 'Product',
      expression: `${shown(stems[i]!.diameter, 'in', units)} × ${rateWords(rate.value, units)}`,
      result: oz(volume),
      source: 'label',
    })
  if (stems.length > 1)
    working.push({
      label: 'Product for all stems',
      expression: perStem.map(oz).join(' + '),
      result: oz(product),
    })
  working.push(
    {
      label: 'Bark to wet',
      expression: `3.1416 × ${shown(summedDiameter, 'in', units)} × ${shown(input.bandHeight, 'ft', units)}`,
      result: shown(bandArea, 'ft2', units),
      source: 'label',
    },
    active.value.step,
  )
  return ok({ product, perStem, bandArea, activeIngredient: active.value.mass, inches, working })
}
