import type { Method } from '../card/card'
import { goes } from './goes'
import { readQuantity } from '../quantity/parse'

/**
 * Reads a typed amount of product, the way `showProduct` says one: a bare number is mL of an injection, fluid ounces of what is
 * poured or sprayed, pounds of what is weighed. Problems are those of `readQuantity`, at the field given.
 *
 * @example readProduct('4', { kind: 'liquid', method: 'trunk-injection' }, 'left', 'What is left').value.si // 4e-6
 */
export function readProduct(
  typed: string,
  of: { kind: 'liquid' | 'weight'; method: Method },
  field: string,
  name: string,
) {
  const weighed = of.kind === 'weight'
  return readQuantity(typed, weighed ? 'mass' : 'volume', field, {
    bareUnit: weighed ? 'lb' : goes(of.method) === 'into the trunk' ? 'mL' : 'fl oz',
    name,
  })
}
