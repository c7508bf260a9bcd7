import type { Measured } from '../respond/compare'
import type { PromisedCheck } from './facts'

/** Days. */
export const YEAR = 365
const years = (n: number) => `${n} ${n === 1 ? 'year' : 'years'}`

/** Everything that was put into a tree comes out again that evening. */
export const allBack: PromisedCheck = {
  afterDays: 0,
  what: 'Bottles and tubes left in the tree',
  expectation: {
    kind: 'all-back',
    question: 'How many bottles or tubes are still in the tree this evening?',
    unit: 'left',
    sense: 'at-most',
    expected: 0,
    tolerated: 0,
    least: 0,
    most: 200,
  },
}

/** A harm that the work itself may do. */
export const harm = (what: string, question: string, afterDays: number): PromisedCheck => ({
  afterDays,
  what,
  expectation: {
    kind: 'side-effect',
    question,
    unit: '%',
    sense: 'at-most',
    expected: 5,
    tolerated: 15,
    least: 0,
    most: 100,
  },
})

const crown = (
  liveCrown: number,
  slack: number,
  what: string,
  question: string,
  more: Pick<Measured, 'treats'> = {},
): Omit<PromisedCheck, 'afterDays'> => ({
  what,
  expectation: {
    ...more,
    kind: 'share',
    question,
    unit: '%',
    sense: 'at-least',
    expected: Math.max(5, liveCrown - 5),
    tolerated: Math.max(0, liveCrown - slack),
    least: 0,
    most: 100,
  },
})

/** Crown next summer, and the date on which it is treated again. */
export const lasting = (liveCrown: number, again: number): PromisedCheck[] => [
  // Where it is due again within the year, the look before it is the look.
  ...(again > YEAR * 1.25
    ? [
        {
          afterYears: 1,
          ...crown(
            liveCrown,
            15,
            'Live crown next summer',
            'What share of the crown is alive, in steps of 5 %?',
          ),
        },
      ]
    : []),
  {
    ...(again % YEAR === 0 ? { afterYears: again / YEAR } : { afterDays: again }),
    ...crown(
      liveCrown,
      20,
      `Treat again, ${again % YEAR === 0 ? years(again / YEAR) : `${again} days`} on`,
      'What share of the crown is alive before treating again, in steps of 5 %?',
      { treats: true },
    ),
  },
]

/** Something that is counted afterwards. */
export const count = (
  afterDays: number,
  what: string,
  question: string,
  expected: number,
  tolerated: number,
): PromisedCheck => ({
  afterDays,
  what,
  expectation: {
    kind: 'count',
    question,
    unit: 'counted',
    sense: 'at-most',
    expected,
    tolerated,
    least: 0,
    most: 10_000,
  },
})

/** So long a systemic takes from soil or bark into the leaves; sooner nothing can be expected of it. Source: handbook, how it is taken up. */
export const takenUp = (afterDays: number, said: string): PromisedCheck => ({
  afterDays,
  what: `How it stands, ${said} on`,
  expectation: {
    kind: 'look',
    question:
      'It has had the time to rise into the leaves. How does the tree stand beside the day of the treatment?',
    againDays: 30,
  },
})
