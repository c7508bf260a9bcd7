import type { Line, Sheet } from './sheet'

const HOURS = Array.from({ length: 8 }, (_, i) => ({
  time: `2026-06-12T${String(5 + i).padStart(2, '0')}:00`,
  temperature: `${56 + 3 * i} F`,
  wind: `${1 + i} mph`,
  rain: i === 7 ? '0.05 in' : '0 in',
}))

const APPLICATION: readonly Line[] = [
  { path: 'date', label: 'Date', kind: 'date' },
  { path: 'product', label: 'Product', kind: 'text' },
  { path: 'active', label: 'Active', kind: 'text' },
  { path: 'group', label: 'Group', kind: 'text' },
  { path: 'kind', label: 'Kind', kind: 'text' },
]

/** Per product rules become maps by product; the rest of the question is as typed. */
function withProductRules(request: Record<string, unknown>): Record<string, unknown> {
  const { byProduct, ...rest } = request as {
    byProduct?: Record<string, unknown>[]
    rules?: Record<string, unknown>
  }
  const rules: Record<string, unknown> = { ...rest.rules }
  for (const row of byProduct ?? [])
    for (const name of ['minDays', 'maxApplications', 'harvestDays'])
      if (row[name] !== undefined && typeof row['product'] === 'string')
        rules[name] = { ...(rules[name] as object), [row['product']]: row[name] }
  const one = (rules['apart'] as { one?: string; other?: string; days?: unknown }[] | undefined)?.map(
    (a) => ({
      actives: [a.one ?? '', a.other ?? ''],
      days: a.days,
    }),
  )
  if (one) rules['apart'] = one
  if (rules['rotate'] !== undefined) rules['rotate'] = [rules['rotate']]
  return { plan: [], ...rest, rules }
}

