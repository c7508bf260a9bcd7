import type { Card } from '@/core/card/card'
import type { LabelCard } from '@/core/dose/labelCard'
import type { ShelfCard } from './cards/card'
import { GROUND } from './cards/ground'
import { INJECTIONS } from './cards/injections'
import { SPRAYS } from './cards/sprays'

/** What stands on the demo’s shelf; the first is what its ashes got. */
export const CARDS: readonly ShelfCard[] = [...INJECTIONS, ...GROUND, ...SPRAYS]

/** A card as a dose by its first trunk injection reads it; throws where it has none. */
export function labelOf(card: Card): LabelCard {
  const use = card.uses.find((u) => u.method === 'trunk-injection')
  if (!use) throw new Error(`${card.code} has no trunk injection`)
  const { formulation, actives, signalWord, example } = card
  const { method, terms, ...rest } = use
  void method
  return { formulation, actives, signalWord, example, ...rest, use: terms }
}
