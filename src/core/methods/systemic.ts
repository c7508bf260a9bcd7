import type { Method, PutOnMethod } from '../card/card'
import { isHand } from './hand'

/** By which methods a product moves through the tree: rules for food, bees and working wood hold. */
const SYSTEMIC: Readonly<Record<PutOnMethod, boolean>> = {
  'trunk-injection': true,
  'soil-drench': true,
  'soil-injection': true,
  'bark-spray': true,
  'crown-spray': false,
  feed: false,
}

/** True for a method that brings a product into the tree. `isSystemicWay('soil-drench') === true` */
export function isSystemicWay(method: Method): boolean {
  return !isHand(method) && SYSTEMIC[method]
}

/** True for what is sprayed over leaves or bark. */
export function isSpray(method: string): boolean {
  return method === 'crown-spray' || method === 'bark-spray'
}
