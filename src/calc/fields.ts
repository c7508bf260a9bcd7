import { z } from 'zod'
import { readMixRate } from '@/core/mix/mixRate'
import { readAnalysis } from '@/core/feed/feed'
import { readQuantity, readRate } from '@/core/quantity/parse'
import type { Dimension, SI } from '@/core/quantity/units'
import { fieldOf, type Problem, type Result } from '@/core/problem'

const EXAMPLES: Record<Dimension, string[]> = {
  length: ['14 1/2 in', '37 cm'],
  area: ['1.5 acre', '600 m2'],
  volume: ['1/3 fl oz', '10 mL'],
  mass: ['0.1 lb', '45 g'],
  temperature: ['58 F', '14 C'],
  speed: ['4 mph', '1.8 m/s'],
  time: ['40 min'],
  share: ['2 %'],
}

/** A field that is a string a person types and becomes what `read` makes of it; its problem goes on as it is. */
function typed<T>(
  read: (typed: string, field: string) => Result<T>,
  description: string,
  examples: string[],
) {
  return z
    .string()
    .meta({ description, examples })
    .transform((text, context): T => {
      const result = read(text, '')
      if (result.ok) return result.value
      context.issues.push({
        code: 'custom',
        input: text,
        message: result.problem.message,
        params: { problem: result.problem.code },
      })
      return z.NEVER
    })
}

/** A quantity as a person types it, read to SI. `quantity('length', 'Girth')` takes "44 in" to 1.1176. */
export function quantity<D extends Dimension>(
  dimension: D,
  name: string,
  description = `${name}; a ${dimension} with its unit.`,
) {
  const read = (text: string, field: string): Result<SI[D]> => {
    const result = readQuantity(text, dimension, field, { name })
    return result.ok ? { ok: true, value: result.value.si } : result
  }
  return typed(read, description, EXAMPLES[dimension])
}

/** A rate, one quantity per another, read to SI over SI. `rate('mass', 'area', 'Limit', '0.4 lb/acre')` */
export function rate(above: Dimension, below: Dimension, name: string, example: string) {
  const read = (text: string, field: string): Result<number> => {
    const result = readRate(text, above, below, field, { name })
    return result.ok ? { ok: true, value: result.value.si } : result
  }
  return typed(read, `${name}; a ${above} per ${below}.`, [example])
}

/** A tank mix as a label writes it. */
export const mix = () =>
  typed(readMixRate, 'Product in the spray, as the label writes it. Plain oz is a weight.', [
    '2 %',
    '3 tsp/gal',
    '15 mL/2 L',
    '2 g/L',
    '3 lb/100 gal',
    '8 oz/100 gal',
  ])

/** The analysis of a fertiliser as on the bag. */
export const analysis = () => typed(readAnalysis, 'N-P₂O₅-K₂O as on the bag.', ['18-6-12'])

/** A plain number; the core says what range it must have. */
export const number = (description: string) => z.number().meta({ description })

/** One of a few words. */
export const oneOf = <const W extends readonly [string, ...string[]]>(words: W, description: string) =>
  z.enum(words).meta({ description })

/** A short name: a product, an id. */
export const name = (description: string) => z.string().min(1).max(200).meta({ description })

/** A calendar date, checked by the core. */
export const date = (description: string) =>
  z
    .string()
    .max(40)
    .meta({ description, examples: ['2026-05-01'] })

/** A wall-clock time, checked by the core. */
export const localTime = (description: string, example: string) =>
  z
    .string()
    .max(40)
    .meta({ description, examples: [example] })

/** `low`, `high`, or a number from 0 to 1 between them. */
export const choice = () =>
  z
    .union([z.enum(['low', 'high']), z.number()])
    .optional()
    .meta({
      description: '`low`, `high`, or a number from 0 (low) to 1 (high) between them. `low` when not given.',
    })

/** In which units the answer is given. */
export const units = () =>
  z
    .enum(['us', 'si'])
    .optional()
    .meta({ description: 'Units of the answer: US customary, or `si` for metric. `us` when not given.' })

