import { between, when } from '../../card/said'
import { harm, count } from '../promised'
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
  goes: 'over the crown',
  refusedAs: 'crown-spray',
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
  sayTerms: (t) => [
    [
      'Works',
      t.kind === 'bactericide'
        ? 'on bacteria, in bloom'
        : t.kind === 'powder'
          ? 'as a powder film'
          : `as a ${t.kind} spray`,
    ],
    ['Mix', between(t.mix)],
    ['When', t.when],
    ...when(t.repeatDays, () => ['Again after', `${t.repeatDays!.least} to ${t.repeatDays!.most} days`]),
    ['Dry hours after', `${t.rainFastHours}`],
    ...when(t.washOff, () => ['Gone after', `${t.washOff} of rain`]),
    ['Wind', `${t.wind.least ? `${t.wind.least} to ` : 'up to '}${t.wind.most}, gusts up to ${t.wind.gust}`],
    [
      'Warmth',
      `${t.temperature.least} to ${t.temperature.most}${t.noFreezeHours ? `, no frost for ${t.noFreezeHours} h` : ''}`,
    ],
    ...when(t.strongSun === false, () => ['Sun', 'not in strong sun']),
    [
      'Tank',
      !t.tank
        ? 'alone; the label says nothing of others'
        : `with ${t.tank.with === 'any' ? 'others' : t.tank.with.join(', ')}${t.tank.never?.length ? `, never with ${t.tank.never.join(', ')}` : ''}`,
    ],
  ],
  checks: (use) =>
    use.terms.kind === 'contact' || use.terms.kind === 'biological'
      ? [
          // What is eaten kills in days; what wets kills at once.
          use.terms.kind === 'biological'
            ? count(
                3,
                'Live ones on ten leaves, after three days',
                'How many are alive and feeding on ten leaves of different parts?',
                10,
                30,
              )
            : count(
                1,
                'Live ones on ten leaves, next day',
                'How many are alive on ten leaves of different parts?',
                5,
                20,
              ),
          count(
            7,
            'Live ones on ten leaves, in a week',
            'How many are alive on ten leaves of different parts?',
            5,
            20,
          ),
          harm('Burn after the spray', 'What share of the leaves is burnt or speckled?', 7),
        ]
      : use.terms.kind === 'bactericide'
        ? [count(14, 'Strikes, two weeks on', 'How many struck shoots are there?', 0, 5)]
        : [
            {
              afterDays: 14,
              what: 'New spots on young leaves',
              expectation: {
                kind: 'share',
                question: 'What share of the youngest leaves shows new spots?',
                unit: '%',
                sense: 'at-most',
                expected: 5,
                tolerated: 15,
                least: 0,
                most: 100,
              },
            },
          ],
}
