import { radialTrenches } from '../../rootzone/trenches'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'
import { groundHours } from '../hourReasons'

/** A foot of trench dug by air and filled again; a house figure. */
const MINUTES_PER_M = 1.5 / 0.3048

/** Spokes of loosened soil from near the trunk out, filled with compost, mulch over all. Source: handbook, soil work. */
export const trenches: HandMethod = {
  opens: 'soil',
  hours: (_, hours) => groundHours(hours),
  answers: ['soil-hard'],
  terms: [
    { name: 'spokes', label: 'Spokes', kind: 'count', least: 3, most: 36 },
    { name: 'width', label: 'Wide', kind: 'length', hint: '4 in' },
    { name: 'depth', label: 'Deep', kind: 'length', hint: '10 in' },
    { name: 'mulch', label: 'Mulch over all', kind: 'length', hint: '3 in' },
    { name: 'fill', label: 'Filled with', kind: 'words', hint: 'compost and the loosened soil' },
  ],
  asks: [
    { name: 'start', label: 'Begin, out from the middle of the trunk', kind: 'reach', hint: '4 ft' },
    { name: 'end', label: 'End, at the drip line', kind: 'reach', hint: '14 ft' },
  ],
  kit: 'air tool or spade, compost, mulch, rake, paint to mark',
  plan({ tree, terms, given, units }) {
    const [start, end, mulch] = [Number(given['start']), Number(given['end']), Number(terms['mulch'])]
    const dug = radialTrenches({
      spokes: Number(terms['spokes']),
      start,
      end,
      width: Number(terms['width']),
      depth: Number(terms['depth']),
      rootZoneRadius: end,
      units,
    })
    if (!dug.ok) return dug
    const { trenchLength, backfill, openedPercent, working } = dug.value
    // Off the bark by a hand.
    const bed = Math.PI * (end ** 2 - (tree.diameter / 2 + 0.1) ** 2) * mulch
    return ok({
      minutes: 15 + trenchLength * MINUTES_PER_M,
      water: null,
      shape: { start, end, spokes: Number(terms['spokes']), backfill, openedPercent, bed, mulch },
      steps: [
        { task: 'mark', times: 1 },
        { task: 'dig', times: Number(terms['spokes']) },
        { task: 'fill', times: 1 },
        { task: 'mulch', times: 1 },
      ],
      working: [
        ...working,
        {
          label: 'Mulch',
          expression: `3.1416 × ((${shown(end, 'ft', units)})² − (${shown(tree.diameter / 2 + 0.1, 'ft', units)})²) × ${shown(mulch, 'in', units)}`,
          result: shown(bed, 'ft3', units, 1),
        },
      ],
    })
  },
  say(task, { terms, shape, units }) {
    const ft = (name: string) => shown(Number(shape[name]), 'ft', units, 1)
    switch (task) {
      case 'mark':
        return {
          name: 'Mark',
          text: `${String(shape['spokes'])} spokes from ${ft('start')} to ${ft('end')} out, between the anchor roots: find those first and go round them. Ask for pipes and cables.`,
        }
      case 'dig':
        return {
          name: 'Dig',
          photo: 'an open spoke with the tape in it',
          one: 'spoke',
          text: `${shown(Number(terms['width']), 'in', units)} wide, ${shown(Number(terms['depth']), 'in', units)} deep. Roots thicker than a thumb stay whole.`,
        }
      case 'fill':
        return {
          name: 'Fill',
          text: `${shown(Number(shape['backfill']), 'ft3', units, 1)} of ${String(terms['fill'])}, loose, level with the ground.`,
        }
      default:
        return {
          name: 'Mulch',
          text: `${shown(Number(shape['bed']), 'ft3', units, 0)} of mulch, ${shown(Number(shape['mulch']), 'in', units)} deep out to ${ft('end')}, a hand off the bark. Grass and shrubs under it come away first.`,
        }
    }
  },
  inOneLine: ({ shape, units }) =>
    `${String(shape['spokes'])} spokes out to ${shown(Number(shape['end']), 'ft', units, 0)}, ${shown(Number(shape['backfill']), 'ft3', units, 1)} of fill`,
  checks: () => [
    {
      afterYears: 1,
      what: 'Shoots after the soil was opened',
      expectation: {
        kind: 'came-out',
        question: 'How many of ten shoots have grown at least as long as the year before?',
        unit: 'of ten shoots',
        sense: 'at-least',
        expected: 6,
        tolerated: 3,
        least: 0,
        most: 10,
      },
    },
  ],
}
