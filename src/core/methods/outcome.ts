import { isHand } from './names'
import type { Method } from '../card/card'
import { NOISE } from '../quantity/whole'
import type { RunningStep } from './running'

/** What a tree got, against what its label asks for at the least. */
export type Outcome = 'treated' | 'partly treated' | 'not treated'

const BY_HAND: Record<Outcome, string> = {
  treated: 'done',
  'partly treated': 'partly done',
  'not treated': 'not done',
}

/** An outcome as it is said: a tree is treated by a product, work by hand is done. `sayOutcome('treated', 'collar')` is 'done' */
export function sayOutcome(outcome: Outcome, method: Method): string {
  return isHand(method) ? BY_HAND[outcome] : outcome
}

/**
 * Judges what went on or in: all that the label asks for, less than its least, or nothing. Both in m³ or both in kg.
 * `outcomeOf(0.6, 41)` is 'partly treated'.
 */
export function outcomeOf(applied: number, least: number): Outcome {
  if (applied <= 0) return 'not treated'
  return applied < least * (1 - NOISE) ? 'partly treated' : 'treated'
}

/** The same of work by hand: all its steps done, some of them, or none. */
export function outcomeOfWork(steps: readonly RunningStep[]): Outcome {
  const done = steps.filter((s) => s.kind === 'task' && s.done > 0)
  if (done.length === 0) return 'not treated'
  return steps.every((s) => s.kind === 'task' && s.givenUp === null && s.done >= s.times)
    ? 'treated'
    : 'partly treated'
}
