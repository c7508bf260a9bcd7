/** @jest-environment jsdom */
import { createElement as h } from 'react'
import { formsHold } from '@/ui/fields/form.testing'
import { Decide } from './[id]/decide/Decide'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))
jest.mock('@/ui/pieces/Link', () => ({ Link: 'a' }))
// Its heading is looked at elsewhere.
jest.mock('./[id]/TreeHeading', () => ({ TreeHeading: () => null }))

const view = (proposed: string) =>
  ({
    tree: { id: 't-1', tag: 'Ash 14', returned: null, liveCrownPercent: 70 },
    diagnosis: {
      id: 'd-1',
      cause: 'emerald-ash-borer',
      name: 'Emerald ash borer',
      probability: 0.93,
      signedBy: 'Maren',
      signedAt: 0,
    },
    proposal: { action: proposed, reasons: [{ text: 'It is early.', against: false }] },
    decision: null,
    matters: [],
    screen: null,
    cause: null,
    kind: null,
    today: '2026-06-15',
    timeZone: 'UTC',
  }) as never
const draw = (proposed: string) => () => h(Decide, { view: view(proposed) })

const WORDS = 'In your words, if you like'
const OTHER = 'Otherwise than proposed: write why'
const WATCHED = {
  count: 'Count, if there is something to count',
  threshold: 'Too many is more than',
  above: 'What happens above it',
} as const

formsHold([
  {
    name: 'to treat, as proposed',
    draw: draw('treat'),
    verb: 'sign-decision',
    type: { [WORDS]: 'the crown is full' },
    press: 'Sign and prescribe →',
    sends: { treeId: 't-1', diagnosisId: 'd-1', action: 'treat', words: 'the crown is full' },
    names: 'id',
    // Nothing that follows is asked for: whatever is refused is said at the form.
    atForm: ['due', 'whom', 'watch', 'action', 'words'],
  },
  {
    name: 'to watch by a count, otherwise than proposed',
    draw: draw('treat'),
    verb: 'sign-decision',
    type: {
      'WatchLook again on a date.': true,
      [WATCHED.count]: 'live mites on ten leaves',
      [WATCHED.threshold]: '12',
      [WATCHED.above]: 'soap in the evening',
      [OTHER]: 'few mites yet',
    },
    press: 'Sign the decision',
    sends: {
      action: 'watch',
      words: 'few mites yet',
      whom: null,
      watch: { count: 'live mites on ten leaves', threshold: 12, above: 'soap in the evening' },
    },
    beside: { ...WATCHED, watch: WATCHED.threshold },
    atForm: ['whom', 'action'],
  },
  {
    name: 'a threshold in letters goes as it is, to be spoken about',
    draw: draw('watch'),
    verb: 'sign-decision',
    type: { [WATCHED.count]: 'mites', [WATCHED.threshold]: 'many' },
    press: 'Sign the decision',
    sends: { action: 'watch', watch: { count: 'mites', threshold: 'many', above: null } },
    beside: { threshold: WATCHED.threshold },
  },
  {
    name: 'to send a sample',
    draw: draw('sample'),
    verb: 'sign-decision',
    type: { 'Laboratory, if it is known': 'the county laboratory' },
    press: 'Sign the decision',
    sends: { action: 'sample', whom: 'the county laboratory', watch: null },
    beside: { whom: 'Laboratory, if it is known' },
    atForm: ['count', 'threshold'],
  },
  {
    name: 'to care only',
    draw: draw('care'),
    verb: 'sign-decision',
    type: { [WORDS]: 'water it' },
    press: 'Sign and prescribe →',
    sends: { action: 'care', words: 'water it', whom: null, watch: null },
    atForm: ['whom', 'watch', 'count'],
  },
])
