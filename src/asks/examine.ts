import { z } from 'zod'
import { PARTS } from '@/core/diagnose/parts'
import { choice, number, orNothing, saying, whole } from './field'
import { findingId, id, line, words } from './text'

/** How much of a finding there is, on which side, counted on what. */
export const setDetailAsks = z.strictObject({
  treeId: id('treeId'),
  assessmentId: id('assessmentId'),
  finding: findingId,
  detail: z.strictObject({
    amount: z.enum(['little', 'some', 'much']).optional(),
    bearing: z.number({ error: 'A bearing is a number of degrees.' }).optional(),
    count: z.number({ error: 'A count is a whole number.' }).optional(),
    sample: z
      .strictObject({
        size: z.number({ error: 'A sample is a whole number.' }),
        of: line('What was counted', 30),
      })
      .optional(),
    words: line('Your words', 300).optional(),
  }),
})

/** The same as its form asks for it. */
export const detailAsks = z.strictObject({
  amount: choice('How much', [
    ['', 'not said'],
    ['little', 'little'],
    ['some', 'some'],
    ['much', 'much'],
  ]),
  bearing: orNothing(number('Side, degrees', { least: 0, most: 360 })),
  count: orNothing(whole('Counted', { least: 0, most: 1_000_000 })),
  size: saying(whole('The sample', { least: 1, most: 100_000 }), { label: 'on' }),
  of: saying(line('What was counted', 30), { label: 'of' }),
  words: orNothing(saying(line('Your words', 300), { label: 'In your words' })),
})

/** What explains what was found: the main cause with what is at work beside it, each with its part. */
export const signDiagnosisAsks = z.strictObject({
  id: id(),
  treeId: id('treeId'),
  assessmentId: id('assessmentId'),
  cause: z.string().max(80),
  beside: z
    .array(
      z.strictObject({
        cause: z.string().max(80),
        part: z.enum(PARTS, {
          error: 'A cause beside the main one opens the door, lives on it, feeds it, or stands beside it.',
        }),
      }),
    )
    .max(5, { error: 'Sign at most five causes beside the main one.' })
    .optional(),
  reason: words('Reasons'),
})
