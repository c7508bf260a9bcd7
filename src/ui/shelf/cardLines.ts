import { type HandName, type PutOnMethod, isHand } from '@/core/methods/names'
import type { Method } from '@/core/card/card'
import { handMethod } from '@/core/methods/hand'
import type { Typed } from '@/ui/fields/paths'
import type { TypedLine } from '@/ui/fields/TypedLine'

/** One thing to copy from a label, under its path in the card (in a use, in the use), and how it is written. */
export interface CardLine extends TypedLine {
  kind:
    | 'text'
    | 'number'
    | 'yes'
    | 'choice'
    /** Kinds of tree or causes by name, with semicolons. */
    | 'hosts'
    | 'causes'
    /** Words with semicolons. */
    | 'list'
    /** Words with semicolons, or any. */
    | 'any-list'
    /** `apple 14; pear 30`: a name and days. */
    | 'harvest'
    | 'apart'
    /** `24 in: 0.2 fl oz to 0.4 fl oz`, several with semicolons. */
    | 'tiers'
    /** `50 in: 1 gal; 2 gal`, the last row open. */
    | 'water'
    /** `10 in: 6; 16`, the last row open. */
    | 'portTable'
  wide?: boolean
}

const is = (path: string, value: string) => (typed: Typed) => typed[path] === value

/** What a card says of the product, in the order of a label’s first panel. */
export const PRODUCT_LINES: readonly CardLine[] = [
  {
    path: 'kind',
    label: 'This is',
    kind: 'choice',
    options: [
      ['label', 'a label card'],
      ['house', 'a house card, no label'],
    ],
    start: 'label',
  },
  { path: 'code', label: 'Our short code', kind: 'text', help: 'capital letters and digits: EB4' },
  { path: 'name', label: 'Name on the label', kind: 'text' },
  { path: 'registration', label: 'Registration number', kind: 'text', when: is('kind', 'label') },
  {
    path: 'formulation',
    label: 'What it is',
    kind: 'text',
    help: 'such as liquid for trunk injection, wettable powder',
  },
  {
    path: 'signalWord',
    label: 'Signal word',
    kind: 'choice',
    options: [
      ['none', 'none'],
      ['caution', 'caution'],
      ['warning', 'warning'],
      ['danger', 'danger'],
    ],
    start: 'caution',
  },
  {
    path: 'example',
    label: 'Only an example',
    kind: 'yes',
    help: 'Said on its face: nothing is put on by it.',
    start: 'no',
  },
  { path: 'storage', label: 'How it is kept', kind: 'text', wide: true },
]

export const ACTIVE_LINES: readonly CardLine[] = [
  { path: 'name', label: 'Active ingredient', kind: 'text' },
  { path: 'strength', label: 'Strength', kind: 'text', help: 'such as 4 % or 2 lb/gal' },
  { path: 'group', label: 'Group', kind: 'text', help: 'mode of action: 4A, M02' },
]

/** What every use says before its terms: where and on what. */
const USE_BEFORE: readonly CardLine[] = [
  {
    path: 'hosts',
    label: 'On these trees',
    kind: 'hosts',
    help: 'names with semicolons between, or any',
    wide: true,
  },
  { path: 'notOn', label: 'Not on', kind: 'hosts', wide: true },
  {
    path: 'targets',
    label: 'For',
    kind: 'causes',
    help: 'causes by name, with semicolons between',
    wide: true,
  },
  { path: 'forbiddenOnFood', label: 'Forbidden on trees that bear food', kind: 'yes', start: 'yes' },
  {
    path: 'foodCrops',
    label: 'Food crops it names, days to harvest',
    kind: 'harvest',
    help: 'such as apple 14; pear 30',
    wide: true,
    when: is('forbiddenOnFood', 'no'),
  },
]

/** What every use says after its terms: limits and care. */
const WINDOW_LINE: CardLine = {
  path: 'window',
  label: 'Days it may go on',
  kind: 'text',
  help: 'any day where empty; such as 15 Oct to 28 Feb, 450 to 900 °F·d, not in bloom',
  wide: true,
}

const USE_AFTER: readonly CardLine[] = [
  WINDOW_LINE,
  {
    path: 'limits.activePerAreaYear',
    label: 'Most active a year',
    kind: 'text',
    help: 'such as 0.4 lb/acre',
  },
  { path: 'limits.timesPerYear', label: 'Times a year, at most', kind: 'number' },
  { path: 'limits.leastDays', label: 'Days between, at least', kind: 'number' },
  { path: 'apart', label: 'Days from other actives', kind: 'apart', help: 'such as sulfur 14; captan 14' },
  { path: 'reentryHours', label: 'Closed for, hours', kind: 'number' },
  { path: 'neverInBloom', label: 'Never in bloom', kind: 'yes', start: 'no' },
  { path: 'beeCaution', label: 'Bees', kind: 'text', wide: true },
  { path: 'waterSetback', label: 'Away from water', kind: 'text', help: 'such as 25 ft' },
  { path: 'waterCaution', label: 'Water', kind: 'text', wide: true },
  {
    path: 'protectiveGear',
    label: 'What is worn',
    kind: 'list',
    help: 'with semicolons between',
    wide: true,
  },
]

