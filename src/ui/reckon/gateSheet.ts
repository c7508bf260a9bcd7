import { METHODS, METHOD_NAME } from '@/core/methods/names'
import { CAUSES } from '@/almanac/causes'
import { HOSTS } from '@/almanac/hosts'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import type { Line, Sheet } from './sheet'

const METHOD_OPTIONS = METHODS.map((m) => [m, METHOD_NAME[m]] as const)

/** One of a few words; where nothing stands there at first, it may be left unsaid. */
const choice = (path: string, label: string, options: NonNullable<Line['options']>, start = ''): Line => ({
  path,
  label,
  kind: 'choice',
  options: start === '' ? [['', 'not said'], ...options] : options,
  start,
})
const said = (words: readonly string[]) => words.map((w) => [w, w] as const)

/** Several actives are typed in one line. */
const activesIn = (typed: unknown) =>
  typeof typed === 'string'
    ? typed
        .split(/[,;]/)
        .map((a) => a.trim())
        .filter((a) => a !== '')
    : undefined

/** May work go on at a tree on a day, with the kinds of tree and the causes a firm has added. */
export const gateSheet = (own: readonly OwnEntry[]): Sheet => {
  const causes = [
    ...CAUSES.map((c) => [c.id, c.name] as const),
    ...own.flatMap((e) => (e.kind === 'cause' ? [[e.id, e.name] as const] : [])),
  ].sort((a, b) => (a[1] < b[1] ? -1 : 1))
  return {
    name: 'gate',
    title: 'May it go on?',
    question: 'May this work go on at this tree on this day?',
    lines: [
      { path: 'date', label: 'On', kind: 'date', start: '2026-06-12' },
      choice(
        'host',
        'Tree',
        [...HOSTS, ...hostsOf(own)].map((h) => [h.id, h.name] as const),
        'ash',
      ),
      choice('cause', 'Against', causes, 'emerald-ash-borer'),
      choice('method', 'By', METHOD_OPTIONS, 'trunk-injection'),
      {
        path: 'actives',
        label: 'Actives',
        kind: 'text',
        start: 'emamectin benzoate',
        help: 'several with commas',
      },
      choice(
        'facts.leaf',
        'Leaves',
        [['', 'not said'], ...said(['none', 'swelling', 'out', 'falling'])],
        'out',
      ),
      choice('facts.bloom', 'Bloom', [
        ['before', 'still to come'],
        ['open', 'open'],
        ['over', 'over'],
      ]),
      choice(
        'facts.soil',
        'Soil',
        [['', 'not said'], ...said(['moist', 'dry', 'saturated', 'frozen'])],
        'moist',
      ),
      choice('facts.bark', 'Bark', said(['dry', 'wet'])),
      choice('facts.larvae', 'Larvae', said(['small', 'large'])),
      { path: 'facts.crownLost', label: 'Crown lost, %', kind: 'number', start: '10' },
      { path: 'facts.toWater', label: 'To water', kind: 'quantity', start: '60 ft' },
      { path: 'card.waterSetback', label: 'Card keeps from water', kind: 'quantity', start: '', unit: 'ft' },
      { path: 'card.minDays', label: 'Card’s days between', kind: 'number', start: '' },
      { path: 'card.maxApplications', label: 'Card’s most a year', kind: 'number', start: '' },
      {
        rows: 'history',
        each: 'done or planned',
        lines: [
          { path: 'date', label: 'On', kind: 'date' },
          choice('method', 'By', METHOD_OPTIONS),
          { path: 'actives', label: 'Actives', kind: 'text' },
          choice('cause', 'Against', causes),
        ],
        start: [
          {
            date: '2025-06-12',
            method: 'trunk-injection',
            actives: 'emamectin benzoate',
            cause: 'emerald-ash-borer',
          },
        ],
      },
    ],
    figures: [
      { label: 'Answer', path: 'mayGoOn' },
      { label: 'Closed by', path: 'closedBy' },
      { label: 'Still to look at', path: 'askedOf' },
      { label: 'Due again', path: 'again.days' },
    ],
    ask: (request) => ({
      ...request,
      actives: activesIn(request['actives']),
      history: ((request['history'] ?? []) as Record<string, unknown>[]).map((h) => ({
        ...h,
        actives: activesIn(h['actives']),
      })),
    }),
    // One line holds all actives of a product.
    lineOf: (field) => field.replace(/(actives)\[\d+\]$/, '$1'),
  }
}

/** The sheet of the almanac as it is printed. */
export const GATE_SHEET = gateSheet([])
