import type { Method } from '../card/card'
import { showMl, type UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { toSI } from '../quantity/units'
import { goes } from './goes'

/**
 * An amount of product as the hand measures it: an injection in mL, what is poured or sprayed in fluid ounces or mL, what is
 * weighed in ounces or g, from a pound on in pounds or kg, what is less than half an ounce in
 * grams too. `showProduct(7.1e-5, 'liquid', 'soil-drench', 'us')` is "2.4 fl oz".
 */
export function showProduct(
  amount: number,
  kind: 'liquid' | 'weight',
  method: Method,
  units: UnitSystem,
): string {
  if (kind === 'weight') {
    const text = shown(amount, amount < toSI(1, 'lb') ? 'oz' : 'lb', units)
    // No scale at the tailgate shows a hundredth of an ounce.
    return units === 'us' && amount > 0 && amount < toSI(0.5, 'oz')
      ? `${text} (${shown(amount, 'oz', 'metric')})`
      : text
  }
  return goes(method) === 'into the trunk' ? showMl(amount) : shown(amount, 'fl oz', units)
}
