import { z } from 'zod'
import { quantities, quantity, rate, words } from '../../card/written'

/** What a card says of a basal bark spray; each stem is dosed on its own. */
export const barkSpray = z.strictObject({
  rate: quantities('volume'),
  strength: rate('mass', 'volume'),
  bandHeight: quantity('length'),
  penetrant: words(120).optional(),
  retreatYears: z.number().positive().max(10),
})

/** How high each stem is wetted, with how much, on how much bark. Lengths in metres. */
export const barkSprayShape = z.strictObject({
  bandHeight: z.number(),
  perStem: z.array(z.number()),
  bandArea: z.number(),
})
