import { type HandName, isHand } from './names'
import type { Method } from '../card/card'
import { refuse, type Result } from '../problem'
import { namesHost } from '../card/namesHost'
import type { HandMethod } from './byHand'
import { handMethod } from './hand'
import { handTerms } from './handTerms'
import { planByHand } from './planByHand'
import type { MethodParts } from './parts'
import type { Planned, Question, UseOf } from './plan'
import { putOnMethod } from './putOn'

/** The method of a use, for callers that do not know which it is. */
export function methodOf(use: Pick<UseOf<Method>, 'method'>): MethodParts<Method> {
  return isHand(use.method)
    ? partsByHand(handMethod(use.method))
    : (putOnMethod(use.method) as unknown as MethodParts<Method>)
}

/** Work without a product as a method like the others: nothing goes on, nothing is at work. */
function partsByHand(hand: HandMethod): MethodParts<Method> {
  return {
    asks: () => (hand.asks.length > 0 ? ['hand'] : []),
    plan: (q) => planByHand(hand, q as Question<HandName>),
    onGround: false,
    repeats: (use) => {
      const terms = handTerms(hand, use.terms)
      return terms.ok ? (hand.repeats?.(terms.value) ?? null) : null
    },
  }
}

/**
 * What one tree gets by a use of a card: the one place in which any dose that is signed is worked out. Problems:
 * `not-allowed` (field `label`) for a card that does not name this kind of tree, `out-of-range` (field `choice`) for a rate
 * outside the card's, and those of the method.
 *
 * @example planSubject({ use: drench, tree, choice: 0, given: {}, … }).value.plan.product
 */
export function planSubject(q: Question<Method>): Result<Planned<Method>> {
  if (!namesHost(q.use, q.tree.host))
    return refuse(
      'not-allowed',
      'label',
      'This card does not name this kind of tree. Choose a card that does.',
    )
  if (!(q.choice >= 0 && q.choice <= 1))
    return refuse('out-of-range', 'choice', 'The rate must lie from the label’s low rate to its high rate.')
  const planned = methodOf(q.use).plan(q)
  if (!planned.ok) return planned
  // Which reading and which card: what the rules know only as “reading” and “label”.
  const named = { reading: q.sources.reading, label: q.sources.label }
  return {
    ok: true,
    value: {
      ...planned.value,
      working: planned.value.working.map((s) =>
        s.from === undefined && (s.source === 'reading' || s.source === 'label')
          ? { ...s, from: named[s.source] }
          : s,
      ),
    },
  }
}
