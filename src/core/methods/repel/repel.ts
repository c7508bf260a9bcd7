import { inAll } from '../inAll'
import { counted } from '../../text/counted'
import { ok } from '../../problem'
import type { HandMethod } from '../byHand'

/** What is sprayed goes on again after every rain, unless its card says how much it bears. House figure. */
export const BEARS_RAIN = '0.1 in'

/** Hung or sprayed against browsing, before hunger; again after rain where it washes off. Source: handbook, guards. */
export const repel: HandMethod = {
  terms: [
    { name: 'with', label: 'With', kind: 'words', hint: 'scented soap, one a tree' },
    { name: 'how', label: 'It is', kind: 'choice', options: ['hung', 'sprayed'] },
    { name: 'days', label: 'Renewed after, days', kind: 'count', least: 3, most: 120 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 40 },
    { name: 'washOff', label: 'Sprayed: gone after rain of', kind: 'length', hint: '0.1 in', optional: true },
  ],
  asks: [{ name: 'pieces', label: 'Pieces for this tree', kind: 'count', least: 1, most: 20 }],
  kit: 'what repels, string or sprayer',
  brought: (shapes) => counted(inAll(shapes, 'pieces'), 'piece'),
  plan: ({ terms, given }) =>
    ok({
      minutes: 3 + 2 * Number(given['pieces']),
      water: null,
      shape: { pieces: Number(given['pieces']), how: String(terms['how']) },
      steps: [{ task: 'put', times: Number(given['pieces']) }],
      working: [],
    }),
  say: (_, { terms, shape, times }) => ({
    name: shape['how'] === 'hung' ? 'Hang' : 'Spray',
    one: shape['how'] === 'hung' ? 'piece' : 'round',
    text:
      shape['how'] === 'hung'
        ? `${String(terms['with'])}: ${times} at browsing height, on the outer twigs.`
        : `${String(terms['with'])}: shoots and buds wet as high as they reach, dry before night. Again after every rain.`,
  }),
  inOneLine: ({ shape }) => `${String(shape['how'])}, ${String(shape['pieces'])} for this tree`,
  repeats: (terms) => ({
    least: Math.min(3, Number(terms['days'])),
    most: Number(terms['days']),
    mostTimes: Number(terms['times']),
  }),
  checks: () => [
    {
      afterDays: 14,
      what: 'Shoots browsed since',
      expectation: {
        kind: 'count',
        question: 'How many of twenty shoots were browsed since?',
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
