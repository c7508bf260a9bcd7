import { NOISE } from '../quantity/whole'
import type { RunningStep } from './running'

/** What a tree got, against what its label asks for at the least. */
export type Outcome = 'treated' | 'partly treated' | 'not treated'

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
