import { z } from 'zod'
import { bark as coreBark } from '@/core/dose/bark'
import { calculator } from '../calculator'
import { choice, figure, quantity, rate } from '../fields'
import { perInch } from './drench'
import { stems } from './trunk'

export const bark = calculator({
  name: 'bark',
  title: 'Bark spray',
  description:
    'Product of a basal bark spray: the rate is per inch of diameter, each stem on its own. The band goes from the soil line up to `bandHeight`, all round every stem.',
  request: {
    stems,
    rate: z.strictObject(perInch),
    choice: choice(),
    bandHeight: quantity('length', 'Height of the band', 'From the soil line.'),
    strength: rate('mass', 'volume', 'Strength', '2 lb/gal'),
  },
  answer: {
    product: figure('Fluid ounces.'),
    perStem: z.array(figure('Fluid ounces.')),
    bandArea: figure('Square feet, all stems together.'),
    activeIngredient: figure('Pounds.'),
    inches: z.number().meta({ description: 'Inches of diameter, all stems added up.' }),
  },
  example: {
    stems: [{ diameter: '9 in' }, { girth: '20 in' }],
    rate: { low: '1 fl oz', high: '2 fl oz' },
    choice: 'low',
    bandHeight: '5 ft',
    strength: '0.8 lb/gal',
  },
  work: (input, units, q) => {
    const r = coreBark({ ...input, units })
    if (!r.ok) return r
    const { product, perStem, bandArea, activeIngredient, inches, working } = r.value
    return {
      ok: true,
      value: {
        product: q(product, 'fl oz'),
        perStem: perStem.map((v) => q(v, 'fl oz')),
        bandArea: q(bandArea, 'ft2'),
        activeIngredient: q(activeIngredient, 'lb'),
        inches,
        working,
      },
    }
  },
})
