import { METHODS } from '../methods/names'
import { z } from 'zod'
import { type Method } from '../card/card'
import { quantity, whole, words } from '../card/written'
import type { RuleKind } from './ruleKinds'
import { isDayOfYear } from '../time/yearly'

const id = z.string().regex(/^[a-z][a-z0-9.-]{1,59}$/)
const methods = z
  .array(
    z.enum(METHODS as [Method, ...Method[]], {
      error: 'One of the methods does not exist; choose them from the list.',
    }),
  )
  .min(1, { error: 'Choose at least one method.' })
  .max(METHODS.length)
const hosts = z.union([
  z.literal('any'),
  z.array(id).min(1, { error: 'Choose at least one kind of tree.' }).max(200),
])
const day = z
  .string()
  .refine(isDayOfYear, { error: 'A day of the year is a month and a day that every year has.' })
const yearly = { from: day, to: day }

const of = <K extends RuleKind, T extends z.ZodRawShape>(kind: K, terms: T) =>
  z.strictObject({ kind: z.literal(kind), ...terms })

/**
 * A rule of a place, beside the label: what the law, the authority or the client's own contract asks there. The firm copies it
 * with its text and where it stands; nothing here says what the law is.
 */
export const LocalRule = z
  .discriminatedUnion('kind', [
    /** Not worked by these methods on these kinds between two days of the year. */
    of('closed-season', { methods, hosts, ...yearly }),
    /** Actives that may not be put on, always or between two days. */
    of('restricted', {
      actives: z.array(words(60)).min(1, { error: 'Name at least one active ingredient.' }).max(40),
      hosts,
      from: day.optional(),
      to: day.optional(),
    }),
    /** Groups of actives kept off flowering kinds between two days. */
    of('bloom', {
      groups: z.array(words(10)).min(1, { error: 'Name at least one group.' }).max(40),
      hosts,
      ...yearly,
    }),
    /** Farther from water and wells than the label asks. */
    of('setback', { distance: quantity('length'), methods }),
    /** Somebody is told so many days before the work. */
    of('notice', { days: whole(1, 60), whom: words(80), methods }),
    /** What the client may not do with their own hands. */
    of('amateur', { methods }),
    /** A signed cause is reported within so many days. */
    of('report', {
      causes: z.array(id).min(1, { error: 'Choose at least one cause.' }).max(200),
      whom: words(80),
      days: whole(1, 60),
    }),
  ])
  .superRefine((rule, context) => {
    if (rule.kind === 'restricted' && (rule.from === undefined) !== (rule.to === undefined))
      context.addIssue({
        code: 'custom',
        path: [rule.from === undefined ? 'from' : 'to'],
        message: 'Give both days, or neither where it holds all year.',
      })
  })
export type LocalRule = z.output<typeof LocalRule>

/** A rule as it stands: what it says, in whose words, and from where. */
export interface StandingRule {
  id: string
  name: string
  /** As the source words it, or in the firm's own words. */
  text: string
  source: string
  rule: LocalRule
}
