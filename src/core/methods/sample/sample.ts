import { ok } from '../../problem'
import type { HandMethod } from '../byHand'

/** Something is taken for a laboratory, packed as it must be, and its answer waited for. Source: handbook, sample. */
export const sample: HandMethod = {
  anyCause: true,
  terms: [
    { name: 'pack', label: 'Packed', kind: 'words', hint: 'in paper, in a bag, cool, never frozen' },
    { name: 'within', label: 'At the laboratory within, days', kind: 'count', least: 1, most: 14 },
    { name: 'answer', label: 'Its answer is due after, days', kind: 'count', least: 1, most: 120 },
  ],
  asks: [
    {
      name: 'part',
      label: 'What is taken',
      kind: 'words',
      hint: 'three finger-thick branches from the edge of the dying part',
    },
    { name: 'asked', label: 'What is asked', kind: 'words', hint: 'wilt fungus in the wood' },
  ],
  kit: 'clean knife or saw, what cleans them, paper, bags, labels, the sheet',
  plan: ({ terms, given }) =>
    ok({
      minutes: 20,
      water: null,
      shape: {
        part: String(given['part']),
        asked: String(given['asked']),
        pack: String(terms['pack']),
        within: Number(terms['within']),
      },
      steps: [
        { task: 'take', times: 1 },
        {
          task: 'send',
          times: 1,
          note: { name: 'sent', label: 'Sent to, with which number on the parcel', kind: 'words' },
        },
      ],
      working: [],
    }),
  say: (task, { shape }) =>
    task === 'take'
      ? {
          name: 'Take it',
          photo: 'where it was cut, and what was cut',
          text: `${String(shape['part'])}. Clean the blade first, take from where sick meets sound, label every piece with the tree and its side.`,
        }
      : {
          name: 'Send it',
          text: `Packed ${String(shape['pack'])}, with the sheet that asks for ${String(shape['asked'])}; at the laboratory within ${String(shape['within'])} days, not before a holiday.`,
        },
  inOneLine: ({ shape }) => `${String(shape['part'])}, for ${String(shape['asked'])}`,
  checks: (terms) => [
    {
      afterDays: Number(terms['answer']),
      what: 'The laboratory’s answer',
      expectation: { kind: 'laboratory', question: 'What does the laboratory say?', againDays: 5 },
    },
  ],
}
