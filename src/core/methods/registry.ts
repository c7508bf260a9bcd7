import type { Repeats } from './facts'
import type { Method, PutOnMethod } from '../card/card'
import { refuse, type Result } from '../problem'
import { namesHost } from '../card/namesHost'
import type { HandMethod } from './byHand'
import { handMethod, isHand, type HandName } from './hand'
import { handTerms } from './handTerms'
import { planByHand } from './planByHand'
import { planBark } from './bark-spray/plan'
import { planCrownSpray } from './crown-spray/plan'
import { GROWING_SEASON } from './growingSeason'
import { planFeed } from './feed/plan'
import type { Given, Planned, Question, UseOf } from './plan'
import { planDrench } from './soil-drench/plan'
import { planSoilInjection } from './soil-injection/plan'
import { planTrunkInjection } from './trunk-injection/plan'

/** The parts of one method. A method is one folder; what it lacks, the compiler says here. */
export interface MethodParts<M extends Method> {
  /** What a person says of each tree beside its reading, before it can be planned. */
  asks: (use: UseOf<M>) => readonly (keyof Given)[]
  plan: (q: Question<M>) => Result<Planned<M>>
  /** Something is put into the ground or drips on it: the card's distance to water holds. */
  onGround: boolean
  /** After how many days it is done again, and how often a year at most; null where the card does not say. */
  repeats: (use: UseOf<M>) => Repeats | null
}

const METHODS: { [M in PutOnMethod]: MethodParts<M> } = {
  'trunk-injection': {
    asks: () => ['portGirth'],
    plan: planTrunkInjection,
    onGround: false,
    repeats: () => null,
  },
  'soil-drench': {
    asks: () => [],
    plan: planDrench,
    onGround: true,
    repeats: () => null,
  },
  'soil-injection': {
    asks: (use) => (use.terms.pattern.kind === 'grid' ? ['reach', 'hardscapePercent'] : []),
    plan: planSoilInjection,
    onGround: true,
    repeats: () => null,
  },
  'bark-spray': {
    asks: () => [],
    plan: planBark,
    onGround: true,
    repeats: () => null,
  },
  'crown-spray': {
    asks: () => ['crown'],
    plan: planCrownSpray,
    onGround: true,
    repeats: ({ terms, limits }) =>
      terms.repeatDays
        ? {
            least: Math.max(terms.repeatDays.least, limits?.leastDays ?? 0),
            most: Math.max(terms.repeatDays.most, limits?.leastDays ?? 0),
            mostTimes: limits?.timesPerYear,
            season: GROWING_SEASON,
          }
        : null,
  },
  feed: {
    asks: () => ['reach', 'hardscapePercent'],
    plan: planFeed,
    onGround: true,
    repeats: () => null,
  },
}

/** The method of a use, for callers that do not know which it is. */
export function methodOf(use: Pick<UseOf<Method>, 'method'>): MethodParts<Method> {
  return isHand(use.method)
    ? partsByHand(handMethod(use.method))
    : (METHODS[use.method] as unknown as MethodParts<Method>)
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
