import { z } from 'zod'
import { drench as coreDrench } from '@/core/dose/drench'
import { ok, refuse, type Result } from '@/core/problem'
import { calculator } from '../calculator'
import { choice, figure, oneOf, quantity, rate } from '../fields'
import { stems } from './trunk'

/** A rate range of a label, product per inch. */
export const perInch = {
  low: quantity('volume', 'Low rate', 'Product per inch of the basis.'),
  high: quantity('volume', 'High rate', 'Product per inch of the basis.'),
}

/** What of a question says how much product goes round a trunk. */
export const drenchDose = {
  stems,
  basis: oneOf(['diameter', 'girth'], 'What an inch of the rate is an inch of.'),
  multiStem: oneOf(['equivalent', 'sum'], 'One diameter for several stems.').optional(),
  rate: z.strictObject(perInch),
  choice: choice(),
  tiers: z
    .array(z.strictObject({ above: quantity('length', 'Tier', 'Diameter.'), ...perInch }))
    .max(100)
    .optional(),
}

/** How several stems count; one stem needs no saying. */
export function saidHowStemsCount(input: {
  stems: readonly unknown[]
  multiStem?: 'equivalent' | 'sum' | undefined
}): Result<'equivalent' | 'sum'> {
  if (input.multiStem === undefined && input.stems.length > 1)
    return refuse(
      'missing',
      'multiStem',
      'There are several stems; say whether the label means equivalent or sum.',
    )
  return ok(input.multiStem ?? 'equivalent')
}

export const drench = calculator({
  name: 'drench',
  title: 'Soil drench',
  description:
    'Product, water and active ingredient of a soil drench. The rate counts inches of diameter or of girth, as `basis` says. The tier with the greatest `above` that the diameter exceeds replaces the rate for the whole tree; a trunk exactly on a tier stays below it. The girth, for the basis and for the water, is that of the chosen multi-stem diameter × π. `multiStem` may be left out for one stem only. Without `water` or `strength` their figures are left out.',
  request: {
    ...drenchDose,
    water: z
      .array(
        z.strictObject({
          girthUpTo: quantity('length', 'Girth up to', 'Included; open in the last row.').optional(),
          volume: quantity('volume', 'Water'),
        }),
      )
      .max(100)
      .optional(),
    strength: rate('mass', 'volume', 'Strength', '2 lb/gal').optional(),
  },
  answer: {
    product: figure('Fluid ounces.'),
    water: figure('Gallons.').optional(),
    activeIngredient: figure('Pounds.').optional(),
    inches: z.number().meta({ description: 'Inches of the basis.' }),
  },
  example: {
    stems: [{ diameter: '18 in' }],
    basis: 'diameter',
    multiStem: 'equivalent',
    rate: { low: '0.1 fl oz', high: '0.2 fl oz' },
    choice: 'low',
    tiers: [{ above: '15 in', low: '0.2 fl oz', high: '0.4 fl oz' }],
    water: [{ girthUpTo: '50 in', volume: '1 gal' }, { volume: '2 gal' }],
    strength: '2 lb/gal',
  },
  work: (input, units, q) => {
    const multiStem = saidHowStemsCount(input)
    if (!multiStem.ok) return multiStem
    const r = coreDrench({ ...input, multiStem: multiStem.value, units })
    if (!r.ok) return r
    const { product, water, activeIngredient, inches, working } = r.value
    return {
      ok: true,
      value: {
        product: q(product, 'fl oz'),
        ...(water === undefined ? {} : { water: q(water, 'gal') }),
        ...(activeIngredient === undefined ? {} : { activeIngredient: q(activeIngredient, 'lb') }),
        inches,
        working,
      },
    }
  },
})
