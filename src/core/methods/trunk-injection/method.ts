import { showMl } from '../../quantity/format'
import { showBottle } from '../../quantity/pair'
import { ofCard } from '../hourReasons'
import type { PutOn } from '../parts'
import { deviationsOf } from './deviations'
import { planTrunkInjection } from './plan'

/** Product into the sapwood by ports round the trunk. */
export const trunkInjection: PutOn<'trunk-injection'> = {
  asks: () => ['portGirth'],
  plan: planTrunkInjection,
  onGround: false,
  repeats: () => null,
  tasks: () => ({}),
  inOneLine({ product, water, shape: { ports, perPort, stems } }, amount, units) {
    if (stems) return `${amount} in ${ports.length} ports of ${stems.length} stems`
    if (water === null) return `${amount} in ${ports.length} ports, ${showMl(perPort)} each`
    return `${amount} with ${showBottle(water, units)} of water in ${ports.length} ports, ${showMl((product + water) / ports.length)} each`
  },
  equipment: (use) => use.terms.hardware,
  range: ({ terms }) => (terms.ratePerInch ? { ...terms.ratePerInch, of: 'an inch of diameter' } : null),
  limits: ({ terms }) => ({
    minTemperature: ofCard(terms.temperature.least, 'temperature'),
    maxTemperature: ofCard(terms.temperature.most, 'temperature'),
  }),
  hours: (_, hours) => hours.map(({ soil }) => (soil === 'dry' || soil === 'frozen' ? [soil] : [])),
  deviations: (plan, steps) =>
    deviationsOf(
      plan.steps.flatMap((s, i) => (s.kind === 'port' ? [{ number: i + 1, bearing: s.bearing }] : [])),
      steps.filter((s) => s.kind === 'port'),
      plan.product,
      plan.shape.uptake,
    ),
}
