import { sameActive } from '../../actives/actives'
import { shown } from '../../quantity/pair'
import { GROWING_SEASON } from '../growingSeason'
import { airAndLeaves, ofCard } from '../hourReasons'
import type { PutOn } from '../parts'
import { planCrownSpray } from './plan'

/** Oil burns until it is dry, sulfur works as vapour: so long it must not get hotter. Source: handbook, weather gates. */
const COOL_HOURS: readonly (readonly [active: string, hours: number])[] = [
  ['horticultural oil', 6],
  ['citrus oil', 6],
  ['sulfur', 36],
]
/** What sun is too strong for, as a share of the strongest. House figure. */
const STRONG_SUN = 0.6

/** What a kind of spray does to those it is meant for and to the others. */
const SPARES = {
  contact: 'kills only what it wets',
  biological: 'spares most helpers',
  protective: 'a film before infection',
  bactericide: 'a film before infection',
  powder: 'a film before infection',
} as const

/** Spray or dust over the leaves of a crown. */
export const crownSpray: PutOn<'crown-spray'> = {
  asks: () => ['crown'],
  plan: planCrownSpray,
  onGround: true,
  repeats: ({ terms, limits }) =>
    terms.repeatDays
      ? {
          least: Math.max(terms.repeatDays.least, limits?.leastDays ?? 0),
          most: Math.max(terms.repeatDays.most, limits?.leastDays ?? 0),
          mostTimes: limits?.timesPerYear,
          season: GROWING_SEASON,
        }
      : null,
  tasks: (p, use, units, amount) => ({
    inside: {
      name: 'Inside',
      text:
        use.terms.kind === 'powder'
          ? 'Stand upwind; dust the inside of the crown first, both faces of the leaf.'
          : 'From within the crown first, both faces of the leaf, to just before it runs.',
    },
    outside: {
      name: 'Outside',
      text: `Then once round outside. ${shown(p.shape.spray, 'gal', units)} of spray in all for this crown, ${amount} of product in it.`,
    },
  }),
  inOneLine: (p, amount, units) => `${amount} in ${shown(p.shape.spray, 'gal', units)} of spray`,
  equipment: ({ terms }) => (terms.kind === 'powder' ? 'duster' : `sprayer, ${terms.kind} spray`),
  range: ({ terms }) => ({ ...terms.mix, of: 'in the tank' }),
  limits({ terms }, actives) {
    const maxTemperature = ofCard(terms.temperature.most, 'temperature')
    const cool = Math.max(
      0,
      ...COOL_HOURS.flatMap(([active, h]) => (actives.some((a) => sameActive(a.name, active)) ? [h] : [])),
    )
    return {
      minTemperature: ofCard(terms.temperature.least, 'temperature'),
      maxTemperature,
      ...(cool > 0 && maxTemperature !== undefined && { coolHours: cool }),
      minWind: ofCard(terms.wind.least, 'speed'),
      maxWind: ofCard(terms.wind.most, 'speed'),
      maxGust: ofCard(terms.wind.gust, 'speed'),
      rainFastHours: terms.rainFastHours,
      noFreezeHours: terms.noFreezeHours,
      ...(terms.strongSun === false && { maxSun: STRONG_SUN }),
    }
  },
  hours: (_, hours) => airAndLeaves(hours),
  merit: ({ terms: { kind, repeatDays } }) => ({
    score: kind === 'contact' || kind === 'biological' ? 6 : 0,
    reasons: [
      SPARES[kind],
      ...(repeatDays ? [`again after ${repeatDays.least} to ${repeatDays.most} days`] : []),
    ],
  }),
}
