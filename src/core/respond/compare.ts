/** An answer that is a number: what it is held against says what comes of it. */
export type MeasuredKind = 'count' | 'share' | 'all-back' | 'side-effect' | 'came-out'
/** An answer that is told: how it stands, whether care was done, what an assessor or a laboratory says, whether it is down. */
export type ToldKind = 'look' | 'care' | 'assessor' | 'laboratory' | 'removal' | 'referred' | 'report'

/** What is measured at a check and what is expected. Values in the unit the question names. */
export interface Measured {
  kind: MeasuredKind
  question: string
  unit: string
  /** At least this is as expected (crown share), or at most (capsules still in the tree). */
  sense: 'at-least' | 'at-most'
  expected: number
  /** Beyond `expected` but within this is slower than expected; past it, not working. */
  tolerated: number
  least: number
  most: number
  /** A threshold that was set to watch it by: past it the tree is decided on anew. After so many days it is counted again. */
  watch?: { againDays: number }
  /** It is the date on which the tree is treated again. */
  treats?: true
}

/** What is asked at a check that is answered in words. */
export interface Told {
  kind: ToldKind
  question: string
  /** After so many days it is looked at again, where that is chosen. */
  againDays: number
}

/** What a follow-up asks and expects. */
export type Expectation = Measured | Told

export type Verdict =
  | 'as expected'
  | 'slower'
  | 'not working'
  | 'left behind'
  | 'harmed'
  | 'under the threshold'
  | 'over the threshold'
  | 'as it was'
  | 'better'
  | 'worse'
  | 'done'
  | 'not yet'
  | 'answer arrived'

/** The way on from what was left behind: it is promised again for today. */
export const PULL_THEM = 'go and pull them'
/** It is promised again, as many days on as it was promised for. */
export const AGAIN = 'look again'
export const DECIDE_ANEW = 'decide anew'
export const EXAMINE_AGAIN = 'examine again'
export const REOPEN = 'reopen the diagnosis'
export const TAKE_FROM_LIST = 'take it from the list'
export const WEIGH_ANEW = 'weigh it with the answer'
const STOP = 'stop looking'
/** It is prescribed again as it was, on today’s trunk. */
export const TREAT_AGAIN = 'treat again'
/** The date stands again a year on. */
const NEXT_YEAR = 'not this year'
/** It is not treated any more, and somebody says why. */
export const STOP_TREATING = 'stop treating'
const YEAR_DAYS = 365

/** What comes of an answer: how it is called, and the ways on. */
export interface Compared {
  verdict: Verdict
  options: string[]
}

/** The answers to each question that is answered in words. */
const ANSWERS: Record<ToldKind, Readonly<Record<string, Compared>>> = {
  look: {
    'as it was': { verdict: 'as it was', options: [AGAIN, STOP] },
    better: { verdict: 'better', options: [STOP, AGAIN] },
    'worse, or something new': { verdict: 'worse', options: [EXAMINE_AGAIN, DECIDE_ANEW] },
  },
  care: {
    'done, and it is better': { verdict: 'better', options: [STOP, AGAIN] },
    'done, no change yet': { verdict: 'as it was', options: [AGAIN, REOPEN, DECIDE_ANEW] },
    'not done yet': { verdict: 'not yet', options: [AGAIN, DECIDE_ANEW] },
  },
  assessor: {
    'it may stay as it is': { verdict: 'answer arrived', options: [DECIDE_ANEW] },
    'it may stay after work on it': { verdict: 'answer arrived', options: [DECIDE_ANEW] },
    'it comes down': { verdict: 'answer arrived', options: [DECIDE_ANEW] },
    'no answer yet': { verdict: 'not yet', options: [AGAIN] },
  },
  laboratory: {
    'something that is not asked for here': {
      verdict: 'answer arrived',
      options: [EXAMINE_AGAIN, DECIDE_ANEW],
    },
    'no answer yet': { verdict: 'not yet', options: [AGAIN] },
    'the sample was no good': { verdict: 'not yet', options: [AGAIN, DECIDE_ANEW] },
  },
  referred: {
    'they act, we keep off': { verdict: 'answer arrived', options: [AGAIN, DECIDE_ANEW] },
    'we may go on': { verdict: 'answer arrived', options: [DECIDE_ANEW] },
    'no answer yet': { verdict: 'not yet', options: [AGAIN] },
  },
  report: {
    'it is reported': { verdict: 'done', options: [STOP] },
    'not yet': { verdict: 'not yet', options: [AGAIN] },
  },
  removal: {
    'it is down': { verdict: 'done', options: [TAKE_FROM_LIST] },
    'it still stands': { verdict: 'not yet', options: [AGAIN, DECIDE_ANEW] },
  },
}

