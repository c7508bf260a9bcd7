import type { HandName } from './names'
import { ok, type Result } from '../problem'
import type { HandMethod, HandSaid } from './byHand'
import { handMethod } from './hand'
import { handTerms } from './handTerms'
import { readLines } from './lines'
import type { PlanOf, Planned, Question, UseOf } from './plan'

/**
 * Work without a product at one tree: its minutes, steps and figures by its method; nothing goes on. Problems are those of
 * `readLines` (fields of the card under `terms`, of the tree by their name) and of the method.
 *
 * @example planByHand(collar, { use: HC_COLLAR, given: { hand: { north: '4 in' } }, … }).value.plan.minutes
 */
export function planByHand(hand: HandMethod, q: Question<HandName>): Result<Planned<HandName>> {
  const terms = handTerms(hand, q.use.terms)
  if (!terms.ok) return terms
  const given = readLines(hand.asks, q.given.hand ?? {}, q.units)
  if (!given.ok) return given
  const work = hand.plan({ tree: q.tree, day: q.day, terms: terms.value, given: given.value, units: q.units })
  if (!work.ok) return work
  const { minutes, water, shape, steps, working } = work.value
  return ok({
    plan: {
      method: q.use.method,
      choice: 0,
      diameter: q.tree.diameter,
      product: 0,
      kind: 'liquid',
      least: 0,
      most: 0,
      water,
      active: null,
      minutes,
      steps: steps.map((s) => ({ kind: 'task', product: 0, ...s })),
      shape,
    },
    working,
  })
}

/** What the words of planned work by hand are made from. */
export function saidOf(
  plan: PlanOf<HandName>,
  use: UseOf<HandName>,
  units: HandSaid['units'],
): Omit<HandSaid, 'times'> {
  const terms = handTerms(handMethod(plan.method), use.terms)
  return { terms: terms.ok ? terms.value : {}, shape: plan.shape, units }
}
