import type { PutOnMethod } from '../card/card'
import { showMl, type UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'

/**
 * An amount of product as the hand measures it: an injection in mL, what is poured or sprayed in fluid ounces or mL, what is
 * weighed in pounds or kg. `showProduct(7.1e-5, 'liquid', 'soil-drench', 'us')` is "2.4 fl oz".
 */
export function showProduct(
  amount: number,
  kind: 'liquid' | 'weight',
  method: PutOnMethod,
  units: UnitSystem,
): string {
  if (kind === 'weight') return shown(amount, 'lb', units)
  return method === 'trunk-injection' ? showMl(amount) : shown(amount, 'fl oz', units)
}