/** True for a check that is answered in words. `isTold({ kind: 'look', … }) === true` */
export function isTold(e: Expectation): e is Told {
  return e.kind in ANSWERS
}

/** The answers that may be given to a check in words. `answersOf('removal')` is `['it is down', 'it still stands']`. */
export function answersOf(kind: ToldKind): string[] {
  return Object.keys(ANSWERS[kind])
}

/** What comes of an answer in words; undefined for one that is not offered. */
export function compareTold(kind: ToldKind, said: string): Compared | undefined {
  return Object.hasOwn(ANSWERS[kind], said) ? ANSWERS[kind][said] : undefined
}

/**
 * Holds a follow-up's measurement against what was expected. Only an effect that is missing doubts the diagnosis: what is
 * left behind is fetched, and a tree that was harmed is spared.
 *
 * @example compare({ kind: 'share', sense: 'at-least', expected: 75, tolerated: 65, … }, 70).verdict // 'slower'
 */
export function compare(expectation: Measured, value: number): Compared {
  const { kind, sense, expected, tolerated, watch } = expectation
  const good = sense === 'at-least' ? value >= expected : value <= expected
  const fair = sense === 'at-least' ? value >= tolerated : value <= tolerated
  if (watch)
    return good
      ? { verdict: 'under the threshold', options: [AGAIN, STOP] }
      : { verdict: 'over the threshold', options: [DECIDE_ANEW, AGAIN] }
  if (expectation.treats)
    return good
      ? { verdict: 'as expected', options: [TREAT_AGAIN, NEXT_YEAR, STOP_TREATING] }
      : fair
        ? { verdict: 'slower', options: [TREAT_AGAIN, REOPEN, NEXT_YEAR, STOP_TREATING] }
        : { verdict: 'not working', options: [REOPEN, 'change method', TREAT_AGAIN, STOP_TREATING] }
  if (good) return { verdict: 'as expected', options: ['go on as planned', 'stop'] }
  if (kind === 'all-back') return { verdict: 'left behind', options: [PULL_THEM] }
  if (kind === 'side-effect')
    return {
      verdict: 'harmed',
      options: fair
        ? ['note it and go on', 'spare the tree this year']
        : ['spare the tree this year', 'let it rest and look again'],
    }
  if (fair) return { verdict: 'slower', options: ['wait', 'repeat', REOPEN] }
  // When it did not work, first doubt the diagnosis.
  return { verdict: 'not working', options: [REOPEN, 'change method', 'repeat', 'stop'] }
}

/**
 * Where a tree goes back to by the way on that was chosen at a check; null where it goes on.
 * @example sentBack('repeat') // 'decide'
 */
export function sentBack(nextStep: string): 'examine' | 'decide' | 'prescribe' | null {
  if (nextStep === REOPEN || nextStep === EXAMINE_AGAIN) return 'examine'
  if (nextStep === TREAT_AGAIN) return 'prescribe'
  return [DECIDE_ANEW, 'change method', 'repeat'].includes(nextStep) ? 'decide' : null
}

/**
 * After how many days a check is promised again by the way on that was chosen; undefined where it is not. What is still there
 * is fetched today, what is looked at again comes as many days on as it was promised for.
 * @example promisedAgain('go and pull them', { kind: 'all-back', … }) // 0
 */
export function promisedAgain(nextStep: string, e: Expectation): number | undefined {
  if (nextStep === PULL_THEM) return 0
  if (nextStep === NEXT_YEAR) return YEAR_DAYS
  if (nextStep !== AGAIN) return undefined
  return isTold(e) ? e.againDays : e.watch?.againDays
}
