import { z } from 'zod'
import { mixes, quantity, rate, whole, words } from '../../card/written'

/** How a crown spray works, which says when it is put on and what it must reach. */
export const SPRAY_KINDS = ['contact', 'protective', 'biological', 'bactericide', 'powder'] as const

/** What a card says of a crown spray. */
export const crownSpray = z
  .strictObject({
    kind: z.enum(SPRAY_KINDS, { error: `A crown spray is one of ${SPRAY_KINDS.join(', ')}.` }),
    mix: mixes(),
    volumeRate: rate('volume', 'volume').optional(),
    repeatDays: z.strictObject({ least: whole(1, 400), most: whole(1, 400) }).optional(),
    rainFastHours: z.number().min(0).max(72),
    washOff: quantity('length').optional(),
    wind: z.strictObject({
      least: quantity('speed').optional(),
      most: quantity('speed'),
      gust: quantity('speed'),
    }),
    temperature: z.strictObject({ least: quantity('temperature'), most: quantity('temperature') }),
    noFreezeHours: z.number().min(0).max(72).optional(),
    strongSun: z.boolean().optional(),
    /** Actives it may share a tank with, as the label names them, or any; alone where the label is silent. */
    tank: z
      .strictObject({
        with: z.union([z.literal('any'), z.array(words(60)).min(1).max(20)]),
        never: z.array(words(60)).max(20).optional(),
      })
      .optional(),
    strength: rate('mass', 'volume').optional(),
    when: words(300),
  })
  .superRefine(({ repeatDays }, context) => {
    if (repeatDays && repeatDays.most < repeatDays.least)
      context.addIssue({
        code: 'custom',
        path: ['repeatDays', 'most'],
        message: 'The longest time between two sprays is below the shortest; change them over.',
      })
  })

/** The spray for a crown, and its size. Lengths in metres. */
export const crownSprayShape = z.strictObject({ spray: z.number(), height: z.number(), width: z.number() })
