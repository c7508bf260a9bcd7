import { z } from 'zod'
import { analysis, quantities, quantity, rates, words } from '../../card/written'

/** What a card says of a feed. */
export const feed = z.strictObject({
  analysis: analysis(),
  nitrogen: rates('mass', 'area'),
  release: z.enum(['slow', 'quick'], { error: 'A feed is of slow or of quick release.' }),
  put: z
    .array(z.enum(['ring', 'thrown', 'deep'], { error: 'A feed is put on in a ring, thrown or deep.' }))
    .min(1),
  holes: z.strictObject({ spacing: quantity('length'), depth: quantities('length') }).optional(),
  biostimulant: words(120).optional(),
  notWhen: words(200),
})

/** The ground that is fed, and what it gets. Lengths in metres. */
export const feedShape = z.strictObject({
  put: z.enum(['ring', 'thrown', 'deep']),
  area: z.number(),
  reach: z.number(),
  delivered: z.strictObject({ n: z.number(), p2o5: z.number(), k2o: z.number() }),
  holes: z.number(),
})
