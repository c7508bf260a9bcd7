import type { DemoTree } from './grounds'
import { area, between, line, tree, two } from './moreGrounds'

/** The glasshouse court: a plum and citrus in pots, and a walk of rhododendrons along the wall. */
export const GLASSHOUSE_TREES: readonly DemoTree[] = [
  tree('Plum 1', 'plum', 6, 7, 2.6, 80),
  ...Array.from({ length: 5 }, (_, n) => n + 1).map((i) =>
    tree(
      `Citrus ${i + 1}`,
      'citrus',
      6 + i * 4,
      7,
      between(`Citrus ${i + 1} d`, 2.2, 4),
      between(`Citrus ${i + 1} c`, 70, 95),
    ),
  ),
  ...Array.from({ length: 5 }, (_, i) =>
    tree(
      `Rhodo ${i + 1}`,
      'rhododendron',
      5 + i * 5,
      18,
      between(`Rhodo ${i + 1} d`, 3, 6),
      between(`Rhodo ${i + 1} c`, 75, 95),
    ),
  ),
  // Young apples in the grass by the wall, bark within reach of whatever is hungry.
  ...Array.from({ length: 4 }, (_, i) => tree(`Wall ${i + 1}`, 'apple', 6 + i * 6, 4, 1.6 + i * 0.3, 95)),
]

/** The chestnut trial: ten trees in two rows, their nuts gathered for the seed bed; and an old white oak at the gate. */
export const TRIAL_TREES: readonly DemoTree[] = [
  ...Array.from({ length: 10 }, (_, i) =>
    tree(
      `Chestnut ${two(i + 1)}`,
      'chestnut',
      8 + (i % 5) * 9,
      8 + Math.floor(i / 5) * 10,
      between(`Chestnut ${i} d`, 4, 11),
      between(`Chestnut ${i} c`, 75, 100),
    ),
  ),
  tree('Oak 8', 'oak-white-group', 54, 14, 29, 95),
]

/** Tanner’s Lane: twenty-four street ashes, all with the borer signed, none decided. */
export const LANE_TREES: readonly DemoTree[] = Array.from({ length: 24 }, (_, i) => {
  const tag = `Lane ${two(i + 1)}`
  return tree(
    tag,
    'ash',
    6 + Math.floor(i / 2) * 9,
    i % 2 === 0 ? 6 : 16,
    between(`${tag} d`, 7, 25),
    100 - 70 * between(`${tag} c`, 0, 1) ** 2,
  )
})

/** Places with their outlines; metres east and north of each corner. */
export const COURT_PLACES = [
  {
    key: 'glasshouse',
    trees: GLASSHOUSE_TREES,
    place: {
      client: 'Tamsin’s Ferry glasshouse trust',
      contact: 'the head gardener',
      name: 'Glasshouse court',
      where: 'Weir Street, Tamsin’s Ferry',
      note: 'Fruit is served in the tea room. Visitors from eleven.',
      areaM2: 640,
      features: [
        { kind: 'boundary', name: 'court', geometry: area([2, 2], [32, 2], [32, 22], [2, 22]) },
        { kind: 'building', name: 'glasshouse', geometry: area([4, 10], [30, 10], [30, 15], [4, 15]) },
        { kind: 'path', name: 'rhododendron walk', geometry: line([2, 20], [32, 20]) },
      ],
    },
  },
  {
    key: 'trial',
    trees: TRIAL_TREES,
    place: {
      client: 'County chestnut trial',
      contact: 'the trial’s keeper',
      name: 'Chestnut trial',
      where: 'Gallows Hill, Tamsin’s Ferry',
      note: 'Nothing systemic on bearing trees. Every tree is counted in the trial.',
      areaM2: 1500,
      lies: [42.41, -75.18] as [number, number],
      features: [
        { kind: 'boundary', name: 'plot', geometry: area([2, 2], [62, 2], [62, 26], [2, 26]) },
        { kind: 'path', name: 'gate', geometry: line([58, 2], [58, 26]) },
      ],
    },
  },
  {
    key: 'lane',
    trees: LANE_TREES,
    place: {
      client: 'Town of Tamsin’s Ferry, lanes',
      contact: 'the street office',
      name: 'Tanner’s Lane ashes',
      where: 'Tanner’s Lane, Tamsin’s Ferry',
      note: 'The town decides in July what it keeps.',
      areaM2: 2600,
      features: [
        { kind: 'boundary', name: 'lane', geometry: area([2, 2], [116, 2], [116, 20], [2, 20]) },
        { kind: 'path', name: 'carriageway', geometry: line([2, 11], [116, 11]) },
      ],
    },
  },
]
