import { readMixRate, type MixRate } from '../mix/mixRate'
import { ok, type Problem, type Result } from '../problem'
import { readQuantity, readRate } from '../quantity/parse'
import type { Dimension } from '../quantity/units'

/**
 * Reads what a card says in the label's words to SI, field by field, and keeps the first problem; problems name the card's own
 * field under `terms`. A card was checked when it was entered, so a problem here means that the card itself is no good.
 *
 * @example const r = cardReader(); r.done({ band: r.quantity('5 ft', 'length', 'bandHeight') }) // { ok: true, value: { band: 1.524 } }
 */
export function cardReader() {
  let problem: Problem | null = null
  const take = <T>(read: Result<T>): T | null => {
    if (!read.ok) problem ??= read.problem
    return read.ok ? read.value : null
  }
  return {
    quantity: (text: string, dimension: Dimension, field: string): number =>
      take(readQuantity(text, dimension, `terms.${field}`))?.si ?? NaN,
    rate: (text: string, of: Dimension, per: Dimension, field: string): number =>
      take(readRate(text, of, per, `terms.${field}`))?.si ?? NaN,
    mix: (text: string, field: string): MixRate =>
      take(readMixRate(text, `terms.${field}`)) ?? { kind: 'liquid', perVolume: NaN },
    done: <T>(value: T): Result<T> => (problem ? { ok: false, problem } : ok(value)),
  }
}

/**
 * Reads the terms of a card once, however many trees are dosed by them: a table of two hundred would read the same words two
 * hundred times. What was read is kept with the terms themselves.
 */
export function readOnce<Terms extends object, T>(
  read: (terms: Terms) => Result<T>,
): (terms: Terms) => Result<T> {
  const kept = new WeakMap<Terms, Result<T>>()
  return (terms) => {
    const before = kept.get(terms)
    if (before) return before
    const now = read(terms)
    kept.set(terms, now)
    return now
  }
}
