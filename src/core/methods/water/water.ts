import { watering } from '../../rootzone/watering'
import { ok, refuse } from '../../problem'
import { plain } from '../../quantity/format'
import { shown } from '../../quantity/pair'
import { fromSI } from '../../quantity/units'
import type { HandMethod } from '../byHand'
import { GROWING_SEASON } from '../growingSeason'

/** Setting a line or a bag out and taking it in; a house figure. */
const MINUTES = 12

/** A basin and its water, in a dry spell week by week; or the water stopped where the soil is wet. Source: handbook, water. */
export const water: HandMethod = {
  answers: ['soil-dry'],
  terms: [
    { name: 'perInch', label: 'Water for an inch of diameter', kind: 'volume', hint: '10 gal' },
    { name: 'days', label: 'Again after, days', kind: 'count', least: 1, most: 60 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 40 },
  ],
  asks: [
    { name: 'emitters', label: 'Emitters on the line', kind: 'count', least: 1, most: 1000, optional: true },
    { name: 'flow', label: 'Each gives an hour', kind: 'volume', hint: '1 gal', optional: true },
  ],
  kit: 'line or bags, probe, timer',
  plan({ tree, terms, given, units }) {
    const [emitters, flow] = [given['emitters'], given['flow']]
    if ((emitters === undefined) !== (flow === undefined))
      return refuse(
        'missing',
        emitters === undefined ? 'emitters' : 'flow',
        'A drip line runs as long as its emitters and what each gives say: name both, or neither where it is poured.',
      )
    const r = watering({
      diameter: tree.diameter,
      gallonsPerInch: fromSI(Number(terms['perInch']), 'gal'),
      ...(emitters !== undefined && { drip: { emitters: Number(emitters), flow: Number(flow) / 3600 } }),
      units,
    })
    if (!r.ok) return r
    const { volume, hours } = r.value
    return ok({
      minutes: MINUTES,
      water: volume,
      shape: { volume, ...(hours !== null && { hours, emitters: Number(emitters) }) },
      steps: [
        {
          task: 'probe',
          times: 1,
          note: {
            name: 'soil',
            label: 'Soil a hand deep',
            kind: 'choice',
            options: ['dry, crumbles', 'moist, holds together', 'wet, smears'],
          },
        },
        { task: 'basin', times: 1 },
        hours === null
          ? { task: 'pour', times: 1 }
          : { task: 'run', times: 1, note: { name: 'hours', label: 'How long it ran', kind: 'words' } },
      ],
      working: r.value.working,
    })
  },
  say(task, { shape, units }) {
    switch (task) {
      case 'probe':
        return {
          name: 'Probe',
          text: 'Push the probe in a hand deep under the drip line and press what it brings. Wet and smearing: no water today, say so here.',
        }
      case 'basin':
        return {
          name: 'Basin',
          text: 'A rim of soil at the edge of the root ball or the drip line, none against the bark; mulch inside it.',
        }
      case 'pour':
        return {
          name: 'Pour',
          text: `${shown(Number(shape['volume']), 'gal', units)} in all, into the basin or the bags, in as many goes as soak in. Nothing may run off.`,
        }
      default:
        return {
          name: 'Run',
          text: `${shown(Number(shape['volume']), 'gal', units)} in all: ${String(shape['emitters'])} ${Number(shape['emitters']) === 1 ? 'emitter' : 'emitters'} for ${plain(Number(shape['hours']), 1)} hours. ${Number(shape['hours']) > 8 ? 'Let it run through the night.' : 'Slowly; nothing may run off.'}`,
        }
    }
  },
  inOneLine: ({ shape, units }) =>
    `${shown(Number(shape['volume']), 'gal', units)}${shape['hours'] === undefined ? '' : ` in ${plain(Number(shape['hours']), 1)} hours`}`,
  repeats: (terms) => ({
    least: Number(terms['days']),
    most: Number(terms['days']) + 3,
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: () => [
    {
      afterDays: 14,
      what: 'Leaves folded in the afternoon',
      expectation: {
        kind: 'share',
        question: 'What share of the leaves still hangs or folds in the afternoon?',
        unit: '%',
        sense: 'at-most',
        expected: 10,
        tolerated: 30,
        least: 0,
        most: 100,
      },
    },
  ],
  leads: (noted) =>
    noted['probe'] === 'wet, smears'
      ? 'The soil was found wet and smearing. Stop the water and look for why.'
      : null,
}
