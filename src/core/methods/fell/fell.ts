import { ok, refuse } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'

/** Rigging and clearing, and for each square metre of trunk cut through. House figures. */
const MINUTES = 90
const MINUTES_PER_M2 = 900

/** As many tags as one line names. */
const NAMED = 4
const sayTags = (tags: readonly string[]) =>
  tags.length <= NAMED
    ? tags.join(', ')
    : `${tags.slice(0, NAMED).join(', ')} and ${tags.length - NAMED} more`

/** Felling as part of care: of what carries a wilt to its neighbours, or is dead. Source: handbook, wilts in root grafts. */
export const fell: HandMethod = {
  terms: [
    { name: 'who', label: 'By', kind: 'words', hint: 'a felling crew with its own risk assessment' },
    {
      name: 'stump',
      label: 'The stump',
      kind: 'words',
      hint: 'cut to the ground, bark off to below the soil',
    },
  ],
  asks: [
    { name: 'stands', label: 'How it stands', kind: 'choice', options: ['lives', 'is dead or dying'] },
    {
      name: 'how',
      label: 'It comes down',
      kind: 'choice',
      options: ['from the ground', 'from a lift', 'by machine', 'climbed'],
    },
    {
      name: 'neighbours',
      label: 'Sound neighbours without an injection: why',
      kind: 'words',
      hint: 'they go with it',
      optional: true,
    },
  ],
  kit: 'what the felling crew brings; cones and tape for the drop zone',
  whenRemoved: true,
  plan({ tree, given, units }) {
    if (given['stands'] !== 'lives' && given['how'] === 'climbed')
      return refuse(
        'not-allowed',
        'how',
        'A dead or dying tree is brittle: nobody climbs it. It comes down from a lift or by machine.',
      )
    const bare = tree.bareNeighbours ?? []
    if (bare.length > 0 && given['neighbours'] === undefined)
      return refuse(
        'missing',
        'neighbours',
        `Sound neighbours of the kind are injected before it is felled, and ${sayTags(bare)} ${bare.length === 1 ? 'is' : 'are'} not: sign that first, or write why not.`,
      )
    const area = (Math.PI / 4) * tree.diameter ** 2
    return ok({
      minutes: MINUTES + area * MINUTES_PER_M2,
      water: null,
      shape: {
        diameter: tree.diameter,
        stands: String(given['stands']),
        how: String(given['how']),
        ...(bare.length > 0 && { neighbours: String(given['neighbours']), bare: sayTags(bare) }),
      },
      steps: [
        { task: 'zone', times: 1 },
        { task: 'down', times: 1 },
        { task: 'stump', times: 1 },
      ],
      working: [
        {
          label: 'Time',
          expression: `${MINUTES} min + by ${shown(tree.diameter, 'in', units, 0)} of trunk`,
          result: `${Math.round(MINUTES + area * MINUTES_PER_M2)} min`,
          source: 'house rule',
        },
      ],
    })
  },
  say(task, { terms, shape }) {
    switch (task) {
      case 'zone':
        return {
          name: 'Drop zone',
          text: `Closed for twice the height of the tree, with a person at each way in. ${shape['stands'] === 'lives' ? '' : 'It is brittle: tops and limbs break without warning, nobody stands beneath.'}`.trim(),
        }
      case 'down':
        return {
          name: 'Bring it down',
          text: `${String(shape['how'])}, by ${String(terms['who'])}. What carries a wilt is felled only after the line between it and its neighbours is cut.`,
        }
      default:
        return { name: 'Stump', text: `${String(terms['stump'])}.`, photo: 'the stump from above' }
    }
  },
  inOneLine: ({ shape }) =>
    `felled ${String(shape['how'])}${shape['bare'] === undefined ? '' : `; ${String(shape['bare'])} not injected: ${String(shape['neighbours'])}`}`,
  checks: () => [
    {
      afterDays: 14,
      what: 'The wood gone or made harmless',
      expectation: {
        kind: 'look',
        question: 'Is all of its wood chipped, debarked, buried, burned or covered?',
        againDays: 7,
      },
    },
  ],
}
