import type { Result } from '../problem'
import type { HandMethod } from './byHand'
import { readLines, type Values } from './lines'
import { readOnce } from './reader'

type Terms = Readonly<Record<string, unknown>>

const readers = new WeakMap<HandMethod, (terms: Terms) => Result<Values>>()

/**
 * What a house card says of work by hand, read to SI once. A card writes its units, so nobody's own decide. Problems name the
 * card's own field under `terms`.
 *
 * @example handTerms(collar, openTheFlare.terms).value.out // 0.4572
 */
export function handTerms(hand: HandMethod, terms: Terms): Result<Values> {
  const known = readers.get(hand)
  if (known) return known(terms)
  const read = readOnce((t: Terms) => readLines(hand.terms, t, 'us', 'terms.'))
  readers.set(hand, read)
  return read(terms)
}
