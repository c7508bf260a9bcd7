import { ok } from '../../problem'
import type { HandMethod } from '../byHand'
import { GROWING_SEASON } from '../growingSeason'

const WORK = {
  'water jet': [
    'Jet',
    'A firm jet up under the leaves and along the twigs, from all sides; early, so that leaves dry.',
  ],
  'brush with soapy water': ['Brush', 'A soft brush and plain soapy water over bark and twigs, then rinse.'],
  'wipe leaves': ['Wipe', 'Both faces of every leaf with a cloth and plain water.'],
  'pick them off': ['Pick', 'Into soapy water; look on the under side of the leaves and in the forks.'],
  vacuum: ['Vacuum', 'In the cool of the morning while they sit still; empty it into soapy water.'],
  'scrape egg masses': ['Scrape', 'Egg masses off into a bag or soapy water, none dropped on the ground.'],
  'break the nest': ['Break', 'In the evening when they are at home; out of reach of the crown, then away.'],
  'gather fallen fruit': [
    'Gather',
    'Everything that lies and everything that hangs on dry, daily; none left over night.',
  ],
  'heat the nuts': [
    'Heat',
    'At 140 °F for 30 minutes through to the middle, before they are stored; those to be planted are not heated.',
  ],
  'clear and bait': [
    'Clear',
    'Clear the ground under the crown; bait where pets and birds cannot reach it, by its own label.',
  ],
} as const
type Work = keyof typeof WORK

/** What two hands do against pests, without anything that is put on by a label. Source: handbook, physical. */
export const hands: HandMethod = {
  name: 'By hand',
  terms: [
    { name: 'days', label: 'Again after, days', kind: 'count', least: 1, most: 60 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 60 },
    { name: 'water', label: 'Rinsed with', kind: 'words', hint: 'plain water' },
  ],
  asks: [{ name: 'work', label: 'What is done', kind: 'choice', options: Object.keys(WORK) }],
  kit: 'hose, brush, bucket, plain soap, cloths, bags',
  plan: ({ tree, given }) =>
    ok({
      minutes: 10 + 40 * tree.diameter,
      water: null,
      shape: { work: String(given['work']) },
      steps: [
        { task: 'do', times: 1 },
        {
          task: 'count',
          times: 1,
          note: { name: 'left', label: 'Still alive on ten leaves or twigs', kind: 'count', most: 10_000 },
        },
      ],
      working: [],
    }),
  say(task, { shape }) {
    const [name, text] = WORK[shape['work'] as Work]
    return task === 'do'
      ? { name, text }
      : { name: 'Count', text: 'Ten leaves or twigs of different parts: how many are still alive.' }
  },
  inOneLine: ({ shape }) => String(shape['work']),
  repeats: (terms) => ({
    least: 1,
    most: Number(terms['days']),
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: () => [
    {
      afterDays: 7,
      what: 'Live ones on ten leaves or twigs, in a week',
      expectation: {
        kind: 'count',
        question: 'How many are alive on ten leaves or twigs of different parts?',
        unit: 'counted',
        sense: 'at-most',
        expected: 5,
        tolerated: 20,
        least: 0,
        most: 10_000,
      },
    },
  ],
}
