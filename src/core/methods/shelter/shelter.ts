import { inAll } from '../inAll'
import { ok } from '../../problem'
import { shown } from '../../quantity/pair'
import type { HandMethod } from '../byHand'

/** So much of the cover is folded in and overlapped; laying and tying it. House figures. */
const OVERLAP = 1.1
const MINUTES = 40
const MINUTES_PER_M2 = 1.5

const SAID: Readonly<Record<string, string>> = {
  'rain roof':
    'Clear sheet over the whole crown, open at the sides: twigs stay dry and air goes through. It stays from leaf fall to a month after bud break.',
  net: 'Net over the whole crown, closed round the stem, before there is anything inside to be closed in.',
  'wind screen': 'Screen on the windy side, a hand off the twigs, as high as the crown; open above.',
}

/** What keeps rain, insects or wind off a small crown. Source: handbook, what a work is called by what it does. */
export const shelter: HandMethod = {
  terms: [
    { name: 'what', label: 'It is', kind: 'choice', options: ['rain roof', 'net', 'wind screen'] },
    { name: 'sheet', label: 'Of', kind: 'words', hint: 'clear sheet on a timber frame' },
  ],
  asks: [
    { name: 'height', label: 'Height of the crown', kind: 'reach', hint: '10 ft' },
    { name: 'width', label: 'Width of the crown', kind: 'reach', hint: '8 ft' },
  ],
  kit: 'sheet or net, frame, ties, ladder, second person',
  brought: (shapes, units) => `${shown(inAll(shapes, 'area'), 'ft2', units)} of cover`,
  plan({ terms, given, units }) {
    const [height, width] = [Number(given['height']), Number(given['width'])]
    // A roof lies over the crown, a net goes round it too, a screen stands at one side.
    const roof = (Math.PI / 4) * width ** 2
    const bare =
      terms['what'] === 'net'
        ? roof + Math.PI * width * height
        : terms['what'] === 'rain roof'
          ? roof
          : width * height
    const area = bare * OVERLAP
    return ok({
      minutes: MINUTES + area * MINUTES_PER_M2,
      water: null,
      shape: { area, height, width, what: String(terms['what']) },
      steps: [
        { task: 'frame', times: 1 },
        { task: 'cover', times: 1 },
      ],
      working: [
        {
          label: 'Cover',
          expression: `${shown(bare, 'ft2', units, 0)} × ${OVERLAP} for overlap`,
          result: shown(area, 'ft2', units, 0),
          source: 'house rule',
        },
      ],
    })
  },
  say: (task, { terms, shape, units }) =>
    task === 'frame'
      ? {
          name: 'Frame',
          text: `Set the frame ${shown(Number(shape['width']), 'ft', units, 0)} wide and ${shown(Number(shape['height']), 'ft', units, 0)} high; it stands by itself and leans on no branch.`,
        }
      : {
          name: 'Cover',
          text: `${shown(Number(shape['area']), 'ft2', units, 0)} of ${String(terms['sheet'])}. ${SAID[String(shape['what'])] ?? ''}`,
        },
  inOneLine: ({ shape, units }) =>
    `${String(shape['what'])}, ${shown(Number(shape['area']), 'ft2', units, 0)}`,
  repeats: (terms) => ({
    least: 200,
    most: 430,
    mostTimes: 12,
    yearly:
      terms['what'] === 'rain roof'
        ? { from: '10-15', to: '11-30', called: 'leaf fall' }
        : terms['what'] === 'net'
          ? { from: '06-01', to: '07-31', called: 'summer, before fruit colours' }
          : { from: '10-15', to: '12-15', called: 'autumn' },
  }),
  checks: () => [
    {
      afterDays: 30,
      what: 'The shelter tight, nothing rubbing',
      expectation: { kind: 'look', question: 'Does it hold, and does it do what it is for?', againDays: 60 },
    },
  ],
}
