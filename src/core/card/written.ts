import { z } from 'zod'
import { readAnalysis } from '../feed/feed'
import { readMixRate } from '../mix/mixRate'
import type { Result } from '../problem'
import { readQuantity, readRate } from '../quantity/parse'
import type { Dimension } from '../quantity/units'
import { readWindow } from '../season/cardWindow'

/**
 * What a card says in a label's own words, `1/4 in` or `0.4 lb/acre`, held to be a quantity of the right kind. A card keeps the
 * words; whoever doses by them reads them.
 */
function written<T>(read: (text: string) => Result<T>) {
  return z.string().superRefine((text, context) => {
    const result = read(text)
    if (!result.ok) context.addIssue({ code: 'custom', message: result.problem.message })
  })
}

/** The least and the most that a label could mean, SI. */
export type Bounds = readonly [least: number, most: number]

/** What any card could say of a dimension: beyond it the number or its unit is a slip. House figures, wide on purpose. */
const SENSE: Readonly<Partial<Record<Dimension, Bounds>>> = {
  // A tenth of a millimetre to sixty metres.
  length: [1e-4, 60],
  // A thousandth of a millilitre to two hundred litres.
  volume: [1e-9, 0.2],
  mass: [1e-9, 100],
  area: [1e-4, 1e6],
  // Kelvin-free: degrees Celsius.
  temperature: [-30, 60],
  speed: [0.05, 25],
}

/** The same of one thing in another, by both. */
const SENSE_OF_RATES: Readonly<Record<string, Bounds>> = {
  // Up to the density of the heaviest concentrate; up to a tonne a hectare; a litre in a litre; a litre on a square metre.
  'mass/volume': [1e-6, 2500],
  'mass/area': [1e-9, 0.1],
  'volume/volume': [1e-7, 1],
  'volume/area': [1e-9, 0.05],
}

const beyond = (): Result<never> => ({
  ok: false,
  problem: {
    code: 'out-of-range',
    field: '',
    message: 'No label says so much or so little; check the number and its unit.',
  },
})

function within<T extends { si: number }>(result: Result<T>, bounds: Bounds | undefined): Result<T> {
  if (!result.ok || !bounds) return result
  return result.value.si >= bounds[0] * (1 - 1e-9) - 1e-12 && result.value.si <= bounds[1] * (1 + 1e-9)
    ? result
    : beyond()
}

/**
 * A quantity more than zero (temperatures may be below it), within what a label could mean: `quantity('length')` takes `1/4 in`.
 * `bounds`: narrower ones, SI.
 */
export const quantity = (dimension: Dimension, bounds = SENSE[dimension]) =>
  written((text) => within(above(readQuantity(text, dimension, ''), dimension === 'temperature'), bounds))

/** A rate more than zero, one quantity per another: `rate('mass', 'area')` takes `0.4 lb/acre`. */
export const rate = (of: Dimension, per: Dimension, bounds = SENSE_OF_RATES[`${of}/${per}`]) =>
  written((text) => within(above(readRate(text, of, per, ''), false), bounds))

/** The most of a product in a spray: half of it, or as much as dissolves. */
const MOST_IN_A_MIX = { liquid: 0.5, weight: 500 } as const

/** A tank mix as labels write it: `2 %`, `4 tsp/gal`, `3 lb/100 gal`. */
export const mix = () =>
  written((text) => {
    const read = readMixRate(text, '')
    return read.ok && !(read.value.perVolume > 0 && read.value.perVolume <= MOST_IN_A_MIX[read.value.kind])
      ? beyond()
      : read
  })

/** The analysis of a fertiliser as on the bag: `18-6-12`. */
export const analysis = () => written((text) => readAnalysis(text, ''))

/** Days on which something may be done, as labels write them: `15 Oct to 28 Feb`. */
export const window = () =>
  written((text) => readWindow(text, '')).max(200, { error: 'Write at most 200 letters.' })

function above<T extends { si: number }>(result: Result<T>, anySign: boolean): Result<T> {
  if (!result.ok || anySign || result.value.si > 0) return result
  return {
    ok: false,
    problem: {
      code: 'out-of-range',
      field: '',
      message: 'It must be more than zero; check the number and the unit.',
    },
  }
}

/** A low and a high of one thing, in this order. */
function range(of: z.ZodString, si: (text: string) => number | null) {
  return z.strictObject({ low: of, high: of }).superRefine(({ low, high }, context) => {
    const [a, b] = [si(low), si(high)]
    if (a !== null && b !== null && b < a * (1 - 1e-9))
      context.addIssue({
        code: 'custom',
        path: ['high'],
        message: 'The high one is below the low one; change them over.',
      })
  })
}

const si = <T>(result: Result<T>, of: (value: T) => number) => (result.ok ? of(result.value) : null)

/** A low and a high quantity. */
export const quantities = (dimension: Dimension, bounds = SENSE[dimension]) =>
  range(quantity(dimension, bounds), (text) => si(readQuantity(text, dimension, ''), (q) => q.si))

/** A low and a high rate. */
export const rates = (of: Dimension, per: Dimension) =>
  range(rate(of, per), (text) => si(readRate(text, of, per, ''), (r) => r.si))

/** A low and a high tank mix. */
export const mixes = () => range(mix(), (text) => si(readMixRate(text, ''), (m) => m.perVolume))

/** Words of a card, on one line. */
export const words = (most: number, least = 1) =>
  z
    .string()
    .trim()
    .min(least, {
      error:
        least === 1 ? 'It is empty; write it or leave the field out.' : `Write at least ${least} letters.`,
    })
    .max(most, { error: `Write at most ${most} letters.` })

/** A whole number between bounds. */
export const whole = (least: number, most: number) =>
  z
    .int({ error: 'Give a whole number.' })
    .min(least, { error: `It is at least ${least}.` })
    .max(most, { error: `It is at most ${most}.` })

/** An id of the almanac; whoever keeps the card knows whether there is such a one. */
export const known = () => words(60)
