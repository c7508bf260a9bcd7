import { z } from 'zod'
import { quantities, quantity, whole } from '../../card/written'
import { pouredDose } from '../soil-drench/use'

const pattern = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('rings'),
    first: quantity('length'),
    spacing: quantity('length'),
    rings: whole(1, 50),
    holeSpacing: quantity('length'),
  }),
  z.strictObject({
    kind: z.literal('grid'),
    spacing: quantity('length'),
    trunkClear: quantity('length').optional(),
  }),
])

/** What a card says of a soil injection. How far a grid reaches is the tree's, not the card's. */
export const soilInjection = z.strictObject({
  ...pouredDose,
  pattern,
  mixPerHole: quantity('volume'),
  depth: quantities('length'),
})

/** Where the holes lie, what goes into each, product and water together; of a grid its square and how far it reaches. Lengths in metres. */
export const soilInjectionShape = z.strictObject({
  holes: z.number(),
  mixPerHole: z.number(),
  rings: z.array(z.strictObject({ radius: z.number(), holes: z.number() })),
  grid: z.strictObject({ spacing: z.number(), reach: z.number() }).nullable(),
  depth: z.strictObject({ from: z.number(), to: z.number() }),
})
