/**
 * What kind of answer a check has, which says what comes of it: a count against a threshold, a share against what it was,
 * what must all be back, harm the treatment did, or whether something came out.
 */
export type AnswerKind = 'count' | 'share' | 'all-back' | 'side-effect' | 'came-out'

/** What a follow-up is expected to show. Values in the unit the question names. */
export interface Expectation {
  kind: AnswerKind
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

export type Verdict = 'as expected' | 'slower' | 'not working' | 'left behind' | 'harmed'

/** The way on from what was left behind: it is promised again for today. */
export const PULL_THEM = 'go and pull them'

/**
 * Holds a follow-up's measurement against what was expected. Only an effect that is missing doubts the diagnosis: what is
 * left behind is fetched, and a tree that was harmed is spared.
 *
 * @example compare({ kind: 'share', sense: 'at-least', expected: 75, tolerated: 65, … }, 70).verdict // 'slower'
 */
export function compare(expectation: Expectation, value: number): { verdict: Verdict; options: string[] } {
  const { kind, sense, expected, tolerated } = expectation
  const good = sense === 'at-least' ? value >= expected : value <= expected
  const fair = sense === 'at-least' ? value >= tolerated : value <= tolerated
  if (good) return { verdict: 'as expected', options: ['go on as planned', 'stop'] }
  if (kind === 'all-back') return { verdict: 'left behind', options: [PULL_THEM] }
  if (kind === 'side-effect')
    return {
      verdict: 'harmed',
      options: fair
        ? ['note it and go on', 'spare the tree this year']
        : ['spare the tree this year', 'let it rest and look again'],
    }
  if (fair) return { verdict: 'slower', options: ['wait', 'repeat', 'reopen the diagnosis'] }
  // When it did not work, first doubt the diagnosis.
  return { verdict: 'not working', options: ['reopen the diagnosis', 'change method', 'repeat', 'stop'] }
}
