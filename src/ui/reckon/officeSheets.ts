import type { Sheet } from './sheet'

const row = (value: unknown) => (value ?? []) as Record<string, unknown>[]

/** What work costs, what a truck takes, whether it worked. */
export const OFFICE_SHEETS: readonly Sheet[] = [
  {
    name: 'price',
    title: 'Price',
    question: 'What does the work cost?',
    lines: [
      {
        rows: 'rules.perInch',
        each: 'size class',
        lines: [
          { path: 'upTo', label: 'Up to', kind: 'quantity', help: 'empty: no end' },
          { path: 'price', label: 'An inch, $', kind: 'text' },
        ],
        start: [{ upTo: '10 in', price: '8' }, { price: '10.50' }],
      },
      { path: 'rules.perTree', label: 'A tree and visit, $', kind: 'text', start: '12' },
      { path: 'rules.perHour', label: 'An hour, $', kind: 'text', start: '80' },
      { path: 'rules.perGallon', label: 'A gallon, $', kind: 'text', start: '' },
      { path: 'rules.travel.perMile', label: 'A mile, $', kind: 'text', start: '1.10' },
      { path: 'rules.travel.miles', label: 'Miles there and back', kind: 'text', start: '24' },
      { path: 'rules.travel.free', label: 'Miles that are free', kind: 'text', start: '10' },
      { path: 'rules.least', label: 'Least, $', kind: 'text', start: '150' },
      {
        rows: 'rules.discount',
        each: 'discount',
        lines: [
          { path: 'fromLines', label: 'From so many lines', kind: 'number' },
          { path: 'percent', label: 'Per cent', kind: 'text' },
        ],
        start: [{ fromLines: '3', percent: '5' }],
      },
      { path: 'rules.taxPercent', label: 'Tax, per cent', kind: 'text', start: '' },
      {
        rows: 'lines',
        each: 'line',
        pasted: true,
        lines: [
          { path: 'id', label: 'Work', kind: 'text', also: ['tree', 'line'] },
          { path: 'diameter', label: 'Diameter', kind: 'quantity', unit: 'in', also: ['dbh'] },
          { path: 'hours', label: 'Hours', kind: 'text' },
          { path: 'gallons', label: 'Gallons', kind: 'text' },
          { path: 'visits', label: 'Visits', kind: 'number' },
          { path: 'onlyIf.ceiling', label: 'If needed, at most $', kind: 'text', also: ['ceiling'] },
        ],
        start: [
          { id: 'Elm 4', diameter: '22 in', hours: '0.5', visits: '1' },
          { id: 'Elm 5', diameter: '9 in', hours: '0.25', visits: '2' },
          { id: 'Collar of Elm 4', hours: '2', 'onlyIf.ceiling': '140' },
        ],
      },
    ],
    figures: [
      { label: 'Total', path: 'total', unit: '$' },
      { label: 'With all that may come', path: 'mostTotal', unit: '$' },
      { label: 'Discount', path: 'discount', unit: '$' },
      { label: 'Travel', path: 'travel', unit: '$' },
      { label: 'Up to the least', path: 'lift', unit: '$' },
      { label: 'Tax', path: 'tax', unit: '$' },
    ],
    ask: (request) => ({ rules: {}, lines: [], ...request }),
  },
  {
    name: 'loadout',
    title: 'Load-out',
    question: 'What does the truck take?',
    lines: [
      { path: 'day', label: 'Day', kind: 'date', start: '2026-06-12' },
      {
        path: 'spare',
        label: 'Spare, as a share',
        kind: 'number',
        start: '0.1',
        help: '0.1 is a tenth more',
      },
      { path: 'mostErrorPercent', label: 'A dose may be off by, %', kind: 'number', start: '2.5' },
      {
        rows: 'needs',
        each: 'dose',
        pasted: true,
        lines: [
          { path: 'id', label: 'Tree', kind: 'text' },
          { path: 'product', label: 'Product', kind: 'text' },
          { path: 'amount', label: 'Dose', kind: 'quantity', unit: 'fl oz' },
        ],
        start: [
          { id: 'Elm 4', product: 'T2', amount: '120 mL' },
          { id: 'Elm 5', product: 'T2', amount: '5 fl oz' },
        ],
      },
      {
        rows: 'lots',
        each: 'lot',
        pasted: true,
        lines: [
          { path: 'lot', label: 'Lot', kind: 'text' },
          { path: 'product', label: 'Product', kind: 'text' },
          { path: 'left', label: 'Left', kind: 'quantity', unit: 'fl oz' },
          { path: 'expires', label: 'Good until', kind: 'date' },
          {
            path: 'opened',
            label: 'Opened',
            kind: 'choice',
            options: [
              ['no', 'no'],
              ['yes', 'yes'],
            ],
          },
        ],
        start: [
          { lot: 'K1', product: 'T2', left: '0.2 L', expires: '2027-05-01', opened: 'yes' },
          { lot: 'K2', product: 'T2', left: '1 L', expires: '2028-05-01', opened: 'no' },
        ],
      },
      {
        rows: 'measures',
        each: 'measure',
        lines: [
          { path: 'name', label: 'Measure', kind: 'text' },
          { path: 'smallest', label: 'Shows from', kind: 'quantity', unit: 'fl oz' },
          { path: 'step', label: 'in steps of', kind: 'quantity', unit: 'fl oz' },
          { path: 'largest', label: 'to', kind: 'quantity', unit: 'fl oz' },
        ],
        start: [
          { name: 'cylinder', smallest: '10 mL', step: '2 mL', largest: '250 mL' },
          { name: 'syringe', smallest: '0.5 mL', step: '0.5 mL', largest: '20 mL' },
        ],
      },
    ],
    figures: [
      { label: 'Takes', path: 'taken' },
      { label: 'Short', path: 'shortOf' },
      { label: 'Measured by', path: 'measuredBy' },
    ],
    ask: ({ lots, ...rest }) => ({
      needs: [],
      measures: [],
      ...rest,
      lots: row(lots).map((l) => ({ ...l, opened: l['opened'] === 'yes' })),
    }),
  },
  {
    name: 'response',
    title: 'Response',
    question: 'Did it work, and which worked better?',
    lines: [
      { path: 'level', label: 'How sure, as a share', kind: 'number', start: '0.9' },
      { path: 'prior.mean', label: 'Believed before, as a share', kind: 'number', start: '0.6' },
      {
        path: 'prior.weight',
        label: 'Weighs as much as so many trees',
        kind: 'number',
        start: '5',
      },
      {
        rows: 'groups',
        each: 'group',
        pasted: true,
        lines: [
          { path: 'group', label: 'What was done', kind: 'text' },
          { path: 'success', label: 'Worked', kind: 'number' },
          { path: 'of', label: 'of', kind: 'number' },
        ],
        start: [
          { group: 'drench in autumn', success: '21', of: '30' },
          { group: 'drench in spring', success: '11', of: '12' },
        ],
      },
    ],
    figures: [
      { label: 'Truly works for', path: 'worksFor' },
      { label: 'Better', path: 'betterOf' },
    ],
  },
]
