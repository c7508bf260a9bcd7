import { NOISE } from '../quantity/whole'

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
