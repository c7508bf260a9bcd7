import { type PutOnMethod, isHand } from './names'
import type { PromisedCheck } from './facts'
import type { Method } from '../card/card'
import { dueAgain } from '../history/dueAgain'
import { handMethod } from './hand'
import { handTerms } from './handTerms'
import type { Values } from './lines'
import type { SubjectPlan, UseOf } from './plan'
import { YEAR } from './promised'
import { putOnMethod } from './putOn'

/**
 * What is looked at after a use of a card, when, and what is expected: of an injection first that everything is out again.
 * `liveCrown` in per cent, as it was taken; `plan` where some of the work is left for later. The figures are house figures; `again`, after how many days it is due again for its cause, decides the last date; what the card says where it is not given.
 */
export function checksAfter(
  use: UseOf<Method>,
  liveCrown: number,
  plan?: SubjectPlan | null,
  again: number | null = dueAgain(use, null),
): PromisedCheck[] {
  if (isHand(use.method)) {
    const hand = handMethod(use.method)
    const terms = handTerms(hand, use.terms)
    return hand.checks(terms.ok ? terms.value : {}, plan ? (plan.shape as Values) : undefined)
  }
  return putOnMethod(use.method).checks(use as UseOf<PutOnMethod>, liveCrown, again ?? YEAR)
}
