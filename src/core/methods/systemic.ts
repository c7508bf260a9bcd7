import type { Method } from '../card/card'
import { goes } from './goes'

/** True for a method that brings a product into the tree: rules for food, bees and working wood hold. `isSystemicWay('soil-drench') === true` */
export function isSystemicWay(method: Method): boolean {
  const where = goes(method)
  return where === 'into the trunk' || where === 'into the soil' || where === 'onto the bark'
}

/** True for what is sprayed over leaves or bark. */
export function isSpray(method: Method): boolean {
  const where = goes(method)
  return where === 'over the crown' || where === 'onto the bark'
}
