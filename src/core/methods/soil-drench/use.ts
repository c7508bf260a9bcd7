import { z } from 'zod'
import { quantities, quantity, rate, words } from '../../card/written'

/** How much goes round a trunk: the label's inch is of diameter or of girth, and that is the label's to say. */
export const pouredDose = {
  basis: z.enum(['diameter', 'girth'], {
    error: 'An inch of the rate is an inch of diameter or of girth; say which.',
  }),
  multiStem: z.enum(['equivalent', 'sum'], {
    error: 'Several stems count as equivalent or as sum; say which.',
  }),
  rate: quantities('volume'),
  tiers: z
    .array(z.strictObject({ above: quantity('length'), low: quantity('volume'), high: quantity('volume') }))
    .max(10)
    .optional(),
  strength: rate('mass', 'volume'),
  retreatYears: z.number().positive().max(10),
}

/** What a card says of a soil drench. */
export const soilDrench = z.strictObject({
  ...pouredDose,
  water: z
    .array(z.strictObject({ girthUpTo: quantity('length').optional(), volume: quantity('volume') }))
    .min(1)
    .max(10),
  basin: z.strictObject({ from: quantity('length'), to: quantity('length') }),
  mostRainComing: quantity('length').optional(),
  after: words(200).optional(),
})

/** The ring that is poured into, out from the bark. Lengths in metres. */
export const soilDrenchShape = z.strictObject({ basin: z.strictObject({ from: z.number(), to: z.number() }) })
