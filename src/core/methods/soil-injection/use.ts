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
