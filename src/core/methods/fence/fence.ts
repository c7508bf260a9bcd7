import { inAll } from '../inAll'
import { counted } from '../../text/counted'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'

/** A post stands at most so far from the next, metres; setting one and its share of the net. House figures. */
const POSTS_APART = 2
const LEAST_POSTS = 3
const MINUTES_A_POST = 12

/** A fence round a tree, or a cage round its stem, higher than what browses or rubs can reach. Source: handbook, guards. */
export const fence: HandMethod = {
  terms: [
    { name: 'height', label: 'Height', kind: 'length', hint: '8 ft' },
    { name: 'net', label: 'Of', kind: 'words', hint: 'woven wire, no wider than a hand' },
    { name: 'posts', label: 'Posts', kind: 'words', hint: 'pointed larch, 4 in' },
  ],
  asks: [{ name: 'off', label: 'How far off the bark', kind: 'reach', hint: '4 ft' }],
  kit: 'net, posts, driver, ties, snips, gloves, eye protection',
  brought: (shapes, units) =>
    `${shown(inAll(shapes, 'length'), 'ft', units)} of net, ${counted(inAll(shapes, 'posts'), 'post')}`,
  plan({ tree, terms, given, units }) {
    const radius = tree.diameter / 2 + Number(given['off'])
    const length = 2 * Math.PI * radius
    const posts = Math.max(LEAST_POSTS, Math.ceil(length / POSTS_APART))
    return ok({
      minutes: posts * MINUTES_A_POST,
      water: null,
      shape: { length, posts, off: Number(given['off']), height: Number(terms['height']) },
      steps: [
        { task: 'posts', times: posts },
        { task: 'net', times: 1 },
      ],
      working: [
        {
          label: 'Round it',
          expression: `2 × π × (${shown(tree.diameter / 2, 'ft', units, 1)} + ${shown(Number(given['off']), 'ft', units, 1)})`,
          result: shown(length, 'ft', units, 1),
          source: 'reading',
        },
      ],
    })
  },
  say(task, { terms, shape, units }) {
    const height = shown(Number(shape['height']), 'ft', units, 1)
    return task === 'posts'
      ? {
          name: 'Posts',
          one: 'post',
          text: `${String(shape['posts'])} of them (${String(terms['posts'])}), ${shown(Number(shape['off']), 'ft', units, 1)} off the bark all round. Call before digging; no post through a root as thick as a wrist.`,
        }
      : {
          name: 'Net',
          text: `${shown(Number(shape['length']), 'ft', units, 1)} of ${String(terms['net'])}, ${height} high, down to the ground, tied so that it can be opened.`,
        }
  },
  inOneLine: ({ shape, units }) =>
    `${shown(Number(shape['length']), 'ft', units, 0)} round it, ${shown(Number(shape['height']), 'ft', units, 1)} high`,
  checks: () => [
    {
      afterDays: 180,
      what: 'The fence still closed, the stem not rubbing on it',
      expectation: {
        kind: 'look',
        question: 'Is it closed all round, and does the stem stand free?',
        againDays: 365,
      },
    },
  ],
}
