import { ok, refuse } from '../../problem'
import { shown } from '../../quantity/pair'
import { readQuantity } from '../../quantity/parse'
import { toSI } from '../../quantity/units'
import type { HandMethod } from '../byHand'

/** Roots that join go no deeper than this; a line that is shallower cuts some and leaves others. Source: handbook, wilts in root grafts. */
const LEAST_DEPTH = toSI(4, 'ft')
/** Setting up, and a metre of line by a trenching machine. House figures. */
const MINUTES = 45
const MINUTES_A_METRE = 4

/**
 * True where a line did not reach its depth everywhere, by what was written of it: roots may still be joined beneath it.
 * @example isShallow('3 ft') // true
 */
export function isShallow(reached: string | null | undefined): boolean {
  if (!reached) return false
  const depth = readQuantity(reached, 'length', 'cut', { bareUnit: 'in' })
  return depth.ok && depth.value.si < LEAST_DEPTH
}

/**
 * The line that cuts joined roots between a sick tree and its neighbours of the same kind, before anything is felled. Source: handbook, wilts in
 * root grafts.
 */
export const barrier: HandMethod = {
  terms: [
    { name: 'depth', label: 'Depth of the line', kind: 'length', hint: '5 ft' },
    { name: 'tool', label: 'With', kind: 'words', hint: 'vibratory plow or trencher' },
  ],
  asks: [
    { name: 'line', label: 'Length of the line', kind: 'reach', hint: '80 ft' },
    { name: 'between', label: 'Between the sick tree and', kind: 'words', hint: 'Elm 12 and Elm 13' },
    {
      name: 'utilities',
      label: 'Lines in the ground',
      kind: 'choice',
      options: ['marked', 'none here, by the utility'],
    },
  ],
  kit: 'trencher or plow, paint, tape, spades, gear for the machine',
  whenRemoved: true,
  plan({ terms, given, units }) {
    const depth = Number(terms['depth'])
    if (depth < LEAST_DEPTH)
      return refuse(
        'out-of-range',
        'depth',
        `A line ${shown(depth, 'ft', units, 1)} deep leaves joined roots beneath it; 4 to 5 ft cut them. Change the house card.`,
      )
    const line = Number(given['line'])
    return ok({
      minutes: MINUTES + line * MINUTES_A_METRE,
      water: null,
      shape: { line, depth, between: String(given['between']), utilities: String(given['utilities']) },
      steps: [
        { task: 'mark', times: 1 },
        {
          task: 'cut',
          times: 1,
          note: { name: 'reached', label: 'Depth that was reached everywhere', kind: 'length' },
        },
        { task: 'close', times: 1 },
      ],
      working: [
        {
          label: 'Time',
          expression: `${MINUTES} min + ${shown(line, 'ft', units, 0)} × ${(MINUTES_A_METRE * 0.3048).toFixed(1)} min a foot`,
          result: `${Math.round(MINUTES + line * MINUTES_A_METRE)} min`,
          source: 'house rule',
        },
      ],
    })
  },
  say(task, { terms, shape, units }) {
    switch (task) {
      case 'mark':
        return {
          name: 'Mark',
          text: `${shown(Number(shape['line']), 'ft', units, 0)} between the sick tree and ${String(shape['between'])}: midway, or beyond the next ring of trees where they may be joined already. Lines in the ground: ${String(shape['utilities'])}.`,
        }
      case 'cut':
        return {
          name: 'Cut the line',
          photo: 'the open line with the tape in it',
          text: `${String(terms['tool'])}, ${shown(Number(shape['depth']), 'ft', units, 1)} deep all along. Nothing is felled before this is done: a felled tree is drawn from by its neighbours.`,
        }
      default:
        return {
          name: 'Close it',
          text: 'Close the line the same day and tread it down; nobody walks into it in the dark.',
        }
    }
  },
  inOneLine: ({ shape, units }) =>
    `${shown(Number(shape['line']), 'ft', units, 0)} of line, ${shown(Number(shape['depth']), 'ft', units, 1)} deep`,
  checks: () => [
    {
      afterYears: 1,
      what: 'The neighbours beyond the line',
      expectation: { kind: 'look', question: 'Does any neighbour beyond the line wilt?', againDays: 365 },
    },
  ],
  leads: (noted) =>
    isShallow(noted['cut'])
      ? 'The line did not reach its depth everywhere; roots may still be joined beneath it. Cut a second line before anything is felled.'
      : null,
}
