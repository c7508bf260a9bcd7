/** Methods by which a product moves through the tree: rules for food, bees and working wood hold. */
const SYSTEMIC: readonly string[] = ['trunk-injection', 'soil-drench', 'soil-injection', 'bark-spray']

/** True for a method that brings a product into the tree. `isSystemicWay('soil-drench') === true` */
export function isSystemicWay(method: string): boolean {
  return SYSTEMIC.includes(method)
}

/** True for what is sprayed over leaves or bark. */
export function isSpray(method: string): boolean {
  return method === 'crown-spray' || method === 'bark-spray'
}
