import type { Sheet } from './sheet'

/** What is done to the ground, the crown and the stem's foot. */
export const GROUND_SHEETS: readonly Sheet[] = [
  {
    name: 'spray',
    title: 'Crown spray',
    question: 'How much spray, how many tanks, how long?',
    lines: [
      {
        rows: 'crowns',
        each: 'kind of crown',
        lines: [
          {
            path: 'shape',
            label: 'Shape',
            kind: 'choice',
            options: [
              ['ellipsoid', 'round'],
              ['cone', 'cone'],
              ['cylinder', 'column'],
            ],
          },
          { path: 'height', label: 'Crown height', kind: 'quantity' },
          { path: 'width', label: 'Width', kind: 'quantity' },
          {
            path: 'density',
            label: 'Leaf',
            kind: 'choice',
            options: [
              ['sparse', 'sparse'],
              ['medium', 'medium'],
              ['dense', 'dense'],
            ],
          },
          { path: 'count', label: 'Trees', kind: 'number' },
        ],
        start: [{ shape: 'ellipsoid', height: '18 ft', width: '14 ft', density: 'medium', count: '6' }],
      },
      {
        path: 'mix',
        label: 'Mix',
        kind: 'quantity',
        start: '2 %',
        help: '2 %, 4 tsp/gal, 15 mL/2 L, 3 lb/100 gal',
      },
      { path: 'volumeRate', label: 'Spray by crown volume', kind: 'quantity', start: '0.8 gal/1000 ft3' },
      { path: 'tank', label: 'Tank', kind: 'quantity', start: '25 gal' },
      {
        path: 'flow',
        label: 'Flow at the nozzle',
        kind: 'quantity',
        start: '1.5 gal/min',
        help: 'caught for a timed minute',
      },
    ],
    figures: [
      { label: 'Spray', path: 'spray' },
      { label: 'Product', path: 'product' },
      { label: 'Loads', path: 'loaded' },
      { label: 'At the nozzle', path: 'minutes', unit: 'min' },
    ],
  },
  {
    name: 'feed',
    title: 'Feeding',
    question: 'How much from the bag, in how many holes?',
    lines: [
      { path: 'radius', label: 'Radius', kind: 'quantity', start: '18 ft', help: 'of the ground to feed' },
      { path: 'trunkClear', label: 'Clear of the trunk', kind: 'quantity', start: '3 ft' },
      { path: 'hardscapePercent', label: 'Paved, per cent', kind: 'number', start: '25' },
      { path: 'nitrogen', label: 'Nitrogen', kind: 'quantity', start: '3 lb/1000 ft2' },
      { path: 'analysis', label: 'On the bag', kind: 'text', start: '18-6-12' },
      { path: 'spacing', label: 'Holes apart', kind: 'quantity', start: '3 ft' },
    ],
    figures: [
      { label: 'From the bag', path: 'product' },
      { label: 'Each hole', path: 'perHole' },
      { label: 'Holes', path: 'holes', unit: '' },
      { label: 'Ground', path: 'area' },
    ],
  },
  {
    name: 'soilwork',
    title: 'Radial trenches',
    question: 'How much trench, and what fills it?',
    lines: [
      { path: 'spokes', label: 'Trenches', kind: 'number', start: '8' },
      { path: 'start', label: 'Begin', kind: 'quantity', start: '4 ft', help: 'from the trunk’s middle' },
      { path: 'end', label: 'End', kind: 'quantity', start: '14 ft' },
      { path: 'width', label: 'Wide', kind: 'quantity', start: '10 in' },
      { path: 'depth', label: 'Deep', kind: 'quantity', start: '12 in' },
      { path: 'rootZoneRadius', label: 'Root-zone radius', kind: 'quantity', start: '18 ft' },
    ],
    figures: [
      { label: 'Trench', path: 'trenchLength' },
      { label: 'Backfill', path: 'backfill' },
      { label: 'Root zone opened', path: 'openedPercent', unit: '%' },
    ],
  },
  {
    name: 'water',
    title: 'Watering',
    question: 'How much water, and how long does the line run?',
    lines: [
      { path: 'diameter', label: 'Diameter', kind: 'quantity', start: '4 in' },
      {
        path: 'gallonsPerInch',
        label: 'Gallons per inch',
        kind: 'number',
        start: '10',
        help: '10 a week in dry spells',
      },
      { path: 'emitters', label: 'Emitters', kind: 'number', start: '6' },
      { path: 'flow', label: 'Each gives', kind: 'quantity', start: '1 gal/hour' },
    ],
    figures: [
      { label: 'Water', path: 'volume' },
      { label: 'Run for', path: 'hours', unit: 'h' },
    ],
  },
  {
    name: 'guard',
    title: 'Mesh guards',
    question: 'How long is each piece, and how many rolls?',
    lines: [
      {
        rows: 'trees',
        each: 'tree',
        lines: [{ path: 'diameter', label: 'Diameter', kind: 'quantity' }],
        start: [{ diameter: '2 1/2 in' }, { diameter: '3 in' }],
      },
      {
        path: 'animal',
        label: 'Against',
        kind: 'choice',
        options: [
          ['vole', 'voles and mice'],
          ['rabbit', 'rabbits'],
        ],
        start: 'vole',
      },
      { path: 'clearance', label: 'Room to grow', kind: 'quantity', start: '1.5 in', help: 'bark to mesh' },
      { path: 'overlap', label: 'Overlap', kind: 'quantity', start: '1.5 in' },
      { path: 'snow', label: 'Snow', kind: 'quantity', start: '24 in' },
      { path: 'snowMargin', label: 'Above the snow', kind: 'quantity', start: '6 in' },
      { path: 'bury', label: 'Into the soil', kind: 'quantity', start: '2 in' },
      { path: 'roll.height', label: 'Roll height', kind: 'quantity', start: '36 in' },
      { path: 'roll.length', label: 'Roll length', kind: 'quantity', start: '25 ft' },
    ],
    figures: [
      { label: 'Pieces', path: 'pieces' },
      { label: 'Height', path: 'cuts[0].height' },
      { label: 'Rolls', path: 'rolls', unit: '' },
    ],
  },
]
