/** @jest-environment jsdom */
import { createElement as h } from 'react'
import { formsHold } from '@/ui/fields/form.testing'
import { BeginWork } from './[job]/BeginWork'
import { ConfirmTree } from './[job]/ConfirmTree'
import { HandBack } from './[job]/HandBack'
import type { JobItem, JobTree } from './[job]/job'
import { MoveDay } from './[job]/MoveDay'
import { ReleaseLine } from './[job]/ReleaseLine'
import { DueAgainLines } from './DueAgainLines'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))

const tree = (id: string) =>
  ({
    id,
    tag: `Ash ${id}`,
    kind: 'Green ash',
    treeNote: null,
    marks: [],
    holes: [],
    steps: [],
    plan: { method: 'soil-drench', shape: {} },
  }) as unknown as JobTree
const [one, two] = [tree('1'), tree('2')]
/** Both come out of one tank with a second product. */
const withIt = (t: JobTree) => [t.id, `${t.id} beside`]
const item = {
  method: 'soil-drench',
  looks: ['leaf'],
  product: { name: 'Hollow Creek 2F' },
  use: {
    protectiveGear: ['gloves', 'eye protection'],
    neverInBloom: true,
    waterCaution: 'Keep it from water.',
    beeCaution: 'Not in bloom.',
  },
} as unknown as JobItem
const gear = { gloves: true, 'eye protection': true } as const
const BLOOM = 'Looked: nothing is in open bloom on the trees or beneath them'
const nothing = () => {}

const due = {
  id: 'o-1',
  siteName: 'Orchard',
  cardName: 'Captan 4',
  n: 2,
  times: 4,
  after: null,
  method: 'crown-spray',
  cause: 'Apple scab',
  tags: ['Ash 1'],
  onlyIf: null,
  endsOn: null,
  trees: 8,
  blocks: [],
  dueFrom: '2026-06-20',
  dueTo: '2026-06-24',
  renewal: null,
} as never

formsHold([
  {
    name: 'one tree is handed back',
    draw: () => h(HandBack, { tree: one, rest: [one, two], withIt, onBack: nothing }),
    verb: 'hand-back',
    type: { Why: 'the gate is locked' },
    press: 'Hand Ash 1 back',
    sends: { jobSubjectIds: ['1', '1 beside'], words: 'the gate is locked' },
    beside: { words: 'Why' },
    atForm: ['jobSubjectIds'],
  },
  {
    name: 'all that are not begun are handed back',
    draw: () => h(HandBack, { tree: one, rest: [one, two], withIt, onBack: nothing }),
    verb: 'hand-back',
    type: { Why: 'rain' },
    press: 'All 2 that are not begun',
    sends: { jobSubjectIds: ['1', '1 beside', '2', '2 beside'], words: 'rain' },
    beside: { words: 'Why' },
  },
  {
    name: 'work is moved to another day',
    draw: () => h(MoveDay, { today: '2026-06-15', tree: one, rest: [one, two], withIt, onMoved: nothing }),
    verb: 'move-day',
    type: { Day: '2026-06-18', Why: 'rain until evening' },
    press: 'Move Ash 1',
    sends: { jobSubjectIds: ['1', '1 beside'], onDate: '2026-06-18', why: 'rain until evening' },
    beside: { onDate: 'Day', why: 'Why' },
    atForm: ['jobSubjectIds', 'siteId'],
  },
  {
    name: 'a tree is confirmed by its tag, with the gear on',
    draw: () =>
      h(ConfirmTree, { tree: one, trees: [one], item, soil: null, units: 'us', onConfirmed: nothing }),
    verb: 'confirm-tree',
    type: { 'Read the tag on the tree': 'ash 1', ...gear, [BLOOM]: true, out: true },
    press: 'This is the tree, begin',
    sends: {
      jobSubjectId: '1',
      tag: 'ash 1',
      gear: true,
      noBloom: true,
      otherDay: false,
      seen: { leaf: 'out' },
    },
    beside: { tag: 'Read the tag on the tree' },
    atForm: ['gear', 'noBloom', 'otherDay', 'anew'],
  },
  {
    name: 'with a glove missing the gear is not on',
    draw: () =>
      h(ConfirmTree, { tree: one, trees: [one], item, soil: null, units: 'us', onConfirmed: nothing }),
    verb: 'confirm-tree',
    type: { 'Read the tag on the tree': 'ash 1', gloves: true },
    press: 'This is the tree, begin',
    sends: { gear: false, noBloom: false, otherDay: false, seen: {} },
    atForm: ['gear'],
  },
  {
    name: 'work is begun at all trees at once',
    draw: () =>
      h(BeginWork, {
        items: [item],
        trees: [one, two],
        ids: ['1', '1 beside', '2', '2 beside'],
        soil: 'moist',
        onBegun: nothing,
      }),
    verb: 'begin-work',
    type: { ...gear, [BLOOM]: true },
    press: 'Gear is on, begin',
    sends: {
      jobSubjectIds: ['1', '1 beside', '2', '2 beside'],
      gear: true,
      noBloom: true,
      otherDay: false,
      seen: {},
    },
    atForm: ['gear', 'noBloom', 'weather', 'seen.leaf'],
    answer: { closed: [] },
  },
  {
    name: 'a line is released by what was found',
    draw: () => h(ReleaseLine, { tree: one, onlyIf: 'eggs are found', onReleased: nothing }),
    verb: 'release-line',
    type: { 'What was found': 'eggs on three leaves' },
    press: 'It was found: release it',
    sends: { jobSubjectIds: ['1'], found: 'eggs on three leaves' },
    beside: { found: 'What was found' },
    atForm: ['jobSubjectIds'],
  },
  {
    name: 'what is due again is put on a day',
    draw: () => h(DueAgainLines, { due: [due], today: '2026-06-15' }),
    verb: 'put-on-day',
    type: { Day: '2026-06-22' },
    press: 'Put on this day',
    sends: { occurrenceId: 'o-1', onDate: '2026-06-22' },
    atForm: ['onDate', 'occurrenceId'],
    answer: { jobId: 'j-1' },
  },
  {
    name: 'what is due again is ended with the reason',
    draw: () => h(DueAgainLines, { due: [due], today: '2026-06-15' }),
    verb: 'end-repeats',
    type: { Why: 'no spot on young leaves' },
    press: 'End it',
    sends: { occurrenceId: 'o-1', words: 'no spot on young leaves' },
    atForm: ['words'],
  },
])
