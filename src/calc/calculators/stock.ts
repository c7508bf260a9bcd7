import { z } from 'zod'
import { stockBottle } from '@/core/mix/stock'
import { calculator, MOST_ROWS } from '../calculator'
import { figure, quantity } from '../fields'

export const stock = calculator({
  name: 'stock',
  title: 'Stock bottle',
  description:
    'A bottle of stock from which every tree takes a simple pour per inch of diameter. Each pour goes to the nearest graduation, half up, and steps down while it would pass the label’s most; it is never less than one graduation, and a tree whose smallest step passes the most is `over-label`, as is a rate above it.',
  request: {
    bottle: quantity('volume', 'Bottle'),
    productPerInch: quantity('volume', 'Product per inch'),
    pourPerInch: quantity('volume', 'Pour per inch'),
    graduation: quantity('volume', 'Graduation', 'The smallest step the measure shows.'),
    maxProductPerInch: quantity('volume', 'Most product per inch', 'By the label.').optional(),
    trees: z.array(quantity('length', 'Diameter')).max(MOST_ROWS).meta({ description: 'Diameters.' }),
  },
  answer: {
    concentrate: figure('Fluid ounces.'),
    water: figure('Fluid ounces.'),
    pours: z.array(
      z.strictObject({
        exact: figure('Fluid ounces.'),
        pour: figure('Fluid ounces.'),
        errorPercent: z.number(),
      }),
    ),
    bottles: z.number(),
    productTotal: figure('Fluid ounces.'),
  },
  example: {
    bottle: '64 fl oz',
    productPerInch: '0.15 fl oz',
    pourPerInch: '0.5 fl oz',
    graduation: '0.25 fl oz',
    maxProductPerInch: '0.16 fl oz',
    trees: ['11 in', '7 1/2 in'],
  },
  work: (input, units, q) => {
    const r = stockBottle({ ...input, units })
    if (!r.ok) return r
    const { concentrate, water, pours, bottles, productTotal, working } = r.value
    return {
      ok: true,
      value: {
        concentrate: q(concentrate, 'fl oz'),
        water: q(water, 'fl oz'),
        pours: pours.map((p) => ({
          exact: q(p.exact, 'fl oz'),
          pour: q(p.pour, 'fl oz'),
          errorPercent: p.errorPercent,
        })),
        bottles,
        productTotal: q(productTotal, 'fl oz'),
        working,
      },
    }
  },
})
