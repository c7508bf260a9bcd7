import type { Length } from '../quantity/units'

/** Why a dose that is with the crew must be worked out again. */
export type Anew = 'size' | 'kind' | 'card' | 'rule' | 'limit'

/** A trunk that is measured this much otherwise takes another dose. */
const OTHER_SIZE = 0.01

/** What a dose rests on, and what is known now. */
export interface Rests {
  planned: { readingId: string; diameter: Length }
  /** The newest reading; null when every one was struck out. */
  newest: { id: string; diameter: Length } | null
  /** The card names the kind the tree is listed as now. */
  namesHost: boolean
  /** A newer version of the card is on the shelf. */
  cardReplaced: boolean
  /** A rule of the place, its plan, or the distance of the card stands against it on its day. */
  closedByRule: boolean
  /** All that is planned is more than the ground may get in the year. */
  overLimit: boolean
}

/**
 * Whether a dose must be worked out again before anything is begun, and why; null while it stands. Another kind goes before
 * a newer card, that before a rule of the place, that before the yearly limit of the ground, and that before another size.
 *
 * @example anewOf({ …, newest: { id: 'b', diameter: 0.5 }, planned: { readingId: 'a', diameter: 0.42 } }) // 'size'
 */
export function anewOf({
  planned,
  newest,
  namesHost,
  cardReplaced,
  closedByRule,
  overLimit,
}: Rests): Anew | null {
  if (!namesHost) return 'kind'
  if (cardReplaced) return 'card'
  if (closedByRule) return 'rule'
  if (overLimit) return 'limit'
  return newest &&
    newest.id !== planned.readingId &&
    Math.abs(newest.diameter / planned.diameter - 1) > OTHER_SIZE
    ? 'size'
    : null
}

/** Why, as it is said in lists. */
export const ANEW: Record<Anew, string> = {
  size: 'The trunk was measured otherwise since; the dose must be worked out again.',
  kind: 'It is listed as another kind now, which the card does not name; it must be prescribed anew.',
  card: 'The card was replaced since; the dose must be worked out again by the new one.',
  limit:
    'All that is planned here is more than the ground may get this year; hand trees back until it fits, or plan another way.',
  rule: 'A rule of the place stands against it on its day; it must be prescribed anew, or put on another day.',
}
