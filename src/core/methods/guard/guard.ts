import { inAll } from '../inAll'
import { counted } from '../../text/counted'
import { cutGuards, type Gnawer } from '../../barrier/guard'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'

/** Cutting a piece, setting it and its stones; a house figure. */
const MINUTES = 14

/** Guards stand before the first snow; days of the north. House figure. */
const AUTUMN = { from: '10-01', to: '11-30', called: 'autumn' }

const inch = (value: number | string | undefined, units: 'us' | 'metric') => shown(Number(value), 'in', units)

/** A mesh cylinder against teeth: rabbits stand on the snow, voles go under it. Source: handbook, guards. */
export const guard: HandMethod = {
  terms: [
    { name: 'mesh', label: 'Mesh', kind: 'words', hint: 'welded wire, 1/4 in' },
    { name: 'clearance', label: 'Off the bark', kind: 'length', hint: '1 1/2 in' },
    { name: 'overlap', label: 'Overlap', kind: 'length', hint: '1 1/2 in' },
    { name: 'bury', label: 'Into the soil', kind: 'length', hint: '3 in' },
    { name: 'margin', label: 'Above the snow, against voles', kind: 'length', hint: '6 in' },
    { name: 'checkDays', label: 'Off or checked after, days', kind: 'count', least: 30, most: 400 },
  ],
  asks: [
    { name: 'animal', label: 'Against', kind: 'choice', options: ['vole', 'rabbit'] },
    { name: 'snow', label: 'Snow that lies here', kind: 'length', hint: '12 in' },
  ],
  kit: 'mesh, snips, gloves, ties, stones, spade',
  brought: (shapes, units) =>
    `${counted(shapes.length, 'piece')}, ${shown(inAll(shapes, 'length'), 'ft', units)} of mesh`,
  plan({ tree, terms, given, units }) {
    const cut = cutGuards({
      trees: [tree.diameter],
      clearance: Number(terms['clearance']),
      overlap: Number(terms['overlap']),
      animal: given['animal'] as Gnawer,
      snow: Number(given['snow']),
      snowMargin: Number(terms['margin']),
      bury: Number(terms['bury']),
      units,
    })
    if (!cut.ok) return cut
    const piece = cut.value.cuts[0]!
    return ok({
      minutes: MINUTES,
      water: null,
      shape: {
        length: piece.length,
        height: piece.height,
        bury: Number(terms['bury']),
        animal: String(given['animal']),
      },
      steps: [
        { task: 'cut', times: 1 },
        { task: 'set', times: 1 },
        { task: 'stones', times: 1 },
      ],
      working: cut.value.working,
    })
  },
  say(task, { terms, shape, units }) {
    switch (task) {
      case 'cut':
        return {
          name: 'Cut',
          text: `${String(terms['mesh'])}: ${inch(shape['length'], units)} long, ${inch(shape['height'], units)} high.`,
        }
      case 'set':
        return {
          name: 'Set',
          photo: 'the guard as it stands, down to the soil',
          text: `Round the trunk, ${inch(terms['clearance'], units)} off the bark all round, ${inch(terms['overlap'], units)} over itself, ${inch(shape['bury'], units)} into the soil. Tie it so that the trunk can grow.`,
        }
      default:
        return {
          name: 'Stones',
          text: 'Stones or gravel round the foot, grass away a hand wide: nothing tunnels in unseen.',
        }
    }
  },
  inOneLine: ({ shape, units }) =>
    `mesh ${inch(shape['length'], units)} by ${inch(shape['height'], units)}, against ${String(shape['animal'])}s`,
  // Off in spring, so that bark can harden; on again each autumn.
  repeats: () => ({ least: 300, most: 430, mostTimes: 12, yearly: AUTUMN }),
  checks: (terms) => [
    {
      afterDays: Number(terms['checkDays']),
      what: 'Guard off or checked',
      expectation: {
        kind: 'side-effect',
        question: 'What share of the girth is pressed or gnawed under the guard?',
        unit: '%',
        sense: 'at-most',
        expected: 0,
        tolerated: 5,
        least: 0,
        most: 100,
      },
    },
  ],
}
