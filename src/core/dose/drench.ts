import { refuse, ok, type Result } from '../problem'
import { type UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { fromSI, type Length, type Mass, type Volume } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import { measureTrunk, type StemInput } from '../trunk/trunk'
import type { Working } from '../working/working'

/** A rate range of a label, m³ of product per inch of the basis. */
export interface RateRange {
  low: Volume
  high: Volume
}

/** `low`, `high`, or a share 0–1 between them. */
export type RateChoice = 'low' | 'high' | number

export interface DrenchInput {
  stems: StemInput[]
  /** Whether the label's inch is one of diameter or of girth: mixing them up is a threefold error. */
  basis: 'diameter' | 'girth'
  /** One diameter for several stems: the same wood area, or all added up. */
  multiStem: 'equivalent' | 'sum'
  rate: RateRange
  choice?: RateChoice
  /** Rates for trunks whose diameter is more than `above`. */
  tiers?: ({ above: Length } & RateRange)[]
  /** Water by girth; the last row may be open. */
  water?: { girthUpTo?: Length; volume: Volume }[]
  /** Active ingredient, kg per m³ of product. */
  strength?: number
  units?: UnitSystem
}

export interface Drench {
  product: Volume
  water?: Volume
  activeIngredient?: Mass
  /** Inches of the basis. */
  inches: number
  working: Working
}

/**
 * The rate a choice takes from a label's range. Problems: `out-of-range` for a rate of nothing, a range upside down,
 * or a choice outside 0–1.
 * @example rateOf({ low: 1, high: 3 }, 0.5, 'rate') // 2
 */
export function rateOf(rate: RateRange, choice: RateChoice | undefined, field: string): Result<number> {
  if (!(rate.low > 0)) return refuse('out-of-range', `${field}.low`, 'The low rate must be more than zero.')
  if (rate.high < rate.low)
    return refuse('out-of-range', `${field}.high`, 'The high rate is below the low rate; change them over.')
  const share = choice === 'high' ? 1 : typeof choice === 'number' ? choice : 0
  if (!(share >= 0 && share <= 1))
    return refuse('out-of-range', 'choice', 'The choice between the rates must lie from 0 (low) to 1 (high).')
  return ok(share === 1 ? rate.high : rate.low + (rate.high - rate.low) * share)
}

/**
 * Product, water and active ingredient of a soil drench.
 *
 * The rate counts inches of diameter or of girth, as `basis` says. The tier with the greatest `above` that the
 * diameter exceeds replaces the rate for the whole tree; a trunk exactly on a tier stays below it. The girth, for the
 * basis and for the water, is that of the chosen multi-stem diameter × π. A water row holds up to and including its
 * girth. Problems: `missing` (no stems), `out-of-range` (rates, tiers or water rows that cannot be, a trunk above the
 * last water row).
 *
 * Source: handbook, soil drench.
 * @example drench({ stems: [{ diameter: toSI(12, 'in') }], basis: 'diameter', multiStem: 'equivalent',
 *   rate: { low: toSI(0.1, 'fl oz'), high: toSI(0.2, 'fl oz') }, choice: 'high' }) // 2.4 fl oz
 */
export function drench(input: DrenchInput): Result<Drench> {
  const units = input.units ?? 'us'
  const trunk = measureTrunk(input.stems, 12, units)
  if (!trunk.ok) return trunk
  const { stems } = trunk.value
  const diameter = input.multiStem === 'sum' ? trunk.value.summedDiameter : trunk.value.equivalentDiameter
  // One stem read with a tape keeps the tape's own girth.
  const girth = stems.length === 1 ? stems[0]!.girth : diameter * Math.PI
  const inches = fromSI(input.basis === 'girth' ? girth : diameter, 'in')

  const tier = tierOf(input, diameter)
  if (!tier.ok) return tier
  const rate = rateOf(
    tier.value ?? input.rate,
    input.choice,
    tier.value ? `tiers[${tier.value.row}]` : 'rate',
  )
  if (!rate.ok) return rate
  const product = rate.value * inches
  const working: Working = trunk.value.working.filter((s) => !s.label.startsWith('Critical'))
  if (input.basis === 'girth' && stems.length > 1)
    working.push({
      label: 'Girth of one such trunk',
      expression: `${shown(diameter, 'in', units)} × 3.1416`,
      result: shown(girth, 'in', units),
    })
  if (tier.value)
    working.push({
      label: 'Rate for a larger trunk',
      expression: `${shown(diameter, 'in', units)} is more than ${shown(tier.value.above, 'in', units)}`,
      result: rateWords(rate.value, units),
      source: 'label',
    })
  working.push({
    label: 'Product',
    expression: `${sensible(inches, 2)} in of ${input.basis} × ${rateWords(rate.value, units)}`,
    result: shown(product, 'fl oz', units),
    source: 'label',
  })
  const result: Drench = { product, inches, working }
  if (input.water) {
    const water = waterOf(input.water, girth, units)
    if (!water.ok) return water
    result.water = water.value
    working.push({
      label: 'Water',
      expression: `label row for ${shown(girth, 'in', units)} of girth`,
      result: shown(water.value, 'gal', units),
      source: 'label',
    })
  }
  if (input.strength !== undefined) {
    const active = activeOf(product, input.strength, units)
    if (!active.ok) return active
    result.activeIngredient = active.value.mass
    working.push(active.value.step)
  }
  return ok(result)
}

/**
 * The active ingredient in an amount of product of a strength, kg per m³, with its step. `out-of-range` without strength.
 * @example activeOf(toSI(1, 'gal'), 239.65, 'us') // 2 lb
 */
export function activeOf(
  product: Volume,
  strength: number,
  units: UnitSystem,
): Result<{ mass: Mass; step: Working[number] }> {
  if (!(strength > 0))
    return refuse('out-of-range', 'strength', 'The strength of the product must be more than zero.')
  const mass = product * strength
  return ok({
    mass,
    step: {
      label: 'Active ingredient',
      expression:
        units === 'us'
          ? `${shown(product, 'gal', 'us', 4)} × ${sensible(strength / LB_PER_GAL, 3)} lb per gal`
          : `${shown(product, 'gal', 'metric', 4)} × ${sensible(strength, 2)} g per L`,
      result: shown(mass, 'lb', units, 4),
      source: 'label',
    },
  })
}

/** A rate per inch as it is written. `rateWords(toSI(0.2, 'fl oz'), 'us') === '0.2 fl oz per in'` */
export function rateWords(perInch: Volume, units: UnitSystem): string {
  return `${shown(perInch, 'fl oz', units, 3)} per in`
}

/** One pound per gallon in kg/m³. */
const LB_PER_GAL = 0.45359237 / 3.785411784e-3

function tierOf(
  input: DrenchInput,
  diameter: Length,
): Result<({ above: Length; row: number } & RateRange) | null> {
  const seen = new Set<number>()
  let found: ({ above: Length; row: number } & RateRange) | null = null
  for (const [row, tier] of (input.tiers ?? []).entries()) {
    if (!(tier.above > 0))
      return refuse('out-of-range', `tiers[${row}].above`, 'A tier must begin above zero.')
    if (seen.has(tier.above))
      return refuse('out-of-range', `tiers[${row}].above`, 'Two tiers begin at the same size; keep one.')
    seen.add(tier.above)
    const rate = rateOf(tier, 'low', `tiers[${row}]`)
    if (!rate.ok) return rate
    if (diameter > tier.above * (1 + NOISE) && (!found || tier.above > found.above)) found = { ...tier, row }
  }
  return ok(found)
}

function waterOf(rows: NonNullable<DrenchInput['water']>, girth: Length, units: UnitSystem): Result<Volume> {
  if (rows.length === 0)
    return refuse('missing', 'water', 'The water table has no rows; give one or leave it out.')
  let before = 0
  for (const [i, row] of rows.entries()) {
    if (!(row.volume > 0))
      return refuse('out-of-range', `water[${i}].volume`, 'The water of a row must be more than zero.')
    if (row.girthUpTo === undefined && i < rows.length - 1)
      return refuse(
        'out-of-range',
        `water[${i}].girthUpTo`,
        'Only the last row of the water table may be open.',
      )
    if (row.girthUpTo !== undefined && !(row.girthUpTo > before))
      return refuse(
        'out-of-range',
        `water[${i}].girthUpTo`,
        'The rows of the water table must go up in girth.',
      )
    before = row.girthUpTo ?? before
  }
  const row = rows.find((r) => r.girthUpTo === undefined || girth <= r.girthUpTo * (1 + NOISE))
  if (!row)
    return refuse(
      'out-of-range',
      `water[${rows.length - 1}].girthUpTo`,
      `The water table ends at ${shown(before, 'in', units)} of girth; this trunk has ${shown(girth, 'in', units)}.`,
    )
  return ok(row.volume)
}
