import type { Card, Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { BY_HAND } from './cards/byHand'
import type { ShelfCard } from './cards/card'
import { GROUND } from './cards/ground'
import { INJECTIONS } from './cards/injections'
import { SPRAYS } from './cards/sprays'

/** What stands on the demo’s shelf; the first is what its ashes got. */
export const CARDS: readonly ShelfCard[] = [...INJECTIONS, ...GROUND, ...SPRAYS, ...BY_HAND]

/** The first use of a card by a method; throws where it has none. */
export function useOf<M extends Method>(card: Card, method: M): UseOf<M> {
  const use = card.uses.find((u): u is UseOf<M> => u.method === method)
  if (!use) throw new Error(`${card.code} has no ${method}`)
  return use
}
