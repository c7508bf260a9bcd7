import { between, years } from '../../card/said'
import { lasting, takenUp } from '../promised'
import { sayPoured } from '../soil-drench/sayPoured'
import { showLength } from '../../quantity/format'
import { shown } from '../../quantity/pair'
import { groundHours } from '../hourReasons'
import type { PutOn } from '../parts'
import { planSoilInjection } from './plan'

/** Product into the soil by a probe, in rings or a grid of holes. */
export const soilInjection: PutOn<'soil-injection'> = {
  goes: 'into the soil',
  refusedAs: 'soil',
  asks: (use) => (use.terms.pattern.kind === 'grid' ? ['reach', 'hardscapePercent'] : []),
  plan: planSoilInjection,
  onGround: true,
  repeats: () => null,
  tasks: (p, _, units, amount) => ({
    holes: {
      name: 'Holes',
      one: 'hole',
      text: `${p.shape.holes} holes, ${showLength(p.shape.depth.from, units, 0)} to ${showLength(p.shape.depth.to, units, 0)} deep, ${shown(p.shape.mixPerHole, 'fl oz', units)} of mix in each: ${amount} of product and ${shown(p.water ?? 0, 'gal', units)} of water in all.${
        p.shape.rings.length > 0
          ? ` ${p.shape.rings.map((r, i) => `Ring ${i + 1}: ${r.holes} holes, ${shown(r.radius, 'ft', units, 1)} from the middle of the trunk.`).join(' ')}`
          : ''
      }`,
    },
  }),
  inOneLine: (p, amount, units) =>
    p.water
      ? `${amount} in ${shown(p.water, 'gal', units)} of water, ${p.shape.holes} holes`
      : `${amount} in ${p.shape.holes} holes`,
  equipment: () => 'soil probe',
  range: ({ terms }) => ({ ...terms.rate, of: `an inch of ${terms.basis}` }),
  reach: ({ shape: { rings } }) => (rings.length > 0 ? Math.max(...rings.map((r) => r.radius)) : null),
  hours: (_, hours) => groundHours(hours),
  sayTerms: (t) => [
    ...sayPoured(t),
    [
      'Holes',
      t.pattern.kind === 'rings'
        ? `${t.pattern.rings} ${t.pattern.rings === 1 ? 'ring' : 'rings'}, the first ${t.pattern.first} from the bark, ${t.pattern.spacing} apart; on a ring every ${t.pattern.holeSpacing}`
        : `on a grid of ${t.pattern.spacing}`,
    ],
    ['Each hole', `${t.mixPerHole} of mix, ${between(t.depth)} deep`],
    ['Again after', years(t.retreatYears)],
  ],
  checks: (_, live, again) => [takenUp(60, 'two months'), ...lasting(live, again)],
}
