import type { Line, Rows, Sheet } from './sheet'
import type { Typed } from '@/ui/fields/paths'

const CHOICE: Line = {
  path: 'choice',
  label: 'Rate',
  kind: 'choice',
  options: [
    ['low', 'low'],
    ['high', 'high'],
  ],
  start: 'low',
}

const stems = (start: Rows['start']): Rows => ({
  rows: 'stems',
  each: 'stem',
  lines: [
    { path: 'girth', label: 'Girth', kind: 'quantity', unit: 'in', help: 'plain tape' },
    { path: 'diameter', label: 'or diameter', kind: 'quantity', unit: 'in', help: 'diameter tape' },
  ],
  start,
})

const rule = (name: string) => (typed: Typed) => typed['ports.rule'] === name
const pattern = (name: string) => (typed: Typed) => (typed['pattern.kind'] ?? 'rings') === name
const product = (name: string) => (typed: Typed) => (typed['product'] ?? 'liquid') === name

/** What says how much product goes round a trunk. */
const DRENCHED: readonly (Line | Rows)[] = [
  stems([{ girth: '56 in' }]),
  {
    path: 'basis',
    label: 'The label’s inch is of',
    kind: 'choice',
    options: [
      ['diameter', 'diameter (concentrates)'],
      ['girth', 'girth (ready to pour)'],
    ],
    start: 'diameter',
  },
  {
    path: 'multiStem',
    label: 'Several stems count as',
    kind: 'choice',
    options: [
      ['equivalent', 'one of the same wood area'],
      ['sum', 'their diameters added up'],
    ],
    start: 'equivalent',
    when: (typed) => Object.keys(typed).filter((p) => p.startsWith('stems[') && typed[p] !== '').length > 1,
  },
  { path: 'rate.low', label: 'Low rate per inch', kind: 'quantity', start: '0.1 fl oz' },
  { path: 'rate.high', label: 'High rate per inch', kind: 'quantity', start: '0.2 fl oz' },
  CHOICE,
  {
    rows: 'tiers',
    each: 'larger trunks',
    lines: [
      { path: 'above', label: 'Diameter above', kind: 'quantity' },
      { path: 'low', label: 'Low', kind: 'quantity' },
      { path: 'high', label: 'High', kind: 'quantity' },
    ],
    start: [{ above: '15 in', low: '0.2 fl oz', high: '0.4 fl oz' }],
  },
]

const STRENGTH: Line = {
  path: 'strength',
  label: 'Strength',
  kind: 'quantity',
  start: '2 lb/gal',
  help: 'active ingredient, by the label',
}

