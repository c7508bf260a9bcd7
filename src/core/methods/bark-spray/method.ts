import { between, when, years } from '../../card/said'
import { lasting, takenUp } from '../promised'
import { shown } from '../../quantity/pair'
import { toSI } from '../../quantity/units'
import type { SprayLimits } from '../../weather/sprayHours'
import { DRY_BARK_HOURS, rainIn, USUAL_SPRAY } from '../hourReasons'
import type { PutOn } from '../parts'
import { planBark } from './plan'

/** What bark sprays keep, which cards do not write down by themselves. Source: handbook, bark spray. */
const KEPT = {
  minTemperature: toSI(40, 'F'),
  maxWind: USUAL_SPRAY.maxWind,
  maxGust: USUAL_SPRAY.maxGust,
  rainFastHours: 12,
} as const satisfies SprayLimits

/** Product on a band of bark at the base of each stem. */
export const barkSpray: PutOn<'bark-spray'> = {
  goes: 'onto the bark',
  refusedAs: 'bark-spray',
  asks: () => [],
  plan: planBark,
  onGround: true,
  repeats: () => null,
  tasks: (p, use, units, amount) => ({
    clear: { name: 'Clear', text: 'Clear the base of litter and vines, down to the soil line.' },
    wet: {
      name: 'Wet the band',
      one: 'stem',
      text: `From the soil line to ${shown(p.shape.bandHeight, 'ft', units)}, all round, until just before it runs: ${p.shape.perStem.map((v) => shown(v, 'fl oz', units)).join(', ')}${p.shape.perStem.length > 1 ? `, ${amount} in all` : ''}.${use.terms.penetrant ? ` With ${use.terms.penetrant}.` : ''}`,
    },
  }),
  inOneLine: (p, amount, units) => `${amount} on ${shown(p.shape.bandArea, 'ft2', units, 0)} of bark`,
  equipment: () => 'low-pressure sprayer',
  range: ({ terms }) => ({ ...terms.rate, of: 'an inch of diameter' }),
  limits: () => KEPT,
  hours: (_, hours) =>
    hours.map((h, i) =>
      !((h.rain ?? 0) > 0) && rainIn(hours, i - DRY_BARK_HOURS, i) > 0 ? ['wet bark'] : [],
    ),
  sayTerms: (t) => [
    ['Rate', `${between(t.rate)} an inch of diameter, each stem on its own`],
    ['Active', t.strength],
    ['Band', `from the soil line to ${t.bandHeight}, all round, just before it runs`],
    ...when(t.penetrant, () => ['With it', t.penetrant!]),
    ['Again after', years(t.retreatYears)],
  ],
  checks: (_, live, again) => [takenUp(21, 'three weeks'), ...lasting(live, again)],
}
