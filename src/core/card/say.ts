import { HAND_NAMES, handMethod, isHand } from '../methods/hand'
import type { CardUse, Method, PutOnMethod, TermsOf } from './card'

const PUT_ON_NAME: Record<PutOnMethod, string> = {
  'trunk-injection': 'Trunk injection',
  'soil-drench': 'Soil drench',
  'soil-injection': 'Soil injection',
  'bark-spray': 'Bark spray',
  'crown-spray': 'Crown spray',
  feed: 'Feed',
}

/** What is done, as people say it: by a product and by hand. */
export const METHOD_NAME = {
  ...PUT_ON_NAME,
  ...Object.fromEntries(HAND_NAMES.map((m) => [m, handMethod(m).name])),
} as Record<Method, string>

/** Several methods in one line, as people say them. `sayMethods(['trunk-injection', 'feed'])` is "trunk injection, feed" */
export function sayMethods(methods: readonly Method[]): string {
  return methods.map((m) => METHOD_NAME[m].toLowerCase()).join(', ')
}

/** A line of a card: what it is about, and what the label says of it. */
export type Said = readonly [about: string, words: string]

const between = ({ low, high }: { low: string; high: string }) => (low === high ? low : `${low} to ${high}`)
const when = (condition: unknown, line: () => Said): Said[] => (condition ? [line()] : [])
const years = (n: number) => (n === 1 ? 'a year' : `${n} years`)

/** How much, in the label’s own inch: it is printed beside the rate wherever the rate stands. */
const poured = (
  t: Pick<TermsOf<'soil-drench'>, 'rate' | 'basis' | 'multiStem' | 'tiers' | 'strength' | 'retreatYears'>,
): Said[] => [
  ['Rate', `${between(t.rate)} an inch of ${t.basis}`],
  ...(t.tiers ?? []).map((tier): Said => [
    `Above ${tier.above} through`,
    `${between(tier)} an inch of ${t.basis}`,
  ]),
  ['Several stems', t.multiStem === 'sum' ? 'their diameters added up' : 'as one of the same wood area'],
  ['Active', t.strength],
]

const SAY: { [M in PutOnMethod]: (terms: TermsOf<M>) => Said[] } = {
  'trunk-injection': (t) => [
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
  'soil-drench': (t) => [
    ...poured(t),
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
  'soil-injection': (t) => [
    ...poured(t),
    [
      'Holes',
      t.pattern.kind === 'rings'
        ? `${t.pattern.rings} ${t.pattern.rings === 1 ? 'ring' : 'rings'}, the first ${t.pattern.first} from the bark, ${t.pattern.spacing} apart; on a ring every ${t.pattern.holeSpacing}`
        : `on a grid of ${t.pattern.spacing}`,
    ],
    ['Each hole', `${t.mixPerHole} of mix, ${between(t.depth)} deep`],
    ['Again after', years(t.retreatYears)],
  ],
  'bark-spray': (t) => [
    ['Rate', `${between(t.rate)} an inch of diameter, each stem on its own`],
    ['Active', t.strength],
    ['Band', `from the soil line to ${t.bandHeight}, all round, just before it runs`],
    ...when(t.penetrant, () => ['With it', t.penetrant!]),
    ['Again after', years(t.retreatYears)],
  ],
  'crown-spray': (t) => [
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
  feed: (t) => [
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
}

/** The terms of a use line by line, as a label is read. `sayTerms(drench)[0]` is ['Rate', '0.1 fl oz to 0.2 fl oz an inch of diameter'] */
export function sayTerms(use: CardUse): Said[] {
  if (isHand(use.method)) {
    const terms = use.terms as Record<string, string | number>
    return handMethod(use.method).terms.flatMap((line): Said[] => {
      const value = terms[line.name]
      return value === undefined ? [] : [[line.label, String(value)]]
    })
  }
  return (SAY[use.method] as (terms: CardUse['terms']) => Said[])(use.terms)
}

/** What holds for a use whatever its method: limits, times apart, re-entry, bees, water. */
export function sayLimits(use: CardUse): Said[] {
  const days = when(use.window, () => ['Days', use.window!])
  if (isHand(use.method)) return [...days, ['Worn', use.protectiveGear.join(', ')]]
  const { limits } = use
  return [
    ...days,
    ...when(limits?.activePerAreaYear, () => [
      'Most a year',
      `${limits!.activePerAreaYear} of active, whoever puts it on`,
    ]),
    ...when(limits?.timesPerYear, () => ['Times a year', `at most ${limits!.timesPerYear}`]),
    ...when(limits?.leastDays, () => ['Days between', `at least ${limits!.leastDays}`]),
    ...(use.apart ?? []).map((a): Said => [`From ${a.active}`, `${a.days} days apart, before and after`]),
    ['Closed for', use.reentryHours === 0 ? 'nobody, once it is dry or watered in' : `${use.reentryHours} h`],
    ['Bees', use.neverInBloom ? `never in bloom. ${use.beeCaution}` : use.beeCaution],
    ['Water', use.waterSetback ? `${use.waterSetback} away. ${use.waterCaution}` : use.waterCaution],
    ['Worn', use.protectiveGear.join(', ')],
  ]
}
