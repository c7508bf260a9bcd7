import { between, when, years } from '../../card/said'
import { allBack, harm, lasting } from '../promised'
import { showMl } from '../../quantity/format'
import { showBottle } from '../../quantity/pair'
import { ofCard } from '../hourReasons'
import type { PutOn } from '../parts'
import { deviationsOf } from './deviations'
import { planTrunkInjection } from './plan'

/** Product into the sapwood by ports round the trunk. */
export const trunkInjection: PutOn<'trunk-injection'> = {
  goes: 'into the trunk',
  refusedAs: 'injection',
  marks: true,
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
  sayTerms: (t) => [
    ['Hardware', t.hardware],
    ...when(t.ratePerInch, () => ['Rate', `${between(t.ratePerInch!)} an inch of diameter`]),
    ...when(t.capsule, () => [
      'Capsule',
      `${t.capsule!.volume} a port, at most ${t.capsule!.maxPerInch} an inch of diameter`,
    ]),
    [
      'Ports',
      t.ports.rule === 'spacing'
        ? `one every ${t.ports.spacing} of girth`
        : t.ports.rule === 'per-diameter'
          ? `one for ${t.ports.inchesPerPort} in of diameter`
          : t.ports.rows.map((r) => `${r.ports} ${r.upTo ? `up to ${r.upTo}` : 'above'}`).join(', '),
    ],
    ['Apart', `at least ${t.minSpacing}${t.maxGap ? `, no gap above ${t.maxGap}` : ''}`],
    ...when(t.dilution, () => ['Made up', `${t.dilution} parts of water to one of product`]),
    ...when(t.perPortMax, () => ['Most a port', t.perPortMax!]),
    ['Drill', `${t.bit}, ${t.depth} deep; afterwards ${t.hole}`],
    ['Uptake', `${t.uptakeMinutes.from} to ${t.uptakeMinutes.to} min`],
    ['Warmth', `${t.temperature.least} to ${t.temperature.most}`],
    ['Again after', years(t.retreatYears)],
  ],
  checks: (_, live, again) => [
    allBack,
    harm('Leaf scorch after the injection', 'What share of the leaves shows new brown margins?', 14),
    ...lasting(live, again),
  ],
}
