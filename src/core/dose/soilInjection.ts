import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { toSI, type Length, type Mass, type Volume } from '../quantity/units'
import { ceilGuarded, floorGuarded, NOISE } from '../quantity/whole'
import { measureTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'
import { drench, type DrenchInput } from './drench'

/** Where the holes go: rings round the trunk, or a grid over the root zone. */
export type HolePattern =
  | { kind: 'rings'; first: Length; spacing: Length; rings: number; holeSpacing: Length }
  | { kind: 'grid'; radius: Length; trunkClear?: Length; spacing: Length; hardscapePercent?: number }

export interface SoilInjectionInput extends Omit<DrenchInput, 'water'> {
  strength: number
  pattern: HolePattern
  /** Product and water together in each hole. */
  mixPerHole: Volume
}

export interface SoilInjection {
  product: Volume
  water: Volume
  holes: number
  /** Product in each hole. */
  perHole: Volume
  activeIngredient: Mass
  inches: number
  /** From the middle of the trunk; of rings only. */
  rings?: { radius: Length; holes: number }[]
  working: Working
}

/** Farther from the trunk there are no roots worth a hole. */
export const FARTHEST_HOLE = toSI(300, 'ft')
export const MOST_RINGS = 50
export const MOST_HOLES = 100_000

/**
 * Product, water and holes of a soil injection: the product is that of a drench, every hole takes the same mix, and what of
 * the mix is not product is water. Ring i lies `first` + i × `spacing` outside the bark and has as many holes as its length
 * holds spacings, rounded up; a grid has one hole a square of its area, hardscape and the ground next to the trunk left out.
 *
 * Problems: those of {@link drench}; `out-of-range` for patterns that cannot be, and at `mixPerHole` for less mix than
 * product. Source: handbook, soil injection.
 * @example soilInjection({ stems: [{ diameter: toSI(14, 'in') }], …, pattern: { kind: 'rings', … rings: 3 } }) // 32 holes
 */
export function soilInjection(input: SoilInjectionInput): Result<SoilInjection> {
  const units = input.units ?? 'us'
  const poured = drench({ ...input, water: undefined })
  if (!poured.ok) return poured
  const trunk = measureTrunk(input.stems, 12, units)
  if (!trunk.ok) return trunk
  const diameter = input.multiStem === 'sum' ? trunk.value.summedDiameter : trunk.value.equivalentDiameter
  const placed = holesOf(input.pattern, diameter, units)
  if (!placed.ok) return placed
  const { holes, rings } = placed.value
  if (holes > MOST_HOLES)
    return refuse(
      'out-of-range',
      'pattern',
      `That would be more than ${MOST_HOLES} holes; check the spacing.`,
    )
  if (!(input.mixPerHole > 0))
    return refuse('out-of-range', 'mixPerHole', 'The mix in a hole must be more than zero.')
  const mix = holes * input.mixPerHole
  const { product } = poured.value
  if (product > mix * (1 + NOISE))
    return refuse(
      'out-of-range',
      'mixPerHole',
      `The product alone is ${shown(product, 'fl oz', units)}, more than ${holes} ${holes === 1 ? 'hole' : 'holes'} take of ${shown(input.mixPerHole, 'fl oz', units)} each. Give each hole more.`,
    )
  const water = Math.max(0, mix - product)
  return ok({
    product,
    water,
    holes,
    perHole: product / holes,
    activeIngredient: poured.value.activeIngredient!,
    inches: poured.value.inches,
    ...(rings && { rings }),
    working: [
      ...poured.value.working,
      ...placed.value.working,
      {
        label: 'Water',
        expression: `${holes} × ${shown(input.mixPerHole, 'fl oz', units)} − ${shown(product, 'fl oz', units)}`,
        result: shown(water, 'gal', units),
        source: 'label',
      },
      {
        label: 'Product in each hole',
        expression: `${shown(product, 'fl oz', units)} ÷ ${holes}`,
        result: shown(product / holes, 'fl oz', units, 4),
      },
    ],
  })
}

/**
 * How many holes a pattern has round a trunk, and its rings. `out-of-range` at the field of `pattern` that cannot be.
 * @example holesOf({ kind: 'grid', radius: toSI(12, 'ft'), spacing: toSI(2.5, 'ft') }, 0, 'us') // 72 holes
 */
export function holesOf(
  pattern: HolePattern,
  diameter: Length,
  units: UnitSystem,
): Result<{ holes: number; rings?: { radius: Length; holes: number }[]; working: Working }> {
  const ft = (l: Length) => shown(l, 'ft', units)
  const wrong = (field: string, message: string) => refuse('out-of-range', `pattern.${field}`, message)
  const distance = (field: string, value: Length, least: 'zero' | 'above') =>
    (least === 'zero' ? value >= 0 : value > 0) && value <= FARTHEST_HOLE
      ? null
      : wrong(
          field,
          `This distance must be ${least === 'zero' ? 'at least' : 'more than'} zero and at most ${shown(FARTHEST_HOLE, 'ft', units, 0)}; check the number and the unit.`,
        )
  if (pattern.kind === 'rings') {
    for (const [field, least] of [
      ['first', 'zero'],
      ['spacing', 'above'],
      ['holeSpacing', 'above'],
    ] as const) {
      const off = distance(field, pattern[field], least)
      if (off) return off
    }
    if (!(Number.isInteger(pattern.rings) && pattern.rings >= 1 && pattern.rings <= MOST_RINGS))
      return wrong('rings', `The rings are a whole number from 1 to ${MOST_RINGS}.`)
    const rings = Array.from({ length: pattern.rings }, (_, i) => {
      const radius = diameter / 2 + pattern.first + i * pattern.spacing
      return { radius, holes: Math.max(1, ceilGuarded((2 * Math.PI * radius) / pattern.holeSpacing)) }
    })
    const holes = rings.reduce((sum, r) => sum + r.holes, 0)
    return ok({
      holes,
      rings,
      working: [
        ...rings.map((r, i) => ({
          label: `Holes of ring ${i + 1}`,
          expression: `2 × 3.1416 × ${ft(r.radius)} ÷ ${ft(pattern.holeSpacing)}, rounded up`,
          result: `${r.holes} holes`,
          source: 'label' as const,
        })),
        ...(rings.length > 1
          ? [{ label: 'Holes', expression: rings.map((r) => r.holes).join(' + '), result: `${holes} holes` }]
          : []),
      ],
    })
  }
  const clear = pattern.trunkClear ?? 0
  const hardscape = pattern.hardscapePercent ?? 0
  for (const [field, value, least] of [
    ['radius', pattern.radius, 'above'],
    ['trunkClear', clear, 'zero'],
    ['spacing', pattern.spacing, 'above'],
  ] as const) {
    const off = distance(field, value, least)
    if (off) return off
  }
  if (!(hardscape >= 0 && hardscape < 100))
    return wrong('hardscapePercent', 'The hardscape is from 0 to less than 100 per cent of the ground.')
  const inner = diameter / 2 + clear
  if (!(pattern.radius > inner))
    return wrong(
      'radius',
      `The holes would lie within ${ft(inner)} of the middle, where the trunk and the ground kept clear are; go farther out.`,
    )
  const ground = Math.PI * (pattern.radius ** 2 - inner ** 2) * (1 - hardscape / 100)
  const holes = Math.max(1, floorGuarded(ground / pattern.spacing ** 2))
  return ok({
    holes,
    working: [
      {
        label: 'Ground for holes',
        expression: `3.1416 × ((${ft(pattern.radius)})² − (${ft(inner)})²)${hardscape > 0 ? ` × ${sensible(1 - hardscape / 100, 4)}` : ''}`,
        result: shown(ground, 'ft2', units),
        source: 'reading',
      },
      {
        label: 'Holes',
        expression: `${shown(ground, 'ft2', units)} ÷ (${ft(pattern.spacing)})², rounded down`,
        result: `${holes} ${holes === 1 ? 'hole' : 'holes'}`,
        source: 'label',
      },
    ],
  })
}
