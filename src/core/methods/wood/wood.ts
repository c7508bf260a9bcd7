import { ok } from '../../problem'
import type { HandMethod } from '../byHand'

/** A load. House figure. */
const MINUTES_A_LOAD = 60

const SAID: Readonly<Record<string, string>> = {
  chipped: 'Chip all of it, down to twigs; the chips stay here or go where a rule lets them.',
  debarked: 'Take the bark off every piece, and chip or burn the bark.',
  buried: 'Bury it under two feet of soil, nothing sticking out.',
  burned: 'Burn it where that is allowed, on a day it is allowed.',
  'covered and sealed':
    'Stack it flat, cover it with clear sheet, seal the edges in the soil all round, and leave it so through the next spring.',
}

/** Wood that would breed beetles or carry a wilt, made harmless: never firewood on a pile. Source: handbook, wilts in root grafts. */
export const wood: HandMethod = {
  terms: [
    { name: 'with', label: 'With', kind: 'words', hint: 'chipper, clear sheet, spades' },
    { name: 'rule', label: 'What leaves the site', kind: 'words', hint: 'nothing, without a permit' },
  ],
  asks: [
    { name: 'how', label: 'It is', kind: 'choice', options: Object.keys(SAID) },
    { name: 'loads', label: 'Loads of it', kind: 'count', least: 1, most: 60 },
  ],
  kit: 'chipper, or what the way asks for',
  whenRemoved: true,
  plan: ({ given }) => {
    const loads = Number(given['loads'])
    return ok({
      minutes: loads * MINUTES_A_LOAD,
      water: null,
      shape: { how: String(given['how']), loads },
      steps: [
        { task: 'loads', times: loads },
        { task: 'nothing', times: 1 },
      ],
      working: [
        {
          label: 'Time',
          expression: `${loads} × ${MINUTES_A_LOAD} min`,
          result: `${loads * MINUTES_A_LOAD} min`,
          source: 'house rule',
        },
      ],
    })
  },
  say: (task, { terms, shape }) =>
    task === 'loads'
      ? { name: 'Wood', one: 'load', text: SAID[String(shape['how'])] ?? '' }
      : {
          name: 'Nothing left',
          text: `Look round once more: no piece with bark on it lies about, none is stacked as firewood. Off the site goes: ${String(terms['rule'])}.`,
        },
  inOneLine: ({ shape }) =>
    `${String(shape['how'])}, ${String(shape['loads'])} ${shape['loads'] === 1 ? 'load' : 'loads'}`,
  checks: (_, shape) => [
    {
      afterDays: shape?.['how'] === 'covered and sealed' ? 60 : 7,
      what: 'Nothing of the wood left open',
      expectation: {
        kind: 'look',
        question: 'Does any of it lie open, or stand stacked with bark on?',
        againDays: 60,
      },
    },
  ],
}
