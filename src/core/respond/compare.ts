/** What a follow-up is expected to show. Values in the unit the question names. */
export interface Expectation {
  question: string
  unit: string
  /** At least this is as expected (crown share), or at most (capsules still in the tree). */
  sense: 'at-least' | 'at-most'
  expected: number
  /** Beyond `expected` but within this is slower than expected; past it, not working. */
  tolerated: number
  least: number
  most: number
}

export type Verdict = 'as expected' | 'slower' | 'not working'

/**
 * Holds a follow-up's measurement against what was expected.
 * @example compare({ sense: 'at-least', expected: 75, tolerated: 65, … }, 70).verdict // 'slower'
 */
export function compare(expectation: Expectation, value: number): { verdict: Verdict; options: string[] } {
  const { sense, expected, tolerated } = expectation
  const good = sense === 'at-least' ? value >= expected : value <= expected
  const fair = sense === 'at-least' ? value >= tolerated : value <= tolerated
  if (good) return { verdict: 'as expected', options: ['go on as planned', 'stop'] }
  if (fair) return { verdict: 'slower', options: ['wait', 'repeat', 'reopen the diagnosis'] }
  // When it did not work, first doubt the diagnosis.
  return { verdict: 'not working', options: ['reopen the diagnosis', 'change method', 'repeat', 'stop'] }
}
