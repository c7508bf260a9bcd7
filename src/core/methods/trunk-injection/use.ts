import { z } from 'zod'
import { quantities, quantity, whole, words } from '../../card/written'

/** What a card says of a trunk injection: capsule, bottle, infusion or plug are its hardware, not methods of their own. */
export const trunkInjection = z
  .strictObject({
    hardware: words(80),
    ratePerInch: quantities('volume').optional(),
    capsule: z.strictObject({ volume: quantity('volume'), maxPerInch: quantity('volume') }).optional(),
    ports: z.discriminatedUnion('rule', [
      z.strictObject({ rule: z.literal('spacing'), spacing: quantity('length') }),
      z.strictObject({ rule: z.literal('per-diameter'), inchesPerPort: z.number().positive().max(20) }),
      z.strictObject({
        rule: z.literal('table'),
        rows: z
          .array(z.strictObject({ upTo: quantity('length').optional(), ports: whole(1, 200) }))
          .min(1)
          .max(50),
      }),
    ]),
    minSpacing: quantity('length'),
    maxGap: quantity('length').optional(),
    perPortMax: quantity('volume').optional(),
    minPorts: whole(1, 50).optional(),
    bit: words(30),
    depth: words(60),
    uptakeMinutes: z.strictObject({ from: z.number().positive(), to: z.number().positive().max(2880) }),
    temperature: z.strictObject({ least: quantity('temperature'), most: quantity('temperature') }),
    hole: words(80),
    retreatYears: z.number().positive().max(10),
  })
  .superRefine((use, context) => {
    if ((use.ratePerInch === undefined) === (use.capsule === undefined))
      context.addIssue({
        code: 'custom',
        path: ['ratePerInch'],
        message: 'Give either a rate per inch or a capsule, not both and not neither.',
      })
  })
