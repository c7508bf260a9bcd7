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
    'In water at 120 to 122 °F for 20 to 30 minutes for seed and fresh eating, then cooled at once; at 140 °F for half an hour only what is dried or thrown away.',
  ],
  'clear and bait': [
    'Clear',
    'Clear the ground under the crown; bait where pets and birds cannot reach it, by its own label.',
  ],
} as const
type Work = keyof typeof WORK

/** What is counted after each work, then and in a week: what lives on the leaves, what lies on the ground, what is left in the nut. */
const COUNTED = {
  leaves: {
    label: 'Still alive on ten leaves or twigs',
    text: 'Ten leaves or twigs of different parts: how many are still alive.',
    what: 'Live ones on ten leaves or twigs, in a week',
    question: 'How many are alive on ten leaves or twigs of different parts?',
  },
  ground: {
    label: 'Left lying or hanging dry',
    text: 'Go once round under the crown and look up: how many fruits or nuts are left.',
    what: 'Fruit and nuts under the crown, in a week',
    question: 'How many fruits or nuts lie under the crown or hang dry in it?',
  },
  nuts: {
    label: 'Live larvae in twenty nuts',
    text: 'Cut twenty nuts of the batch open: how many larvae still move.',
    what: 'Live larvae in the store, in a week',
    question: 'How many live larvae or fresh holes are there in twenty nuts of the batch?',
  },
} as const

const counted = (work: unknown) =>
  COUNTED[
    work === 'gather fallen fruit' || work === 'clear and bait'
      ? 'ground'
      : work === 'heat the nuts'
        ? 'nuts'
        : 'leaves'
  ]

/** What two hands do against pests, without anything that is put on by a label. Source: handbook, physical. */
export const hands: HandMethod = {
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
          note: { name: 'left', label: counted(given['work']).label, kind: 'count', most: 10_000 },
        },
      ],
      working: [],
    }),
  say(task, { shape }) {
    const [name, text] = WORK[shape['work'] as Work]
    return task === 'do' ? { name, text } : { name: 'Count', text: counted(shape['work']).text }
  },
  inOneLine: ({ shape }) => String(shape['work']),
  repeats: (terms) => ({
    least: 1,
    most: Number(terms['days']),
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: (_, shape) => [
    {
      afterDays: 7,
      what: counted(shape?.['work']).what,
      expectation: {
        kind: 'count',
        question: counted(shape?.['work']).question,
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
