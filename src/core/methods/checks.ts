import type { PromisedCheck } from './facts'
import type { Method, PutOnMethod } from '../card/card'
import { dueAgain } from '../history/dueAgain'
import { handMethod, isHand } from './hand'
import { handTerms } from './handTerms'
import type { Values } from './lines'
import type { Measured } from '../respond/compare'
import type { SubjectPlan, UseOf } from './plan'

const YEAR = 365
const years = (n: number) => `${n} ${n === 1 ? 'year' : 'years'}`

const allBack: PromisedCheck = {
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

const harm = (what: string, question: string, afterDays: number): PromisedCheck => ({
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
const lasting = (liveCrown: number, again: number): PromisedCheck[] => [
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

const count = (
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
const takenUp = (afterDays: number, said: string): PromisedCheck => ({
  afterDays,
  what: `How it stands, ${said} on`,
  expectation: {
    kind: 'look',
    question:
      'It has had the time to rise into the leaves. How does the tree stand beside the day of the treatment?',
    againDays: 30,
  },
})

const CHECKS: { [M in PutOnMethod]: (use: UseOf<M>, liveCrown: number, again: number) => PromisedCheck[] } = {
  'trunk-injection': (_, live, again) => [
    allBack,
    harm('Leaf scorch after the injection', 'What share of the leaves shows new brown margins?', 14),
    ...lasting(live, again),
  ],
  'soil-drench': (_, live, again) => [takenUp(60, 'two months'), ...lasting(live, again)],
  'soil-injection': (_, live, again) => [takenUp(60, 'two months'), ...lasting(live, again)],
  'bark-spray': (_, live, again) => [takenUp(21, 'three weeks'), ...lasting(live, again)],
  'crown-spray': (use) =>
    use.terms.kind === 'contact' || use.terms.kind === 'biological'
      ? [
          // What is eaten kills in days; what wets kills at once.
          use.terms.kind === 'biological'
            ? count(
                3,
                'Live ones on ten leaves, after three days',
                'How many are alive and feeding on ten leaves of different parts?',
                10,
                30,
              )
            : count(
                1,
                'Live ones on ten leaves, next day',
                'How many are alive on ten leaves of different parts?',
                5,
                20,
              ),
          count(
            7,
            'Live ones on ten leaves, in a week',
            'How many are alive on ten leaves of different parts?',
            5,
            20,
          ),
          harm('Burn after the spray', 'What share of the leaves is burnt or speckled?', 7),
        ]
      : use.terms.kind === 'bactericide'
        ? [count(14, 'Strikes, two weeks on', 'How many struck shoots are there?', 0, 5)]
        : [
            {
              afterDays: 14,
              what: 'New spots on young leaves',
              expectation: {
                kind: 'share',
                question: 'What share of the youngest leaves shows new spots?',
                unit: '%',
                sense: 'at-most',
                expected: 5,
                tolerated: 15,
                least: 0,
                most: 100,
              },
            },
          ],
  feed: () => [
    {
      afterYears: 1,
      what: 'New growth after the feed',
      expectation: {
        kind: 'came-out',
        question: 'How many of ten shoots have grown at least as long as the year before?',
        unit: 'of ten shoots',
        sense: 'at-least',
        expected: 7,
        tolerated: 4,
        least: 0,
        most: 10,
      },
    },
  ],
}

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
  return (CHECKS[use.method] as (use: never, live: number, again: number) => PromisedCheck[])(
    use as never,
    liveCrown,
    again ?? YEAR,
  )
}