const line = (path: string, label: string, hint?: string, more: Partial<CardLine> = {}): CardLine => ({
  path: `terms.${path}`,
  label,
  kind: 'text',
  ...(hint !== undefined && { help: `such as ${hint}` }),
  ...more,
})
const number = (path: string, label: string, hint?: string) => line(path, label, hint, { kind: 'number' })

const POURED: readonly CardLine[] = [
  line('basis', 'The label’s inch is of', undefined, {
    kind: 'choice',
    options: [
      ['diameter', 'diameter'],
      ['girth', 'girth'],
    ],
    start: 'diameter',
  }),
  line('multiStem', 'Several stems count as', undefined, {
    kind: 'choice',
    options: [
      ['equivalent', 'one of the same wood area'],
      ['sum', 'their diameters added up'],
    ],
    start: 'equivalent',
  }),
  line('rate.low', 'Low rate an inch', '0.1 fl oz'),
  line('rate.high', 'High rate an inch', '0.2 fl oz'),
  line('tiers', 'Rates for larger trunks', '24 in: 0.2 fl oz to 0.4 fl oz', { kind: 'tiers', wide: true }),
  line('strength', 'Active in it', '2 lb/gal'),
]
const AGAIN = number('retreatYears', 'Again after, years')
const WARMTH: readonly CardLine[] = [
  line('temperature.least', 'Not below', '45 F'),
  line('temperature.most', 'Not above', '90 F'),
]

