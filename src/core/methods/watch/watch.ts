import { ok } from '../../problem'
import { plain } from '../../quantity/format'
import type { HandMethod } from '../byHand'
import { GROWING_SEASON } from '../growingSeason'

/** Nothing is done but to count, on the same sample each time, against a number that changes the plan. Source: handbook, watch only. */
export const watch: HandMethod = {
  anyCause: true,
  terms: [
    {
      name: 'sample',
      label: 'Counted on',
      kind: 'words',
      hint: 'ten leaves from different parts of the crown',
    },
    { name: 'days', label: 'Again after, days', kind: 'count', least: 1, most: 400 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 40 },
  ],
  asks: [
    { name: 'what', label: 'What is counted', kind: 'words', hint: 'live scales' },
    { name: 'threshold', label: 'Too many is more than', kind: 'count', most: 100_000 },
  ],
  kit: 'lens, count sheet, tape or trap if it is one',
  plan: ({ terms, given }) =>
    ok({
      minutes: 6,
      water: null,
      shape: {
        what: String(given['what']),
        threshold: Number(given['threshold']),
        sample: String(terms['sample']),
      },
      steps: [
        {
          task: 'count',
          times: 1,
          note: { name: 'count', label: 'Counted', kind: 'count', most: 100_000 },
        },
      ],
      working: [],
    }),
  say: (_task, { shape }) => ({
    name: 'Count',
    text: `Count ${String(shape['what'])} on ${String(shape['sample'])}, the same way as last time. More than ${plain(Number(shape['threshold']), 0)} goes back to the arborist.`,
  }),
  inOneLine: ({ shape }) => `${String(shape['what'])}, at most ${plain(Number(shape['threshold']), 0)}`,
  repeats: (terms) => ({
    least: Number(terms['days']),
    most: Number(terms['days']) + 3,
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: () => [
    {
      afterDays: 60,
      what: 'Whether watching is still enough',
      expectation: { kind: 'look', question: 'How does it stand, beside the counts?', againDays: 60 },
    },
  ],
  leads: (noted, shape) =>
    Number(noted['count']) > Number(shape['threshold'])
      ? `${noted['count']} counted of ${String(shape['what'])}, more than ${plain(Number(shape['threshold']), 0)}: watching is not enough.`
      : null,
}
