import { capital } from '../../capital'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import { spokenDate } from '../../time/calendar'
import { firstAfter, isWithin, monthsOf } from '../../time/yearly'
import type { HandMethod } from '../byHand'
import { DRY_BARK_HOURS, rainIn } from '../hourReasons'

/** A cut waits for a dry day to come. House figure. */
const DRY_AFTER_HOURS = 24

/** Coming to it, and a cut with its clean tool; house figures. */
const MINUTES = 10
const MINUTES_A_CUT = 2.5

export const TAKEN_OUT = [
  'blighted shoots',
  'cankered limbs',
  'dead wood',
  'crossing wood',
  'water shoots',
  'rootstock shoots',
  'mummies and sick fruit',
  'infested twigs',
  'an old crown, in steps',
] as const

/** Where on the tree each is cut. */
const WHERE: Record<(typeof TAKEN_OUT)[number], string> = {
  'blighted shoots': 'well below where the bark is still discoloured',
  'cankered limbs': 'below the canker, in sound wood, just outside the collar of the branch',
  'dead wood': 'just outside the collar of the branch, into no living wood',
  'crossing wood': 'the weaker of two, just outside its collar',
  'water shoots': 'those that shade the middle, at their origin; leave some where sun would burn the bark',
  'rootstock shoots': 'at their origin below the graft, torn or cut flush, no stub',
  'mummies and sick fruit': 'with the spur they hang on; those on the ground as well',
  'infested twigs': 'a hand below the last that is infested',
  'an old crown, in steps': 'a third of it this year, back to a fork that still shades the bark beneath',
}

/** Taking sick or unwanted wood out: what, how far below, when, with what on the wound. Source: handbook, pruning and sanitation. */
export const prune: HandMethod = {
  opens: 'wood',
  hours: (_, hours) =>
    hours.map((_hour, i) =>
      rainIn(hours, i - DRY_BARK_HOURS, i + 1) > 0
        ? ['wet bark']
        : rainIn(hours, i + 1, i + 1 + DRY_AFTER_HOURS) > 0
          ? ['rain to come']
          : [],
    ),
  terms: [
    { name: 'below', label: 'Cut below the visible edge', kind: 'length', hint: '10 in' },
    {
      name: 'paint',
      label: 'Paint on the wound',
      kind: 'choice',
      options: ['never', 'at once'],
    },
    {
      name: 'clean',
      label: 'Tools are cleaned with',
      kind: 'words',
      hint: '70 % alcohol, between trees and before the first',
    },
    { name: 'away', label: 'Where prunings go', kind: 'words', hint: 'bagged and away the same day' },
    { name: 'closedFrom', label: 'Not cut from month', kind: 'count', least: 1, most: 12, optional: true },
    { name: 'closedTo', label: 'Not cut to month', kind: 'count', least: 1, most: 12, optional: true },
    { name: 'closedWhy', label: 'Why not then', kind: 'words', optional: true },
  ],
  asks: [
    { name: 'what', label: 'What is taken out', kind: 'choice', options: TAKEN_OUT },
    { name: 'cuts', label: 'Cuts, about', kind: 'count', least: 1, most: 500 },
  ],
  kit: 'saw, shears, what cleans them, bags',
  plan({ terms, given }) {
    const cuts = Number(given['cuts'])
    return ok({
      minutes: MINUTES + cuts * MINUTES_A_CUT,
      water: null,
      shape: { what: String(given['what']), cuts, below: Number(terms['below']) },
      steps: [
        { task: 'dry', times: 1 },
        { task: 'clean', times: 1 },
        { task: 'cut', times: cuts },
        ...(terms['paint'] === 'at once' ? [{ task: 'paint', times: 1 }] : []),
        { task: 'away', times: 1 },
      ],
      working: [
        {
          label: 'Work',
          expression: `${MINUTES} min + ${cuts} cuts × ${MINUTES_A_CUT} min`,
          result: `${Math.round(MINUTES + cuts * MINUTES_A_CUT)} min`,
          source: 'handbook',
        },
      ],
    })
  },
  say(task, { terms, shape, units }) {
    switch (task) {
      case 'dry':
        return {
          name: 'Dry',
          text: 'Dry bark and a dry day to come, or it waits: wet cuts take sickness on.',
        }
      case 'clean':
        return { name: 'Clean tools', text: `${String(terms['clean'])}.` }
      case 'cut': {
        const what = shape['what'] as (typeof TAKEN_OUT)[number]
        const below = ['blighted shoots', 'infested twigs'].includes(what)
          ? `, ${shown(Number(shape['below']), 'in', units)} below the last sign`
          : ''
        return {
          name: 'Cut',
          one: 'cut',
          photo: 'the cuts',
          text: `${capital(what)}: ${WHERE[what]}${below}.`,
        }
      }
      case 'paint':
        return { name: 'Paint', text: 'A thin coat on every fresh wound at once, before the next tree.' }
      default:
        return { name: 'Take away', text: `${capital(String(terms['away']))}.` }
    }
  },
  inOneLine: ({ shape }) =>
    `${String(shape['what'])}, about ${String(shape['cuts'])} ${Number(shape['cuts']) === 1 ? 'cut' : 'cuts'}`,
  checks: () => [
    {
      afterDays: 21,
      what: 'New strikes below the cuts',
      expectation: {
        kind: 'count',
        question: 'How many cuts show it again, or new shoots struck?',
        unit: 'counted',
        sense: 'at-most',
        expected: 0,
        tolerated: 2,
        least: 0,
        most: 1000,
      },
    },
  ],
  gate({ terms, on }) {
    const [from, to] = [Number(terms['closedFrom']), Number(terms['closedTo'])]
    if (!from || !to) return []
    const closed = monthsOf(from, to)
    if (!isWithin(closed, on)) return []
    return [
      {
        why: `This card does not cut then${terms['closedWhy'] ? `: ${String(terms['closedWhy'])}` : ''}.`,
        wayOut: `Again from ${spokenDate(firstAfter(closed, on))}.`,
      },
    ]
  },
}
