import type { Length } from '../quantity/units'
/** In what order a site's trees are listed. */
export const TREE_ORDERS = ['tag', 'girth', 'crown'] as const
export type TreeOrder = (typeof TREE_ORDERS)[number]

/** What an order looks at. */
export interface Ordered {
  id: string
  tag: string
  diameterM: Length | null
  liveCrownPercent: number | null
}

/**
 * What a tree is ordered by before its tag, smallest first: nothing, the thickest (unmeasured ones last), the least live
 * crown (those not taken last). `orderKey('girth', { diameterM: 0.5, … })` is −0.5. The database orders by the same.
 */
export function orderKey(order: TreeOrder, tree: Omit<Ordered, 'id' | 'tag'>): number {
  if (order === 'girth') return tree.diameterM === null ? 0 : 0 - tree.diameterM
  return order === 'crown' ? (tree.liveCrownPercent ?? 101) : 0
}

/** Sorts by an order, then by tag and id as the database compares them: by code point. */
export function inOrder(order: TreeOrder) {
  return (a: Ordered, b: Ordered): number =>
    orderKey(order, a) - orderKey(order, b) || byText(a.tag, b.tag) || byText(a.id, b.id)
}

function byText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}