/** Everything about one trunk: its size, what goes in and where, what is poured round it. */
export const TRUNK_SHEETS: readonly Sheet[] = [
  {
    name: 'trunk',
    title: 'Trunk and root zone',
    question: 'How thick is it, and how far do its roots need peace?',
    lines: [
      stems([{ girth: '44 in' }]),
      {
        path: 'rootZoneFeetPerInch',
        label: 'Root zone, feet per inch',
        kind: 'number',
        start: '1',
        help: '1.25 or 1.5 for old and sensitive trees',
      },
    ],
    figures: [
      { label: 'Diameter, same wood area', path: 'equivalentDiameter' },
      { label: 'Root-zone radius', path: 'criticalRootZone.radius' },
      { label: 'Root-zone area', path: 'criticalRootZone.area' },
      { label: 'Diameters added up', path: 'summedDiameter' },
    ],
  },
  {
    name: 'injection',
    title: 'Trunk injection',
    question: 'How many ports, and how much in each?',
    lines: [
      { path: 'diameter', label: 'Diameter', kind: 'quantity', start: '14 in', help: 'at breast height' },
      {
        path: 'portGirth',
        label: 'Girth at the ports',
        kind: 'quantity',
        start: '52 in',
        help: 'taped low, over the flares',
      },
      {
        path: 'product',
        label: 'Product comes as',
        kind: 'choice',
        options: [
          ['liquid', 'a liquid, by rate'],
          ['capsule', 'capsules'],
        ],
        start: 'liquid',
      },
      {
        path: 'ratePerInch.low',
        label: 'Low rate per inch',
        kind: 'quantity',
        start: '5 mL',
        when: product('liquid'),
      },
      {
        path: 'ratePerInch.high',
        label: 'High rate per inch',
        kind: 'quantity',
        start: '10 mL',
        when: product('liquid'),
      },
      { ...CHOICE, when: product('liquid') },
      {
        path: 'perPortMax',
        label: 'Most a port takes',
        kind: 'quantity',
        start: '20 mL',
        when: product('liquid'),
      },
      {
        path: 'capsule.volume',
        label: 'Capsule holds',
        kind: 'quantity',
        start: '3 mL',
        when: product('capsule'),
      },
      {
        path: 'capsule.maxPerInch',
        label: 'Most per inch',
        kind: 'quantity',
        start: '4 mL',
        when: product('capsule'),
      },
      {
        path: 'ports.rule',
        label: 'The label counts ports',
        kind: 'choice',
        options: [
          ['spacing', 'by spacing round the girth'],
          ['per-diameter', 'by inches of diameter'],
          ['table', 'by a table'],
        ],
        start: 'spacing',
      },
      { path: 'ports.spacing', label: 'Spacing', kind: 'quantity', start: '6 in', when: rule('spacing') },
      {
        path: 'ports.inchesPerPort',
        label: 'Inches of diameter a port',
        kind: 'number',
        start: '2',
        when: rule('per-diameter'),
      },
      {
        rows: 'ports.rows',
        each: 'row',
        lines: [
          { path: 'upTo', label: 'Diameter up to', kind: 'quantity', help: 'last row open' },
          { path: 'ports', label: 'Ports', kind: 'number' },
        ],
        start: [{ upTo: '10 in', ports: '4' }, { ports: '6' }],
        when: rule('table'),
      },
    ],
    figures: [
      { label: 'Ports', path: 'ports', unit: '' },
      { label: 'Each port', path: 'perPort' },
      { label: 'The tree', path: 'volume' },
    ],
    ask: ({ product, ...request }) => (void product, request),
  },
  {
    name: 'ports',
    title: 'Where the ports go',
    question: 'Which bearings carry best?',
    lines: [
      { path: 'portGirth', label: 'Girth at the ports', kind: 'quantity', start: '52 in' },
      { path: 'count', label: 'Ports', kind: 'number', start: '8' },
      { path: 'minSpacing', label: 'At least apart', kind: 'quantity', start: '4 in' },
      { path: 'maxGap', label: 'At most apart', kind: 'quantity', start: '9 in' },
      {
        rows: 'flares',
        each: 'flare',
        lines: [
          { path: 'bearing', label: 'Flare at °', kind: 'number' },
          { path: 'halfWidth', label: 'Half width °', kind: 'number' },
        ],
        start: [
          { bearing: '10', halfWidth: '18' },
          { bearing: '85', halfWidth: '20' },
          { bearing: '200', halfWidth: '24' },
          { bearing: '285', halfWidth: '20' },
        ],
      },
      {
        rows: 'exclusions',
        each: 'dead sector',
        lines: [
          { path: 'from', label: 'Dead from °', kind: 'number' },
          { path: 'to', label: 'to °', kind: 'number' },
        ],
        start: [{ from: '100', to: '140' }],
      },
      {
        rows: 'thinSectors',
        each: 'thin side',
        lines: [
          { path: 'from', label: 'Thin from °', kind: 'number' },
          { path: 'to', label: 'to °', kind: 'number' },
          { path: 'severity', label: 'Share missing', kind: 'number' },
        ],
        start: [{ from: '300', to: '20', severity: '0.6' }],
      },
      {
        rows: 'earlierHoles',
        each: 'earlier hole',
        lines: [
          { path: 'bearing', label: 'Hole at °', kind: 'number' },
          { path: 'years', label: 'Years ago', kind: 'number' },
        ],
        start: [{ bearing: '47', years: '1' }],
      },
    ],
    figures: [
      { label: 'Bearings', path: 'bearings' },
      { label: 'Widest gap', path: 'largestGap' },
      { label: 'Could not be placed', path: 'missing', unit: 'ports' },
    ],
  },
  {
    name: 'drench',
    title: 'Soil drench',
    question: 'How much product, in how much water?',
    lines: [
      ...DRENCHED,
      {
        rows: 'water',
        each: 'water row',
        lines: [
          { path: 'girthUpTo', label: 'Girth up to', kind: 'quantity', help: 'last row open' },
          { path: 'volume', label: 'Water', kind: 'quantity' },
        ],
        start: [{ girthUpTo: '50 in', volume: '1 gal' }, { volume: '2 gal' }],
      },
      STRENGTH,
    ],
    figures: [
      { label: 'Product', path: 'product' },
      { label: 'Water', path: 'water' },
      { label: 'Active ingredient', path: 'activeIngredient' },
    ],
  },
  {
    name: 'soil-injection',
    title: 'Soil injection',
    question: 'How many holes, and what goes in each?',
    lines: [
      ...DRENCHED,
      STRENGTH,
      {
        path: 'pattern.kind',
        label: 'Holes lie',
        kind: 'choice',
        options: [
          ['rings', 'in rings round the trunk'],
          ['grid', 'on a grid over the roots'],
        ],
        start: 'rings',
      },
      {
        path: 'pattern.first',
        label: 'First ring',
        kind: 'quantity',
        start: '1 ft',
        help: 'from the bark',
        when: pattern('rings'),
      },
      { path: 'pattern.rings', label: 'Rings', kind: 'number', start: '3', when: pattern('rings') },
      {
        path: 'pattern.holeSpacing',
        label: 'Holes apart on a ring',
        kind: 'quantity',
        start: '2.5 ft',
        when: pattern('rings'),
      },
      {
        path: 'pattern.radius',
        label: 'Out to',
        kind: 'quantity',
        start: '12 ft',
        help: 'from the middle of the trunk',
        when: pattern('grid'),
      },
      {
        path: 'pattern.trunkClear',
        label: 'Clear of the bark',
        kind: 'quantity',
        start: '1 ft',
        when: pattern('grid'),
      },
      {
        path: 'pattern.hardscapePercent',
        label: 'Paved, per cent',
        kind: 'number',
        start: '20',
        when: pattern('grid'),
      },
      {
        path: 'pattern.spacing',
        label: 'Rings or holes apart',
        kind: 'quantity',
        start: '2.5 ft',
        help: 'between rings, or between the holes of a grid',
      },
      { path: 'mixPerHole', label: 'Mix in a hole', kind: 'quantity', start: '8 fl oz' },
    ],
    figures: [
      { label: 'Holes', path: 'holes', unit: '' },
      { label: 'Each ring', path: 'ringHoles' },
      { label: 'Product', path: 'product' },
      { label: 'Water', path: 'water' },
      { label: 'Product in a hole', path: 'perHole' },
      { label: 'Active ingredient', path: 'activeIngredient' },
    ],
  },
  {
    name: 'bark',
    title: 'Bark spray',
    question: 'How much for each stem, and how much bark?',
    lines: [
      stems([{ diameter: '9 in' }, { girth: '20 in' }]),
      {
        path: 'rate.low',
        label: 'Low rate per inch',
        kind: 'quantity',
        start: '1 fl oz',
        help: 'of diameter',
      },
      { path: 'rate.high', label: 'High rate per inch', kind: 'quantity', start: '2 fl oz' },
      CHOICE,
      {
        path: 'bandHeight',
        label: 'Band up to',
        kind: 'quantity',
        start: '5 ft',
        help: 'from the soil line',
      },
      { ...STRENGTH, start: '0.8 lb/gal' },
    ],
    figures: [
      { label: 'Product', path: 'product' },
      { label: 'Each stem', path: 'stemByStem' },
      { label: 'Bark to wet', path: 'bandArea' },
      { label: 'Active ingredient', path: 'activeIngredient' },
    ],
  },
  {
    name: 'stock',
    title: 'Stock bottle',
    question: 'How is the bottle mixed, and what does each tree get?',
    lines: [
      { path: 'bottle', label: 'Bottle holds', kind: 'quantity', start: '64 fl oz' },
      { path: 'productPerInch', label: 'Product per inch', kind: 'quantity', start: '0.15 fl oz' },
      { path: 'pourPerInch', label: 'Pour per inch', kind: 'quantity', start: '0.5 fl oz' },
      {
        path: 'graduation',
        label: 'Measure shows',
        kind: 'quantity',
        start: '0.25 fl oz',
        help: 'its smallest step',
      },
      { path: 'maxProductPerInch', label: 'Label’s most per inch', kind: 'quantity', start: '0.16 fl oz' },
      {
        rows: 'trees',
        each: 'tree',
        lines: [{ path: '', label: 'Diameter', kind: 'quantity' }],
        start: [{ '': '11 in' }, { '': '7 1/2 in' }],
      },
    ],
    figures: [
      { label: 'Concentrate', path: 'concentrate' },
      { label: 'Water', path: 'water' },
      { label: 'Pours', path: 'poured' },
      { label: 'Bottles', path: 'bottles', unit: '' },
      { label: 'Product in all', path: 'productTotal' },
    ],
  },
]
