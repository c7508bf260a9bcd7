import { inAll } from '../inAll'
import { counted } from '../../text/counted'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'
import { count } from '../promised'
import { GROWING_SEASON } from '../growingSeason'

/** A sticky band over a wrap, never on bare bark, renewed by date. Source: handbook, barriers. */
export const band: HandMethod = {
  terms: [
    { name: 'overlap', label: 'Overlap', kind: 'length', hint: '2 in' },
    { name: 'height', label: 'Above the ground', kind: 'length', hint: '40 in' },
    { name: 'renew', label: 'Renewed after, days', kind: 'count', least: 14, most: 180 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 12 },
  ],
  asks: [],
  kit: 'wrap, sticky band, ties, knife',
  brought: (shapes, units) =>
    `${counted(inAll(shapes, 'stems'), 'band')}, ${shown(inAll(shapes, 'length'), 'ft', units)}`,
  plan({ tree, terms, units }) {
    const girths = tree.stems.map((s) => s.girth ?? (s.diameter ?? 0) * Math.PI)
    const length = girths.reduce((sum, g) => sum + g + Number(terms['overlap']), 0)
    return ok({
      minutes: 8 * girths.length,
      water: null,
      shape: { length, stems: girths.length, height: Number(terms['height']) },
      steps: [
        {
          task: 'wrap',
          times: girths.length,
          note: {
            name: 'caught',
            label: 'Birds, bats, squirrels and useful insects on the band before it; 0 where there was none',
            kind: 'count',
            most: 10_000,
          },
        },
        { task: 'band', times: girths.length },
        { task: 'bridges', times: 1 },
      ],
      working: [
        {
          label: 'Band',
          expression: girths
            .map((g) => `${shown(g, 'in', units)} + ${shown(Number(terms['overlap']), 'in', units)}`)
            .join(' + '),
          result: shown(length, 'in', units),
          source: 'reading',
        },
      ],
    })
  },
  say(task, { shape, terms, units }) {
    switch (task) {
      case 'wrap':
        return {
          name: 'Wrap',
          one: 'stem',
          text: `Pad the furrows and lay the wrap tight at ${shown(Number(shape['height']), 'in', units)}: nothing may pass beneath it. Nothing sticky touches the bark.`,
        }
      case 'band':
        return {
          name: 'Band',
          one: 'stem',
          text: `${shown(Number(shape['length']), 'in', units)} of band in all, ${shown(Number(terms['overlap']), 'in', units)} over itself, on the wrap.`,
        }
      default:
        return {
          name: 'Bridges',
          text: 'Cut what touches a wall, a stake or another crown: ants take any bridge.',
        }
    }
  },
  inOneLine: ({ shape, units }) => `${shown(Number(shape['length']), 'in', units)} of band over a wrap`,
  repeats: (terms) => ({
    least: 14,
    most: Number(terms['renew']),
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: () => [
    count(
      7,
      'What else the band caught',
      'How many birds, bats, squirrels and useful insects are on the band? Free what lives; more than two, and it comes off or gets mesh.',
      0,
      2,
    ),
    {
      afterDays: 21,
      what: 'The band clogged or bridged',
      expectation: {
        kind: 'share',
        question: 'What share of the band is clogged with leaves or insects, or bridged?',
        unit: '%',
        sense: 'at-most',
        expected: 20,
        tolerated: 60,
        least: 0,
        most: 100,
      },
    },
  ],
}
