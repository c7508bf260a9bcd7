import { when, years } from '../../card/said'
import { lasting, takenUp } from '../promised'
import { sayPoured } from './sayPoured'
import { showLength } from '../../quantity/format'
import { shown } from '../../quantity/pair'
import { toSI } from '../../quantity/units'
import { groundHours, ofCard, rainIn } from '../hourReasons'
import type { PutOn } from '../parts'
import { planDrench } from './plan'

/** Without a figure on the card, half an inch of rain within a day carries a drench away. Source: handbook, weather gates. */
const MOST_RAIN = toSI(0.5, 'in')

/** Product poured round the trunk in a basin. */
export const soilDrench: PutOn<'soil-drench'> = {
  goes: 'into the soil',
  refusedAs: 'soil',
  asks: () => [],
  plan: planDrench,
  onGround: true,
  repeats: () => null,
  tasks: (p, use, units, amount) => ({
    basin: {
      name: 'Basin',
      text: `Pull the mulch back, loosen hard soil, and shape a shallow ring from ${showLength(p.shape.basin.from, units, 0)} to ${showLength(p.shape.basin.to, units, 0)} from the bark.`,
    },
    pour: {
      name: 'Pour',
      text: `${amount} of product${p.water ? ` in ${shown(p.water, 'gal', units)} of water` : ''}, evenly all the way round. Let it soak in; nothing may run off.`,
    },
    cover: { name: 'Cover', text: use.terms.after ?? 'Put the mulch back over the wet ring, off the bark.' },
  }),
  inOneLine: (p, amount, units) =>
    p.water ? `${amount} in ${shown(p.water, 'gal', units)} of water` : amount,
  equipment: () => 'poured from a measure',
  range: ({ terms }) => ({ ...terms.rate, of: `an inch of ${terms.basis}` }),
  reach: (p) => p.diameter / 2 + p.shape.basin.to,
  hours({ terms }, hours) {
    const most = ofCard(terms.mostRainComing, 'length') ?? MOST_RAIN
    return groundHours(hours).map((ground, i) =>
      rainIn(hours, i, i + 24) > most ? [...ground, 'rain to come'] : ground,
    )
  },
  sayTerms: (t) => [
    ...sayPoured(t),
    [
      'Water',
      t.water
        .map(
          (w) =>
            `${w.volume} ${w.girthUpTo ? `up to ${w.girthUpTo} of girth` : t.water.length > 1 ? 'above' : 'a tree'}`,
        )
        .join(', '),
    ],
    ['Basin', `from ${t.basin.from} to ${t.basin.to} round the trunk`],
    ...when(t.mostRainComing, () => ['Rain', `not with more than ${t.mostRainComing} coming in a day`]),
    ...when(t.after, () => ['Afterwards', t.after!]),
    ['Again after', years(t.retreatYears)],
  ],
  checks: (_, live, again) => [takenUp(60, 'two months'), ...lasting(live, again)],
}
