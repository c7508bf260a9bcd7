import { between, when } from '../../card/said'
import { shown } from '../../quantity/pair'
import type { PutOn } from '../parts'
import { planFeed } from './plan'

/** What feeds, on the ground or in holes of it. */
export const feed: PutOn<'feed'> = {
  goes: 'onto the ground',
  refusedAs: 'fertiliser',
  asks: () => ['reach', 'hardscapePercent'],
  plan: planFeed,
  onGround: true,
  repeats: () => null,
  tasks: (p, use, units, amount) => ({
    holes: {
      name: 'Holes',
      one: 'hole',
      text: `${p.shape.holes} holes out to ${shown(p.shape.reach, 'ft', units, 1)}, ${use.terms.holes ? `${use.terms.holes.depth.low} to ${use.terms.holes.depth.high} deep, ` : ''}${shown(p.product / p.shape.holes, 'lb', units)} in each: ${amount} in all.`,
    },
    ring: {
      name: 'Spread',
      text: `${amount} in an even ring at the drip line, ${shown(p.shape.reach, 'ft', units, 1)} out; none against the bark.`,
    },
    thrown: {
      name: 'Spread',
      text: `${amount}, thrown evenly from the bark out to ${shown(p.shape.reach, 'ft', units, 1)}; sweep it off paving.`,
    },
    'water-in': {
      name: 'Water in',
      text: `Water it in${use.terms.biostimulant ? `, with ${use.terms.biostimulant}` : ''}.`,
    },
  }),
  inOneLine: (p, amount, units) => `${amount}, nitrogen ${shown(p.shape.delivered.n, 'lb', units)}`,
  equipment: ({ terms }) => `${terms.analysis}, ${terms.release} release`,
  range: ({ terms }) => ({ ...terms.nitrogen, of: 'of nitrogen' }),
  reach: (p) => p.shape.reach,
  // Quick release burns dry roots and drives soft growth; slow release is given whenever the soil takes it.
  merit: ({ terms: { release } }) => ({ score: release === 'slow' ? 6 : 0, reasons: [`${release} release`] }),
  sayTerms: (t) => [
    ['On the bag', t.analysis],
    ['Nitrogen', between(t.nitrogen)],
    ['Release', t.release],
    [
      'Put on',
      t.put
        .map((p) => ({ ring: 'in a ring at the drip line', thrown: 'thrown evenly', deep: 'in holes' })[p])
        .join(', '),
    ],
    ...when(t.holes, () => ['Holes', `every ${t.holes!.spacing}, ${between(t.holes!.depth)} deep`]),
    ...when(t.biostimulant, () => ['With it', t.biostimulant!]),
    ['Not when', t.notWhen],
  ],
  checks: () => [
    {
      afterYears: 1,
      what: 'New growth after the feed',
      expectation: {
        kind: 'came-out',
        question: 'How many of ten shoots have grown at least as long as the year before?',
        unit: 'of ten shoots',
        sense: 'at-least',
        expected: 7,
        tolerated: 4,
        least: 0,
        most: 10,
      },
    },
  ],
}
