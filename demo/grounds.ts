import type { RingMark } from '@/core/ports/marks'

type Mark = Omit<RingMark, 'notedOn'> & { yearsAgo?: number }

export interface DemoTree {
  tag: string
  host: string
  listedAs?: string
  confirmed: boolean
  place: [number, number]
  /** Girths in inches, oldest first, with how many days ago they were read. */
  girths: [inches: string, daysAgo: number][]
  liveCrown: number | null
  note: string | null
  marks: Mark[]
  /** What was done so many days ago is told before the tree is measured again. */
  pastAgo?: number
}

/** Flares at the given bearings, each as wide as its number says. */
const flares = (...pairs: [bearing: number, halfWidth: number][]): Mark[] =>
  pairs.map(([b, w]) => ({ kind: 'flare', from: (b - w + 360) % 360, to: (b + w) % 360 }))

const thin = (from: number, to: number, severity: number): Mark => ({ kind: 'thin', from, to, severity })
const hole = (bearing: number, yearsAgo: number): Mark => ({
  kind: 'hole',
  from: bearing,
  to: bearing,
  yearsAgo,
})

/** The schoolyard: six ashes, a mountain ash listed as ash, a buried oak, a maple that was taken for wilted. */
// prettier-ignore
export const SCHOOL_TREES: DemoTree[] = [
  { tag: 'Ash 11', host: 'ash', confirmed: true, place: [14, 52], girths: [['43', 372], ['44', 3]], liveCrown: 90, note: 'By the bicycle stand.', marks: flares([8, 20], [78, 24], [150, 22], [222, 20], [298, 26]) },
  { tag: 'Ash 12', host: 'ash', confirmed: true, place: [27, 53], girths: [['47 1/2', 368], ['48', 3]], liveCrown: 85, note: 'Holes of last year by another firm.', marks: [...flares([20, 20], [95, 25], [170, 18], [250, 22], [320, 16]), hole(20, 1), hole(95, 1), hole(168, 1), hole(252, 1)] },
  { tag: 'Ash 13', host: 'ash', confirmed: true, place: [40, 53.5], girths: [['56', 400], ['56 1/4', 3]], liveCrown: 35, note: 'Most of the top is bare. Children play beneath.', marks: [...flares([0, 22], [70, 20], [140, 26], [210, 20], [285, 24]), { kind: 'dead', from: 60, to: 115 }, thin(300, 120, 0.8)] },
  { tag: 'Ash 14', host: 'ash', confirmed: true, place: [53, 54], girths: [['51', 370], ['52', 3]], liveCrown: 80, note: 'North fence, by the gate. North side thin.', marks: [...flares([12, 20], [88, 24], [160, 22], [232, 20], [312, 24]), thin(325, 50, 0.6), { kind: 'dead', from: 108, to: 128 }, { kind: 'girdling', from: 186, to: 202 }] },
  { tag: 'Ash 15', host: 'ash', confirmed: true, place: [66, 54], girths: [['38', 366], ['39', 3]], pastAgo: 365, liveCrown: 90, note: null, marks: flares([30, 24], [110, 22], [185, 24], [260, 20], [335, 22]) },
  { tag: 'Ash 16', host: 'ash', confirmed: true, place: [79, 53], girths: [['61', 3]], liveCrown: 85, note: null, marks: flares([5, 20], [65, 18], [120, 20], [180, 22], [240, 18], [305, 20]) },
  { tag: 'Ash 17', host: 'ash', listedAs: 'ash', confirmed: false, place: [84, 34], girths: [['27', 3]], liveCrown: 70, note: 'The client’s list says ash. Orange berries last autumn.', marks: flares([40, 30], [160, 30], [280, 30]) },
  { tag: 'Oak 3', host: 'oak-red-group', confirmed: true, place: [70, 12.5], girths: [['82', 380], ['82 1/2', 3]], liveCrown: 65, note: 'Stands close to the wall. The bed was raised four years ago.', marks: [thin(90, 200, 0.4)] },
  { tag: 'Maple 2', host: 'maple', confirmed: true, place: [20, 16], girths: [['58', 740], ['58 3/4', 3]], liveCrown: 70, note: 'Treated as wilt two summers ago, without change.', marks: [...flares([350, 22], [80, 20], [300, 18]), thin(180, 270, 0.7), { kind: 'girdling', from: 195, to: 245 }] },
]

/** The hospital court: lindens over a café. */
// prettier-ignore
export const COURT_TREES: DemoTree[] = [
  { tag: 'Linden 6', host: 'linden', confirmed: true, place: [10, 18], girths: [['49', 5]], liveCrown: 95, note: null, marks: flares([0, 24], [90, 24], [180, 24], [270, 24]) },
  { tag: 'Linden 7', host: 'linden', confirmed: true, place: [19, 18], girths: [['46 1/2', 5]], liveCrown: 90, note: 'Black film over the café tables. Will bloom soon.', marks: flares([20, 24], [100, 22], [190, 26], [280, 22]) },
  { tag: 'Ash 31', host: 'ash', confirmed: true, place: [27, 20], girths: [['46', 5]], liveCrown: 85, note: null, marks: flares([15, 24], [95, 24], [200, 26], [290, 22]) },
]

const rectangle = (x0: number, y0: number, x1: number, y1: number) => ({
  type: 'Polygon' as const,
  coordinates: [
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
      [x0, y0],
    ],
  ],
})

/** Outlines, metres east and north of the corner of each place. */
export const SCHOOL_FEATURES = [
  { kind: 'boundary', name: 'school ground', geometry: rectangle(4, 4, 94, 60) },
  { kind: 'building', name: 'school', geometry: rectangle(30, 20, 62, 38) },
  {
    kind: 'wall',
    name: 'wall',
    geometry: {
      type: 'LineString' as const,
      coordinates: [
        [56, 8],
        [92, 8],
      ],
    },
  },
  {
    kind: 'path',
    name: 'north path',
    geometry: {
      type: 'LineString' as const,
      coordinates: [
        [4, 46],
        [94, 46],
      ],
    },
  },
  { kind: 'bed', name: 'raised bed', geometry: rectangle(64, 9, 77, 16) },
]

export const COURT_FEATURES = [
  { kind: 'boundary', name: 'court', geometry: rectangle(2, 2, 30, 30) },
  { kind: 'building', name: 'café', geometry: rectangle(12, 5, 28, 12) },
  {
    kind: 'path',
    name: 'walk',
    geometry: {
      type: 'LineString' as const,
      coordinates: [
        [2, 22],
        [30, 22],
      ],
    },
  },
]
