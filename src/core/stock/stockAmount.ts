import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { readQuantity } from '../quantity/parse'
import { toSI } from '../quantity/units'

/** An amount of a lot: m³ of what is measured, kg of what is weighed. */
export interface StockAmount {
  amount: number
  measure: 'volume' | 'mass'
}

/**
 * Reads what is typed of a lot: a volume or a weight, always with its unit, and by what the lot was measured before (`before`). Problems as
 * {@link readQuantity}; `conflict` where it was measured otherwise before, `out-of-range` below nothing.
 *
 * @example readStock('64 fl oz', 'amount', null).value // { amount: 0.00189, measure: 'volume' }
 */
export function readStock(
  typed: string,
  field: string,
  before: StockAmount['measure'] | null,
): Result<StockAmount> {
  const volume = readQuantity(typed, 'volume', field, { name: 'How much' })
  const mass = volume.ok ? null : readQuantity(typed, 'mass', field, { name: 'How much' })
  const read = mass?.ok ? mass : volume
  if (!read.ok) return read
  const measure = mass?.ok ? 'mass' : 'volume'
  if (before !== null && before !== measure)
    return refuse(
      'conflict',
      field,
      before === 'mass'
        ? 'This is weighed: type pounds, ounces, kg or g.'
        : 'This is measured by volume: type gallons, fl oz, L or mL.',
    )
  if (read.value.si < 0) return refuse('out-of-range', field, 'How much cannot be below zero.')
  return ok({ amount: read.value.si, measure })
}

/** An amount of a lot as a person reads it. `showStock({ amount: 1.89e-3, measure: 'volume' }, 'us')` is "63.9 fl oz". */
export function showStock({ amount, measure }: StockAmount, units: UnitSystem): string {
  if (measure === 'mass') return shown(amount, amount < toSI(1, 'lb') ? 'oz' : 'lb', units)
  return shown(amount, amount < toSI(2, 'gal') ? 'fl oz' : 'gal', units)
}