/** A figure in an answer. */
export const figure = (description: string) =>
  z
    .strictObject({ value: z.number(), unit: z.string() })
    .meta({ description: `${description} Never rounded.` })

/** A step of a working. */
export const step = z.strictObject({
  label: z.string(),
  expression: z.string(),
  result: z.string(),
})

const CODES = ['missing', 'bad-quantity', 'out-of-range', 'over-label', 'unknown'] as const
type CalcCode = (typeof CODES)[number]

function codeOf(code: unknown): CalcCode {
  return CODES.find((c) => c === code) ?? 'out-of-range'
}

/** The value at a path of what was sent; undefined where there is none. */
function at(body: unknown, path: readonly PropertyKey[]): unknown {
  let value = body
  for (const key of path) {
    if (typeof value !== 'object' || value === null || !Object.hasOwn(value, key)) return undefined
    value = (value as Record<PropertyKey, unknown>)[key]
  }
  return value
}

/** A path as people write it: `stems[0].girth`. */
export function pathOf(path: readonly PropertyKey[]): string {
  const text = fieldOf(path)
  return text.length > 200 ? `${text.slice(0, 200)}…` : text || 'body'
}

/** The first thing wrong with a request, in the codes of the calculators, naming the field. */
export function problemOfRequest(error: z.ZodError, body: unknown): Problem {
  const issue = error.issues[0]!
  const field = pathOf(issue.path)
  const value = at(body, issue.path)
  if (issue.code === 'custom')
    return {
      code: codeOf(issue.params?.['problem']),
      field,
      message: issue.message,
    }
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0]!
    return {
      code: 'unknown',
      field: pathOf([...issue.path, key]),
      message: `There is no field "${key.slice(0, 60)}" here; leave it out or check its spelling.`,
    }
  }
  if (issue.path.length > 0 && value === undefined)
    return { code: 'missing', field, message: `Nothing is given for "${field}"; fill it in.` }
  if (value === null) return { code: 'missing', field, message: `${field} is null; give it or leave it out.` }
  if (issue.code === 'invalid_value')
    return typeof value === 'string'
      ? {
          code: 'unknown',
          field,
          message: `${field} must be one of ${issue.values.map((v) => `"${String(v)}"`).join(', ')}.`,
        }
      : { code: 'bad-quantity', field, message: `${field} must be a word in quotes; check it.` }
  if (issue.code === 'invalid_union')
    return typeof value === 'string'
      ? {
          code: 'unknown',
          field,
          message: `"${value.slice(0, 40)}" is not known as ${field}; check the word.`,
        }
      : { code: 'bad-quantity', field, message: `${field} cannot be read; check what it is.` }
  if (issue.code === 'too_big' || issue.code === 'too_small') {
    if (issue.origin === 'string' && value === '')
      return { code: 'missing', field, message: `${field} is empty; give it.` }
    if (issue.origin === 'array' && Array.isArray(value) && value.length === 0)
      return { code: 'missing', field, message: `${field} is empty; give at least one.` }
    const bound = issue.code === 'too_big' ? `at most ${issue.maximum}` : `at least ${issue.minimum}`
    const what = issue.origin === 'array' ? ' entries' : issue.origin === 'string' ? ' characters' : ''
    return { code: 'out-of-range', field, message: `${field} must be ${bound}${what}.` }
  }
  return { code: 'bad-quantity', field, message: `${field} cannot be read; ${expectation(issue)}.` }
}

function expectation(issue: z.core.$ZodIssue): string {
  const expected = issue.code === 'invalid_type' ? issue.expected : ''
  if (expected === 'string') return 'type it in quotes, as "14 1/2 in"'
  if (expected === 'number') return 'give a plain number'
  if (expected === 'array') return 'give a list in square brackets'
  if (expected === 'object' || expected === 'record') return 'give an object in braces'
  return 'check it'
}
