import { z } from 'zod'
import { REFER_TO } from '@/core/decide/promised'
import { ACTIONS } from '@/core/decide/propose'
import { isDate } from '@/core/time/calendar'
import { saying } from './field'
import { id, line, words } from './text'

const decision = {
  id: id(),
  treeId: id('treeId'),
  diagnosisId: id('diagnosisId'),
  action: z.enum(ACTIONS, { error: 'Choose treat, care, watch, sample, refer, remove or healthy.' }),
  words: saying(words('Words'), { label: 'In your words, if you like' }),
  /** The decision on this diagnosis that stood when this one was made; null where none did. */
  over: id('over').nullable().default(null),
}

const follows = {
  /** The day on which somebody looks, or an answer is due. */
  due: z.string().refine(isDate, { error: 'The day is not a calendar date.' }).nullable().default(null),
  /** The assessor, the laboratory, whoever takes it down. */
  whom: line('Whom', 80).nullable().default(null),
  /** Of a referral: whose answer it needs. */
  referTo: z.enum(REFER_TO).default('risk assessor'),
  /** Of a watch: what is counted, how many are too many, and what happens then. */
  watch: z
    .strictObject({
      count: line('What is counted', 120, 3),
      threshold: z
        .int({ error: 'The threshold is a whole number.' })
        .min(0, { error: 'The threshold is zero or more.' })
        .max(100_000, { error: 'The threshold is too high to count to.' }),
      above: line('What happens above it', 120, 3).nullable().default(null),
    })
    .nullable()
    .default(null),
}

/** One tree's decision. */
export const decisionAsks = z.strictObject(decision)
/** What follows decisions that are not to treat. */
export const followsAsks = z.strictObject(follows)
/** A decision with what follows it. */
export const signDecisionAsks = z.strictObject({ ...decision, ...follows })
