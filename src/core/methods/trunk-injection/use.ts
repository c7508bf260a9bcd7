import { z } from 'zod'
import { quantities, quantity, whole, words, type Bounds } from '../../card/written'

/** A hundredth of a millilitre to four litres: a capsule of the smallest, a port of an infusion. m³ */
const A_PORT: Bounds = [1e-8, 4e-3]
const A_CAPSULE: Bounds = [1e-8, 2e-4]
/** A finger’s width to a metre along the girth. */
const APART: Bounds = [0.01, 1]
/** 1.5 to 25 mm. */
const A_BIT: Bounds = [0.0015, 0.0255]

/** What a card says of a trunk injection: capsule, bottle, infusion or plug are its hardware, not methods of their own. */
export const trunkInjection = z
  .strictObject({
    hardware: words(80),
    ratePerInch: quantities('volume', A_PORT).optional(),
    capsule: z
      .strictObject({ volume: quantity('volume', A_CAPSULE), maxPerInch: quantity('volume', A_PORT) })
      .optional(),
    ports: z.discriminatedUnion('rule', [
      z.strictObject({ rule: z.literal('spacing'), spacing: quantity('length', APART) }),
      z.strictObject({ rule: z.literal('per-diameter'), inchesPerPort: z.number().positive().max(20) }),
      z.strictObject({
        rule: z.literal('table'),
        rows: z
          .array(z.strictObject({ upTo: quantity('length').optional(), ports: whole(1, 200) }))
          .min(1)
          .max(50),
      }),
    ]),
    minSpacing: quantity('length', APART),
    maxGap: quantity('length', [0.02, 3]).optional(),
    /** Parts of water to one of product, where it is made up before it goes in. */
    dilution: z.number().min(0.1).max(500).optional(),
    /** Of what is in the bottle: product, or product and water. */
    perPortMax: quantity('volume', A_PORT).optional(),
    minPorts: whole(1, 50).optional(),
    bit: quantity('length', A_BIT).max(30),
    depth: words(60),
    uptakeMinutes: z.strictObject({
      from: z.number().positive().max(2880),
      to: z.number().positive().max(2880),
    }),
    temperature: z.strictObject({ least: quantity('temperature'), most: quantity('temperature') }),
    hole: words(80),
    retreatYears: z.number().positive().max(10),
  })
  .superRefine((use, context) => {
    if (use.capsule && use.dilution !== undefined)
      context.addIssue({
        code: 'custom',
        path: ['dilution'],
        message: 'A capsule is not made up with water; take one of the two out.',
      })
    if ((use.ratePerInch === undefined) === (use.capsule === undefined))
      context.addIssue({
        code: 'custom',
        path: ['ratePerInch'],
        message: 'Give either a rate per inch or a capsule, not both and not neither.',
      })
    if (use.uptakeMinutes.to < use.uptakeMinutes.from)
      context.addIssue({
        code: 'custom',
        path: ['uptakeMinutes', 'to'],
        message: 'The longest uptake is below the shortest; change them over.',
      })
  })

/** What a plan by ports draws and the crew needs; of several stems each is a trunk of its own, in their order, and `portGirth` and `perPort` are those of the first. Uptake in seconds. Lengths in metres. */
export const trunkInjectionShape = z.strictObject({
  portGirth: z.number(),
  perPort: z.number(),
  uptake: z.strictObject({ from: z.number(), to: z.number() }),
  ports: z.array(
    z.strictObject({
      bearing: z.number(),
      suitability: z.number(),
      moved: z.boolean(),
      stem: z.number().optional(),
    }),
  ),
  largestGap: z.number(),
  stems: z
    .array(
      z.strictObject({
        diameter: z.number(),
        portGirth: z.number(),
        perPort: z.number(),
        product: z.number(),
        ports: z.number(),
      }),
    )
    .optional(),
})