/** Limits, seasons, hours, repeats and money. */
export const PLAN_SHEETS: readonly Sheet[] = [
  {
    name: 'cap',
    title: 'Yearly limit',
    question: 'Which trees fit into this year’s limit?',
    lines: [
      { path: 'limit', label: 'Limit a year', kind: 'quantity', start: '0.4 lb/acre' },
      { path: 'area', label: 'Area', kind: 'quantity', start: '0.75 acre' },
      {
        rows: 'applied',
        each: 'applied this year',
        lines: [{ path: '', label: 'Active ingredient', kind: 'quantity', help: 'whoever applied it' }],
        start: [{ '': '0.1 lb' }],
      },
      { path: 'activePerInch', label: 'Active per inch', kind: 'quantity', start: '0.003125 lb' },
      {
        rows: 'trees',
        each: 'tree',
        lines: [
          { path: 'id', label: 'Tree', kind: 'text' },
          { path: 'diameter', label: 'Diameter', kind: 'quantity' },
          { path: 'priority', label: 'Matters', kind: 'number' },
        ],
        start: [
          { id: 'A', diameter: '14 in', priority: '3' },
          { id: 'B', diameter: '22 in', priority: '5' },
          { id: 'C', diameter: '30 in', priority: '6' },
          { id: 'D', diameter: '9 in', priority: '2' },
        ],
      },
    ],
    figures: [
      { label: 'Treat', path: 'treat' },
      { label: 'Wait', path: 'wait' },
      { label: 'Remaining', path: 'remaining' },
      { label: 'Inches left', path: 'inchesLeft', unit: 'in' },
    ],
  },
  {
    name: 'share',
    title: 'Sharing the limit',
    question: 'Which trees this way, which that way, and which wait?',
    lines: [
      {
        path: 'limit',
        label: 'Limit this year',
        kind: 'quantity',
        start: '0.1 lb',
        help: 'for the whole ground',
      },
      {
        rows: 'applied',
        each: 'applied this year',
        lines: [{ path: '', label: 'Active ingredient', kind: 'quantity', help: 'whoever applied it' }],
        start: [{ '': '0.02 lb' }],
      },
      { path: 'minutes', label: 'Minutes of work', kind: 'number', start: '150', help: 'empty for no end' },
      {
        rows: 'trees',
        each: 'tree',
        pasted: true,
        lines: [
          { path: 'id', label: 'Tree', kind: 'text' },
          { path: 'priority', label: 'Matters', kind: 'number' },
          { path: 'active', label: 'Drench, active', kind: 'quantity' },
          { path: 'drenchMinutes', label: 'Drench, min', kind: 'number' },
          { path: 'injectMinutes', label: 'Inject, min', kind: 'number', help: 'empty where it cannot be' },
        ],
        start: [
          { id: 'A', priority: '5', active: '0.05 lb', drenchMinutes: '12', injectMinutes: '45' },
          { id: 'B', priority: '4', active: '0.03 lb', drenchMinutes: '12', injectMinutes: '40' },
          { id: 'C', priority: '2', active: '0.02 lb', drenchMinutes: '10', injectMinutes: '' },
        ],
      },
    ],
    figures: [
      { label: 'Drench', path: 'drenched' },
      { label: 'Inject', path: 'injected' },
      { label: 'Wait', path: 'left' },
      { label: 'Active used', path: 'used' },
      { label: 'Left of the limit', path: 'remaining' },
      { label: 'Minutes', path: 'minutes', unit: 'min' },
    ],
    ask: ({ trees, ...rest }) => ({
      ...rest,
      trees: ((trees ?? []) as Record<string, unknown>[]).map((row) => ({
        id: row['id'],
        priority: row['priority'],
        ways: [
          { way: 'drench', active: row['active'], minutes: row['drenchMinutes'] },
          ...(row['injectMinutes'] === undefined
            ? []
            : [{ way: 'inject', active: '0 lb', minutes: row['injectMinutes'] }]),
        ],
      })),
    }),
    lineOf: (field) =>
      field
        .replace(/\.ways\[1\]\.\w+$/, '.injectMinutes')
        .replace(/\.ways\[0\]\.minutes$/, '.drenchMinutes')
        .replace(/\.ways(\[0\](\.\w+)?)?$/, '.active'),
  },
  {
    name: 'degree-days',
    title: 'Degree days',
    question: 'How much warmth has added up?',
    lines: [
      {
        path: 'method',
        label: 'A day counts',
        kind: 'choice',
        options: [
          ['sine', 'by its sine'],
          ['average', 'by its average'],
        ],
        start: 'sine',
      },
      { path: 'base', label: 'Base', kind: 'quantity', start: '50 F' },
      {
        path: 'upper',
        label: 'Upper cut-off',
        kind: 'quantity',
        start: '86 F',
        help: 'leave empty for none',
      },
      {
        rows: 'days',
        each: 'day',
        lines: [
          { path: 'date', label: 'Date', kind: 'date', also: ['day'] },
          { path: 'min', label: 'Lowest', kind: 'quantity', also: ['low', 'minimum', 'tmin'] },
          { path: 'max', label: 'Highest', kind: 'quantity', also: ['high', 'maximum', 'tmax'] },
        ],
        pasted: true,
        start: [
          { date: '2026-05-01', min: '38 F', max: '61 F' },
          { date: '2026-05-02', min: '45 F', max: '70 F' },
          { date: '2026-05-03', min: '52 F', max: '74 F' },
        ],
      },
    ],
    figures: [{ label: 'Degree days', path: 'total' }],
  },
  {
    name: 'spray-hours',
    title: 'Spray hours',
    question: 'When can it go out?',
    lines: [
      {
        rows: 'hours',
        each: 'hour',
        lines: [
          { path: 'time', label: 'Hour', kind: 'text', also: ['date', 'datetime'] },
          { path: 'temperature', label: 'Warm', kind: 'quantity', also: ['temp', 'air'] },
          { path: 'wind', label: 'Wind', kind: 'quantity', also: ['windspeed', 'speed'] },
          { path: 'rain', label: 'Rain', kind: 'quantity', also: ['precipitation', 'precip'] },
        ],
        pasted: true,
        start: HOURS,
      },
      { path: 'limits.minTemperature', label: 'From', kind: 'quantity', start: '45 F' },
      { path: 'limits.maxTemperature', label: 'To', kind: 'quantity', start: '85 F' },
      {
        path: 'limits.minWind',
        label: 'Wind from',
        kind: 'quantity',
        start: '2 mph',
        help: 'stiller air drifts unseen',
      },
      { path: 'limits.maxWind', label: 'Wind to', kind: 'quantity', start: '10 mph' },
      { path: 'limits.rainFastHours', label: 'Dry hours after', kind: 'number', start: '2' },
      { path: 'limits.noFreezeHours', label: 'Hours without frost', kind: 'number', start: '' },
      {
        path: 'limits.coolHours',
        label: 'Hours no hotter after (oil 6, sulfur 36)',
        kind: 'number',
        start: '',
      },
      { path: 'need', label: 'Hours needed', kind: 'number', start: '2' },
    ],
    figures: [
      { label: 'Best run', path: 'best.from' },
      { label: 'Open in a row', path: 'best.hours', unit: 'h' },
    ],
  },
  {
    name: 'intervals',
    title: 'Intervals',
    question: 'Does the plan keep its distances?',
    lines: [
      {
        rows: 'plan',
        each: 'planned',
        lines: APPLICATION,
        start: [{ date: '2026-05-06', product: 'K', active: 'captan', group: 'M04', kind: 'fungicide' }],
      },
      {
        rows: 'history',
        each: 'done',
        lines: APPLICATION,
        start: [{ date: '2026-05-01', product: 'K', active: 'captan', group: 'M04', kind: 'fungicide' }],
      },
      {
        rows: 'byProduct',
        each: 'product rule',
        lines: [
          { path: 'product', label: 'Product', kind: 'text' },
          { path: 'minDays', label: 'Days between', kind: 'number' },
          { path: 'maxApplications', label: 'Most a year', kind: 'number' },
          { path: 'harvestDays', label: 'Days to harvest', kind: 'number' },
        ],
        start: [{ product: 'K', minDays: '7', maxApplications: '6', harvestDays: '14' }],
      },
      {
        rows: 'rules.apart',
        each: 'pair kept apart',
        lines: [
          { path: 'one', label: 'Active', kind: 'text' },
          { path: 'other', label: 'from', kind: 'text' },
          { path: 'days', label: 'Days', kind: 'number' },
        ],
        start: [{ one: 'oil', other: 'sulfur', days: '14' }],
      },
      { path: 'rules.rotate', label: 'Rotate groups of', kind: 'text', start: 'fungicide' },
      { path: 'rules.maxRunOfGroup', label: 'Same group running', kind: 'number', start: '2' },
      { path: 'rules.harvest', label: 'Picking from', kind: 'date', start: '' },
      { path: 'rules.bloom.from', label: 'Bloom from', kind: 'date', start: '' },
      { path: 'rules.bloom.to', label: 'Bloom to', kind: 'date', start: '' },
    ],
    figures: [{ label: 'In conflict', path: 'conflictList' }],
    ask: withProductRules,
  },
  {
    name: 'worth',
    title: 'Worth of treating',
    question: 'Treat, remove, or leave it?',
    lines: [
      { path: 'years', label: 'Years ahead', kind: 'number', start: '10' },
      { path: 'discountPercent', label: 'Discount, per cent', kind: 'number', start: '4' },
      { path: 'treat.costPerVisit', label: 'A visit costs', kind: 'number', start: '160' },
      { path: 'treat.everyYears', label: 'Every how many years', kind: 'number', start: '2' },
      {
        path: 'treat.survival',
        label: 'Alive if treated, % by year',
        kind: 'numbers',
        share: true,
        start: '99 98 97 96 95 94 93 92 91 90',
      },
      { path: 'remove.cost', label: 'Removal costs', kind: 'number', start: '1100' },
      { path: 'remove.replace', label: 'New tree costs', kind: 'number', start: '400' },
      { path: 'remove.year', label: 'Removed in year', kind: 'number', start: '0', help: '0 is now' },
      {
        path: 'nothing.survival',
        label: 'Alive if left, % by year',
        kind: 'numbers',
        share: true,
        start: '90 70 45 25 12 6 3 1 1 1',
      },
      { path: 'nothing.emergencyCost', label: 'Emergency removal', kind: 'number', start: '1900' },
      { path: 'benefitPerYear', label: 'The tree gives a year', kind: 'number', start: '140' },
      {
        path: 'replacementBenefitShare',
        label: 'New tree gives, % by year',
        kind: 'numbers',
        share: true,
        start: '0 3 6 10 14 18 22 26 30 34',
      },
    ],
    figures: [
      { label: 'Treat', path: 'treat', unit: '$' },
      { label: 'Remove', path: 'remove', unit: '$' },
      { label: 'Nothing', path: 'nothing', unit: '$' },
      { label: 'Treating is ahead from year', path: 'breakEvenYear', unit: '' },
    ],
  },
]
