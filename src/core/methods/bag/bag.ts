import { inAll } from '../inAll'
import { counted } from '../../text/counted'
import { ok } from '../../problem'
import type { HandMethod } from '../byHand'

/** Thinning and tying one bag. House figure. */
const MINUTES_A_FRUIT = 0.6

/** A bag round each fruit from a thumb’s width on. Source: handbook, what a work is called by what it does. */
export const bag: HandMethod = {
  terms: [
    { name: 'bag', label: 'Bags', kind: 'words', hint: 'waxed paper, 6 in by 8 in' },
    { name: 'off', label: 'Off before picking, days', kind: 'count', least: 0, most: 60 },
  ],
  asks: [{ name: 'fruits', label: 'Fruits to bag', kind: 'count', least: 1, most: 5000 }],
  kit: 'bags, ties, snips, ladder',
  brought: (shapes) => counted(inAll(shapes, 'fruits'), 'bag'),
  plan: ({ given }) => {
    const fruits = Number(given['fruits'])
    return ok({
      minutes: fruits * MINUTES_A_FRUIT,
      water: null,
      shape: { fruits },
      steps: [
        { task: 'thin', times: 1 },
        { task: 'bags', times: fruits },
      ],
      working: [
        {
          label: 'Time',
          expression: `${fruits} × ${MINUTES_A_FRUIT} min`,
          result: `${Math.round(fruits * MINUTES_A_FRUIT)} min`,
          source: 'house rule',
        },
      ],
    })
  },
  say: (task, { terms, shape }) =>
    task === 'thin'
      ? {
          name: 'Thin',
          text: 'One fruit to a cluster, a hand between two; what is stung already goes into the bucket and away.',
        }
      : {
          name: 'Bags',
          one: 'bag',
          text: `${String(shape['fruits'])} in all: ${String(terms['bag'])}, closed round the stalk so that nothing walks in. Off again ${Number(terms['off']) === 0 ? 'at picking' : `${String(terms['off'])} days before picking, for colour`}.`,
        },
  inOneLine: ({ shape }) => `${String(shape['fruits'])} fruits bagged`,
  repeats: () => ({
    least: 200,
    most: 430,
    mostTimes: 12,
    yearly: { from: '05-15', to: '06-30', called: 'year, when the fruit is a thumb wide' },
  }),
  checks: () => [
    {
      afterDays: 45,
      what: 'Fruits hit in their bags',
      expectation: {
        kind: 'count',
        question: 'Of twenty bags that are opened, how many fruits are stung or bored?',
        unit: 'of twenty',
        sense: 'at-most',
        expected: 1,
        tolerated: 4,
        least: 0,
        most: 20,
      },
    },
  ],
}
