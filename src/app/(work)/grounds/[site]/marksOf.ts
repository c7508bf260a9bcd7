import type { PageOfTrees } from '@/server/read/grounds'

type Card = PageOfTrees['trees'][number]

const kept = new WeakMap<Card, { kind: Card['marks'][number][0]; from: number; to: number }[]>()

/** A card's marks in the shape the ring draws, made once. */
export function marksOf(card: Card) {
  let marks = kept.get(card)
  if (!marks) kept.set(card, (marks = card.marks.map(([kind, from, to]) => ({ kind, from, to }))))
  return marks
}
