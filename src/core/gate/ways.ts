import { activeOf } from '../actives/actives'
import type { Way } from '../decide/way'
import type { CauseFacts, ProductFacts, Question } from './question'

/** The kinds of active that a product has in it; null where one of its actives is not known, which may be of any kind. */
export function kindsOf(product: Pick<ProductFacts, 'actives' | 'feeds'>): readonly string[] | null {
  if (product.feeds) return null
  const kinds: string[] = []
  for (const { name } of product.actives) {
    const known = activeOf(name)
    if (!known) return null
    kinds.push(...known.kinds)
  }
  return kinds
}

/** True for a way that a product answers: one of the kinds it names, or a kind nobody knows. */
export function answers(way: Pick<Way, 'kinds'>, kinds: readonly string[] | null): boolean {
  return kinds === null || way.kinds === undefined || way.kinds.some((k) => kinds.includes(k))
}

/** The ways on the cause by this method that the product answers. */
export function waysHere(
  q: Pick<Question, 'method' | 'product'> & { cause: Pick<CauseFacts, 'ways'> },
): Way[] {
  const kinds = q.product === null || q.product.actives.length === 0 ? null : kindsOf(q.product)
  return q.cause.ways.filter((w) => w.method === q.method && answers(w, kinds))
}
