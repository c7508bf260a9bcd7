import type { PutOnMethod } from '../card/card'
import { showMl, type UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { toSI } from '../quantity/units'

/**
 * An amount of product as the hand measures it: an injection in mL, what is poured or sprayed in fluid ounces or mL, what is
 * weighed in ounces or g, from a pound on in pounds or kg. `showProduct(7.1e-5, 'liquid', 'soil-drench', 'us')` is "2.4 fl oz".
 */
export function showProduct(
  amount: number,
  kind: 'liquid' | 'weight',
  method: PutOnMethod,
  units: UnitSystem,
): string {
  if (kind === 'weight') return shown(amount, amount < toSI(1, 'lb') ? 'oz' : 'lb', units)
  return method === 'trunk-injection' ? showMl(amount) : shown(amount, 'fl oz', units)
}
