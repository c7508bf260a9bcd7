import { z } from 'zod'
import { responseOf } from '@/core/respond/response'
import { calculator } from '../calculator'
import { name, number } from '../fields'

const interval = z.strictObject({ low: z.number(), high: z.number() })

export const response = calculator({
  name: 'response',
  title: 'Response',
  description:
    'How well something worked, honestly on small numbers. Of each group its share with Wilson’s score interval at `level`; the share drawn towards `prior` (Beta with mean × weight for and (1 − mean) × weight against, and what was counted) with its equal-tailed interval; of every two groups the chance that the first is truly better, within 1e-7.',
  request: {
    level: number('Above 0.5 and below 0.999; 0.9 when not given.').optional(),
    prior: z.strictObject({
      mean: number('The share that was believed, between 0 and 1.'),
      weight: number('How many counted ones it weighs as much as.'),
    }),
    groups: z
      .array(
        z.strictObject({
          group: name('What it is called.'),
          success: number('How many worked.'),
          of: number('How many were tried.'),
        }),
      )
      .min(1)
      .max(40),
  },
  answer: {
    groups: z.array(
      z.strictObject({
        group: z.string(),
        share: z.number().nullable(),
        wilson: interval,
        shrunk: z.number(),
        credible: interval,
      }),
    ),
    pairs: z.array(z.strictObject({ a: z.string(), b: z.string(), chance: z.number() })),
  },
  example: {
    prior: { mean: 0.6, weight: 5 },
    groups: [
      { group: 'drench in autumn', success: 21, of: 30 },
      { group: 'drench in spring', success: 11, of: 12 },
    ],
  },
  work: (input) => responseOf(input),
})
