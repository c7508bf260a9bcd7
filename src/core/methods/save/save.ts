import { ok, refuse } from '../../problem'
import { shown } from '../../quantity/pair'
import { toSI, type Length } from '../../quantity/units'
import { spokenDate } from '../../time/calendar'
import { isWithin, sayYearly, type Yearly } from '../../time/yearly'
import type { HandMethod } from '../byHand'

/** What may be done for a stem that lost bark. */
export type Rescue = 'leave it' | 'tape it' | 'bridge graft' | 'cut below and train a shoot' | 'inarch'

/** So much of the girth without bark is borne; so much more is kept from drying; beyond that nothing feeds the roots. */
const BORNE = 25
const TAPED = 50
/** A stem up to so thick shoots again with vigour when it is cut. */
const YOUNG: Length = toSI(2, 'in')

/**
 * What saves a gnawed or rubbed stem, by how much of its girth lost the bark, how thick it is, and where the wound lies. A tree on
 * its own roots, or one whose wound is above the graft, may be cut back; below the graft only the stock would shoot. House
 * figures.
 *
 * @example rescueOf({ lost: 100, diameter: toSI(1.5, 'in'), where: 'above the graft' }) // 'cut below and train a shoot'
 */
export function rescueOf(f: { lost: number; diameter: Length; where: string }): Rescue {
  if (f.lost <= BORNE) return 'leave it'
  if (f.lost <= TAPED) return 'tape it'
  if (f.diameter <= YOUNG && f.where !== 'below the graft') return 'cut below and train a shoot'
  return f.where === 'below the graft' ? 'inarch' : 'bridge graft'
}

/** A scion over every so much of the girth. */
const SCION_EVERY = toSI(2, 'in')

/** When grafts take. Source: handbook, gnawed stems; house figures for its ends. */
const GRAFTED: Yearly = { from: '02-15', to: '05-31' }
const nextOf = (on: string) =>
  `${Number(on.slice(0, 4)) + (on.slice(5) < GRAFTED.from ? 0 : 1)}-${GRAFTED.from}`

/** A stem that animals took the bark off: leave, tape, bridge, cut back or inarch. */
export const save: HandMethod = {
  terms: [
    { name: 'tape', label: 'Taped with', kind: 'words', hint: 'soft grafting tape over moist moss' },
    { name: 'scions', label: 'Scions', kind: 'words', hint: 'dormant one-year shoots of the same kind' },
  ],
  asks: [
    { name: 'lost', label: 'Girth without bark, %', kind: 'count', least: 1, most: 100 },
    { name: 'height', label: 'Height of the wound from top to foot', kind: 'length', hint: '6 in' },
    {
      name: 'where',
      label: 'Where it lies',
      kind: 'choice',
      options: ['above the graft', 'below the graft', 'on its own roots'],
    },
  ],
  kit: 'knife, grafting tape, wax, brads, scions, saw',
  plan({ tree, given, day }) {
    const [lost, where] = [Number(given['lost']), String(given['where'])]
    const way = rescueOf({ lost, diameter: tree.diameter, where })
    const scions = Math.max(2, Math.ceil(((lost / 100) * Math.PI * tree.diameter) / SCION_EVERY))
    const grafted = way === 'bridge graft' || way === 'inarch'
    if (grafted && !isWithin(GRAFTED, day.on))
      return refuse(
        'not-allowed',
        'onDate',
        `A ${way === 'inarch' ? 'seedling let in' : 'bridge graft'} takes from ${sayYearly(GRAFTED)}, while the bark slips and scions rest. Keep the wound moist and covered until then, and sign it for ${spokenDate(nextOf(day.on))} or later.`,
      )
    return ok({
      minutes:
        { 'leave it': 5, 'tape it': 15, 'cut below and train a shoot': 15 }[way as string] ??
        20 + 12 * scions,
      water: null,
      shape: { way, lost, where, height: Number(given['height']), scions: grafted ? scions : 0 },
      steps: [
        { task: 'clean', times: 1 },
        ...(way === 'leave it' ? [] : [{ task: 'save', times: grafted ? scions : 1 }]),
        { task: 'keep', times: 1 },
      ],
      working: [
        {
          label: 'What is done',
          expression: `${lost} % of the girth lost, ${where}; borne up to ${BORNE} %, taped up to ${TAPED} %, then grafted, or a thin stem cut back`,
          result: way,
          source: 'handbook',
        },
      ],
    })
  },
  say(task, { terms, shape, units }) {
    switch (task) {
      case 'clean':
        return {
          name: 'Clean the wound',
          text: 'Pare loose bark back to where it holds, no deeper; leave every green strip that still bridges it.',
        }
      case 'save':
        return SAVE[shape['way'] as Exclude<Rescue, 'leave it'>]({
          scions: Number(shape['scions']),
          length: shown(Number(shape['height']) + toSI(4, 'in'), 'in', units),
          tape: String(terms['tape']),
          what: String(terms['scions']),
        })
      default:
        return {
          name: 'Keep them off',
          text: 'A guard on the same day: what was eaten once is eaten again. Water in every dry week of this year.',
        }
    }
  },
  inOneLine: ({ shape }) =>
    `${String(shape['way'])}, ${String(shape['lost'])} % of the girth lost${Number(shape['scions']) > 0 ? `, ${String(shape['scions'])} scions` : ''}`,
  checks: () => [
    {
      afterDays: 60,
      what: 'Leaves above the wound',
      expectation: {
        kind: 'came-out',
        question: 'How many of ten buds above the wound, or of the shoots that were grafted, have come out?',
        unit: 'of ten',
        sense: 'at-least',
        expected: 7,
        tolerated: 3,
        least: 0,
        most: 10,
      },
    },
  ],
}

type Figures = { scions: number; length: string; tape: string; what: string }

const SAVE: Record<
  Exclude<Rescue, 'leave it'>,
  (f: Figures) => { name: string; text: string; one?: string }
> = {
  'tape it': ({ tape }) => ({
    name: 'Tape',
    text: `Fresh and still moist: lay what bark there is back, ${tape}, and take it off when it grows.`,
  }),
  'bridge graft': ({ scions, length, what }) => ({
    name: 'Bridge',
    one: 'scion',
    text: `${scions} of them, about ${length} long: ${what}. Right way up, both ends under sound bark, a slight bow, nailed and waxed.`,
  }),
  inarch: ({ scions, length }) => ({
    name: 'Inarch',
    one: 'seedling',
    text: `${scions} seedlings of the stock planted against the stem, each let in above the wound, about ${length} up; waxed.`,
  }),
  'cut below and train a shoot': () => ({
    name: 'Cut back',
    text: 'Below the wound and above the graft, on a slant over a bud. Of the shoots that come keep the straightest, staked.',
  }),
}
