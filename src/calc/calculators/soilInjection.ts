import { z } from 'zod'
import { soilInjection as coreSoilInjection } from '@/core/dose/soilInjection'
import { calculator } from '../calculator'
import { figure, number, quantity, rate } from '../fields'
import { drenchDose, saidHowStemsCount } from './drench'

const rings = z.strictObject({
  kind: z.literal('rings'),
  first: quantity('length', 'First ring', 'From the bark.'),
  spacing: quantity('length', 'Between rings'),
  rings: number('How many rings.'),
  holeSpacing: quantity('length', 'Between holes', 'Along a ring.'),
})
const grid = z.strictObject({
  kind: z.literal('grid'),
  radius: quantity('length', 'Radius', 'From the middle of the trunk.'),
  trunkClear: quantity('length', 'Kept clear', 'From the bark; 0 when not given.').optional(),
  spacing: quantity('length', 'Between holes'),
  hardscapePercent: number('Share of the ground under hardscape; 0 when not given.').optional(),
})

export const soilInjection = calculator({
  name: 'soil-injection',
  title: 'Soil injection',
  description:
    'Holes, product and water of a soil injection. The product is that of a drench. Ring i lies `first` + i × `spacing` outside the bark and has ⌈2π × radius ÷ holeSpacing⌉ holes; a grid has ⌊area ÷ spacing²⌋ holes, at least one, its area π(radius² − (d ÷ 2 + trunkClear)²) less the hardscape. The rest of holes × mixPerHole is water; more product than mix is `out-of-range` at `mixPerHole`.',
  request: {
    ...drenchDose,
    strength: rate('mass', 'volume', 'Strength', '2 lb/gal'),
    pattern: z.discriminatedUnion('kind', [rings, grid]),
    mixPerHole: quantity('volume', 'Mix a hole', 'Product and water together.'),
  },
  answer: {
    product: figure('Fluid ounces.'),
    water: figure('Gallons.'),
    holes: z.number(),
    perHole: figure('Fluid ounces of product.'),
    activeIngredient: figure('Pounds.'),
    inches: z.number().meta({ description: 'Inches of the basis.' }),
    rings: z.array(z.strictObject({ radius: figure('Feet.'), holes: z.number() })).optional(),
  },
  example: {
    stems: [{ diameter: '14 in' }],
    basis: 'diameter',
    multiStem: 'equivalent',
    rate: { low: '0.1 fl oz', high: '0.2 fl oz' },
    choice: 'high',
    strength: '2 lb/gal',
    pattern: { kind: 'rings', first: '1 ft', spacing: '2.5 ft', rings: 3, holeSpacing: '2.5 ft' },
    mixPerHole: '8 fl oz',
  },
  work: (input, units, q) => {
    const multiStem = saidHowStemsCount(input)
    if (!multiStem.ok) return multiStem
    const r = coreSoilInjection({ ...input, multiStem: multiStem.value, units })
    if (!r.ok) return r
    const { product, water, holes, perHole, activeIngredient, inches, rings: round, working } = r.value
    return {
      ok: true,
      value: {
        product: q(product, 'fl oz'),
        water: q(water, 'gal'),
        holes,
        perHole: q(perHole, 'fl oz'),
        activeIngredient: q(activeIngredient, 'lb'),
        inches,
        ...(round && { rings: round.map((ring) => ({ radius: q(ring.radius, 'ft'), holes: ring.holes })) }),
        working,
      },
    }
  },
})