/** What a label says of each way of putting it on. */
const TERM_LINES: Record<PutOnMethod, readonly CardLine[]> = {
  'trunk-injection': [
    line('hardware', 'Hardware', 'pressure bottle, capsule, infusion with plugs', { wide: true }),
    line('ratePerInch.low', 'Low rate an inch of diameter', '5 mL'),
    line('ratePerInch.high', 'High rate an inch of diameter', '10 mL'),
    line('capsule.volume', 'or a capsule holds', '3 mL'),
    line('capsule.maxPerInch', 'Capsules: most an inch', '2 mL'),
    line('ports.rule', 'Ports are counted', undefined, {
      kind: 'choice',
      options: [
        ['spacing', 'by spacing round the girth'],
        ['per-diameter', 'by inches of diameter'],
        ['table', 'by a table'],
      ],
      start: 'spacing',
    }),
    line('ports.spacing', 'One every', '6 in', { when: is('terms.ports.rule', 'spacing') }),
    { ...number('ports.inchesPerPort', 'Inches a port'), when: is('terms.ports.rule', 'per-diameter') },
    line('ports.rows', 'Ports by diameter', '10 in: 6; 16', {
      kind: 'portTable',
      when: is('terms.ports.rule', 'table'),
    }),
    line('minSpacing', 'Apart, at least', '4 in'),
    line('maxGap', 'Widest gap', '9 in'),
    number('dilution', 'Water, parts to one of product'),
    line('perPortMax', 'Most a port, water included', '20 mL'),
    number('minPorts', 'Fewest ports'),
    line('bit', 'Drill bit', '1/4 in'),
    line('depth', 'Depth', '1 in'),
    number('uptakeMinutes.from', 'Uptake from, minutes'),
    number('uptakeMinutes.to', 'Uptake to, minutes'),
    ...WARMTH,
    line('hole', 'The hole afterwards', 'leave open'),
    AGAIN,
  ],
  'soil-drench': [
    ...POURED,
    line('water', 'Water by girth', '50 in: 1 gal; 2 gal', { kind: 'water' }),
    line('basin.from', 'Basin from', '6 in'),
    line('basin.to', 'Basin to', '18 in'),
    line('mostRainComing', 'Not with more rain coming than', '0.5 in'),
    line('after', 'Afterwards', 'mulch back, water in', { wide: true }),
    AGAIN,
  ],
  'soil-injection': [
    ...POURED,
    line('pattern.kind', 'Holes lie', undefined, {
      kind: 'choice',
      options: [
        ['rings', 'in rings'],
        ['grid', 'on a grid'],
      ],
      start: 'rings',
    }),
    line('pattern.first', 'First ring from the bark', '1 ft', { when: is('terms.pattern.kind', 'rings') }),
    { ...number('pattern.rings', 'Rings'), when: is('terms.pattern.kind', 'rings') },
    line('pattern.holeSpacing', 'Holes apart on a ring', '2.5 ft', {
      when: is('terms.pattern.kind', 'rings'),
    }),
    line('pattern.trunkClear', 'Clear of the bark', '1 ft', { when: is('terms.pattern.kind', 'grid') }),
    line('pattern.spacing', 'Rings, or holes of the grid, apart', '2.5 ft'),
    line('mixPerHole', 'Mix in a hole', '8 fl oz'),
    line('depth.low', 'Deep, from', '4 in'),
    line('depth.high', 'Deep, to', '8 in'),
    AGAIN,
  ],
  'bark-spray': [
    line('rate.low', 'Low rate an inch of diameter', '1 fl oz'),
    line('rate.high', 'High rate an inch of diameter', '2 fl oz'),
    line('strength', 'Active in it', '0.8 lb/gal'),
    line('bandHeight', 'Band up to', '5 ft'),
    line('penetrant', 'Penetrant with it'),
    AGAIN,
  ],
  'crown-spray': [
    line('kind', 'It works', undefined, {
      kind: 'choice',
      options: [
        ['contact', 'on what it wets'],
        ['protective', 'as a film before infection'],
        ['biological', 'as a living thing'],
        ['bactericide', 'on bacteria in bloom'],
        ['powder', 'as a powder'],
      ],
      start: 'contact',
    }),
    line('mix.low', 'Weakest mix', '1 %, 4 tsp/gal, 2 lb/100 gal'),
    line('mix.high', 'Strongest mix'),
    line('volumeRate', 'Spray for the crown', '0.8 gal/1000 ft3'),
    line('when', 'When', 'before rain that makes infection', { wide: true }),
    number('repeatDays.least', 'Again after, days, at least'),
    number('repeatDays.most', 'Again after, days, at most'),
    number('rainFastHours', 'Dry hours after'),
    line('washOff', 'Gone after rain of', '1 in'),
    line('wind.least', 'Wind from', '2 mph'),
    line('wind.most', 'Wind up to', '10 mph'),
    line('wind.gust', 'Gusts up to', '15 mph'),
    ...WARMTH,
    number('noFreezeHours', 'No frost for, hours'),
    line('strongSun', 'Also in strong sun', undefined, { kind: 'yes', start: 'yes' }),
    line('strength', 'Active in it', '2 lb/gal'),
    line('tank.with', 'May share a tank with', undefined, {
      kind: 'any-list',
      help: 'actives with semicolons between, or any; empty where the label is silent',
      wide: true,
    }),
    line('tank.never', 'Never in a tank with', 'oil; sulfur', { kind: 'list', wide: true }),
  ],
  feed: [
    line('analysis', 'On the bag', '18-6-12'),
    line('nitrogen.low', 'Nitrogen, low', '2 lb/1000 ft2'),
    line('nitrogen.high', 'Nitrogen, high', '4 lb/1000 ft2'),
    line('release', 'Release', undefined, {
      kind: 'choice',
      options: [
        ['slow', 'slow'],
        ['quick', 'quick'],
      ],
      start: 'slow',
    }),
    line('put', 'Put on', 'ring; thrown; deep', { kind: 'list' }),
    line('holes.spacing', 'Holes apart', '3 ft'),
    line('holes.depth.low', 'Holes deep, from', '6 in'),
    line('holes.depth.high', 'Holes deep, to', '12 in'),
    line('biostimulant', 'Biostimulant with it'),
    line('notWhen', 'Not when', 'never into dry or frozen soil', { wide: true }),
  ],
}

/** What the house sets for work without a product. */
const handLines = (method: HandName): readonly CardLine[] =>
  handMethod(method).terms.map((t) => ({
    path: `terms.${t.name}`,
    label: t.label,
    ...(t.hint !== undefined && { help: `such as ${t.hint}` }),
    kind: t.kind === 'count' ? 'number' : t.kind === 'choice' ? 'choice' : 'text',
    ...(t.options && { options: t.options.map((o) => [o, o] as const), start: t.options[0] }),
    wide: t.kind === 'words',
  }))

/** Where, and what is worn; nothing is put on. */
const HAND_BEFORE = USE_BEFORE.filter((l) => ['hosts', 'notOn', 'targets'].includes(l.path)).map((l) =>
  l.path === 'targets'
    ? { ...l, help: 'empty where the almanac decides: wherever it names this for a cause' }
    : l,
)
const HAND_AFTER = USE_AFTER.filter((l) => ['window', 'protectiveGear'].includes(l.path))

/** The lines of one use under their headings, in the order a label is read. */
export const partsOfUse = (
  method: Method,
): readonly (readonly [heading: string, lines: readonly CardLine[]])[] =>
  isHand(method)
    ? [
        ['On what, and for what', HAND_BEFORE],
        ['How', handLines(method)],
        ['Care', HAND_AFTER],
      ]
    : [
        ['On what, and for what', USE_BEFORE],
        ['How much, and how', TERM_LINES[method]],
        ['Limits and care', USE_AFTER],
      ]

/** All the lines of one use. */
export const linesOfUse = (method: Method): readonly CardLine[] =>
  partsOfUse(method).flatMap(([, lines]) => lines)
