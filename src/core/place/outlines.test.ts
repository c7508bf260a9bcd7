import fc from 'fast-check'
import { coveredArea } from './coveredArea'
import type { Outline } from './distance'
import { measuredGround, sizeOf } from './measured'
import { onGlobe } from './onGlobe'
import { readOutlineFile } from './outlineFile'
import { OUTLINE, OUTLINE_KINDS } from './outlineKinds'
import { MOST_CORNERS, readOutline } from './readOutline'

const area = (...corners: [number, number][]): Outline => ({
  type: 'Polygon',
  coordinates: [[...corners, corners[0]!]],
})
const box = (w: number, s: number, e: number, n: number) => area([w, s], [e, s], [e, n], [w, n])

describe('what areas cover together', () => {
  test.each<[string, Outline[], Outline[], number]>([
    ['nothing', [], [], 0],
    ['a square', [box(0, 0, 10, 10)], [], 100],
    ['a triangle', [area([0, 0], [6, 0], [0, 8])], [], 24],
    ['drawn the other way round', [area([0, 8], [6, 0], [0, 0])], [], 24],
    ['two that overlap, once', [box(0, 0, 10, 10), box(5, 0, 15, 10)], [], 150],
    ['the same twice, once', [box(0, 0, 10, 10), box(0, 0, 10, 10)], [], 100],
    ['side by side', [box(0, 0, 10, 10), box(10, 0, 20, 10)], [], 200],
    ['without the house on it', [box(0, 0, 10, 10)], [box(2, 2, 4, 5)], 94],
    ['without a house that stands half beside it', [box(0, 0, 10, 10)], [box(8, 0, 20, 10)], 80],
    [
      'two houses over each other are taken out once',
      [box(0, 0, 10, 10)],
      [box(0, 0, 5, 5), box(2, 0, 7, 5)],
      65,
    ],
    ['a house without ground', [], [box(0, 0, 5, 5)], 0],
    [
      'with a hole',
      [
        {
          type: 'Polygon',
          coordinates: [
            [
              [0, 0],
              [10, 0],
              [10, 10],
              [0, 10],
              [0, 0],
            ],
            [
              [4, 4],
              [6, 4],
              [6, 6],
              [4, 6],
              [4, 4],
            ],
          ],
        },
      ],
      [],
      96,
    ],
    [
      'crossing at a slant',
      [area([0, 0], [10, 0], [0, 10]), area([10, 10], [0, 10], [10, 0]), box(0, 0, 5, 5)],
      [],
      100,
    ],
    ['an L', [area([0, 0], [10, 0], [10, 4], [4, 4], [4, 10], [0, 10])], [], 64],
  ])('%s', (_, areas, without, m2) => {
    expect(coveredArea(areas, without)).toBeCloseTo(m2, 9)
  })

  /** By counting: the share of many points that lie in one and in none of the others. */
  const within = (o: Outline, x: number, y: number) => {
    const ring = (o.coordinates as [number, number][][])[0]!
    let inside = false
    for (let i = 1; i < ring.length; i++) {
      const [a, b] = [ring[i - 1]!, ring[i]!]
      if (a[1] > y !== b[1] > y && x < a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])) inside = !inside
    }
    return inside
  }
  test('is what counting finds, for any triangles', () => {
    const at = fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 20 }))
    const triangle = fc.tuple(at, at, at).map(([a, b, c]) => area(a, b, c))
    const some = fc.array(triangle, { maxLength: 4 })
    fc.assert(
      fc.property(some, some, (areas, without) => {
        const n = 120
        let counted = 0
        for (let i = 0; i < n; i++)
          for (let j = 0; j < n; j++) {
            const [x, y] = [((i + 0.513) * 20) / n, ((j + 0.487) * 20) / n]
            if (areas.some((o) => within(o, x, y)) && !without.some((o) => within(o, x, y))) counted++
          }
        return Math.abs(coveredArea(areas, without) - (counted * 400) / (n * n)) < 8
      }),
      { numRuns: 60 },
    )
  })

  test('does not change when everything is moved and turned', () => {
    const turn = (o: Outline, by: number, east: number): Outline => ({
      type: 'Polygon',
      coordinates: (o.coordinates as [number, number][][]).map((ring) =>
        ring.map(([x, y]) => [
          x * Math.cos(by) - y * Math.sin(by) + east,
          x * Math.sin(by) + y * Math.cos(by),
        ]),
      ),
    })
    const [lawn, house] = [area([0, 0], [30, 4], [26, 22], [3, 18]), box(8, 5, 14, 9)]
    for (const by of [0.1, 1, 2.5])
      expect(coveredArea([turn(lawn, by, 500)], [turn(house, by, 500)])).toBeCloseTo(
        coveredArea([lawn], [house]),
        6,
      )
  })
})

test('the ground of a site is what is drawn as ground, without what is closed on it', () => {
  expect(measuredGround([])).toBeNull()
  expect(measuredGround([{ kind: 'boundary', geometry: box(0, 0, 50, 50) }])).toBeNull()
  expect(
    measuredGround([
      { kind: 'ground', geometry: box(0, 0, 20, 20) },
      { kind: 'building', geometry: box(0, 0, 10, 10) },
      { kind: 'paving', geometry: box(10, 0, 12, 10) },
      { kind: 'water', geometry: box(0, 15, 4, 20) },
      {
        kind: 'water',
        geometry: {
          type: 'LineString',
          coordinates: [
            [0, 0],
            [20, 20],
          ],
        },
      },
      { kind: 'bed', geometry: box(14, 14, 18, 18) },
    ]),
  ).toBeCloseTo(400 - 100 - 20 - 20, 9)
  expect(
    sizeOf({
      type: 'LineString',
      coordinates: [
        [0, 0],
        [3, 4],
        [3, 10],
      ],
    }),
  ).toEqual({ length: 11 })
  expect(sizeOf({ type: 'Point', coordinates: [0, 0] })).toBeNull()
})

describe('an outline is read', () => {
  test('corners on one spot are one, and an area is closed', () => {
    expect(
      readOutline('ground', {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [0, 0.001],
            [9, 0],
            [9, 9],
          ],
        ],
      }),
    ).toMatchObject({
      ok: true,
      value: {
        coordinates: [
          [
            [0, 0],
            [9, 0],
            [9, 9],
            [0, 0],
          ],
        ],
      },
    })
  })

  test.each<[string, Parameters<typeof readOutline>[0], { type: string; coordinates: unknown }, RegExp]>([
    ['another shape', 'well', box(0, 0, 1, 1), /Well is drawn as a spot/],
    [
      'two shapes are named',
      'hive',
      {
        type: 'LineString',
        coordinates: [
          [0, 0],
          [1, 1],
        ],
      },
      /a spot or an area/,
    ],
    [
      'two corners',
      'ground',
      {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [5, 5],
            [0, 0],
          ],
        ],
      },
      /three corners/,
    ],
    [
      'one point',
      'wall',
      {
        type: 'LineString',
        coordinates: [
          [1, 1],
          [1, 1.001],
        ],
      },
      /two points/,
    ],
    ['a bow', 'bed', area([0, 0], [9, 9], [9, 0], [0, 9]), /crosses itself/],
    ['a corner on another side', 'bed', area([0, 0], [9, 0], [9, 9], [4, 0]), /crosses itself/],
    ['a needle', 'bed', area([0, 0], [4, 0], [4, 0.02]), /covers nothing/],
    ['no numbers', 'bed', area([0, 0], ['4', 0] as never, [4, 4]), /no outline/],
    ['nothing', 'bed', { type: 'Polygon', coordinates: null }, /no outline/],
    ['far off', 'well', { type: 'Point', coordinates: [0, 20_000] }, /10 km/],
    ['endless', 'well', { type: 'Point', coordinates: [Infinity, 0] }, /no outline/],
    [
      'too many corners',
      'path',
      { type: 'LineString', coordinates: Array.from({ length: MOST_CORNERS + 2 }, (_, i) => [i, 0]) },
      /500 corners/,
    ],
  ])('%s is refused', (_, kind, geometry, said) => {
    const read = readOutline(kind, geometry)
    expect(read.ok ? '' : read.problem.message).toMatch(said)
  })

  test('every kind has a shape, and what is kept clear of says how far', () => {
    for (const kind of OUTLINE_KINDS) expect(OUTLINE[kind].shapes.length).toBeGreaterThan(0)
    expect(OUTLINE_KINDS.filter((k) => OUTLINE[k].setback === 'asked')).toEqual(['hive', 'play'])
  })
})

describe('outlines of a file', () => {
  const corner = { latitude: 42.3, longitude: -75.2 }
  const degrees = (eastM: number, northM: number) => {
    const { latitude, longitude } = onGlobe({ eastM, northM }, corner)
    return [longitude, latitude]
  }
  const ring = [degrees(0, 0), degrees(20, 0), degrees(20, 10), degrees(0, 10), degrees(0, 0)]
  const feature = (geometry: unknown, properties: Record<string, unknown> | null = null) => ({
    type: 'Feature',
    geometry,
    properties,
  })

  test('come in metres with what the file calls them', () => {
    const read = readOutlineFile(
      {
        type: 'FeatureCollection',
        features: [
          feature({ type: 'Polygon', coordinates: [ring] }, { building: 'yes', name: 'Pump house' }),
          feature({ type: 'Point', coordinates: degrees(4, 4) }, { man_made: 'water_well' }),
          feature(
            { type: 'LineString', coordinates: [degrees(0, 0), degrees(9, 9)] },
            { waterway: 'stream' },
          ),
          feature({ type: 'MultiPolygon', coordinates: [[ring], [ring]] }, { landuse: 'grass' }),
          feature({ type: 'Polygon', coordinates: [ring] }, { KIND: 'Play' }),
          feature({ type: 'Point', coordinates: degrees(1, 1) }, { species: 'oak' }),
          feature(null),
          feature({ type: 'Polygon', coordinates: [ring] }),
        ],
      },
      corner,
    )
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.outlines.map((o) => [o.kind, o.geometry.type])).toEqual([
      ['building', 'Polygon'],
      ['well', 'Point'],
      ['water', 'LineString'],
      ['ground', 'Polygon'],
      ['ground', 'Polygon'],
      ['play', 'Polygon'],
      [null, 'Polygon'],
    ])
    expect(read.value.leftAside).toBe(2)
    expect(read.value.outlines[0]!.name).toBe('Pump house')
    expect(coveredArea([read.value.outlines[0]!.geometry])).toBeCloseTo(200, 2)
  })

  test('a shape that does not go with its word is asked about', () => {
    const read = readOutlineFile(feature({ type: 'Polygon', coordinates: [ring] }, { kind: 'well' }), corner)
    expect(read.ok && read.value.outlines[0]!.kind).toBeNull()
  })

  test.each<[string, unknown, RegExp]>([
    ['a word', 'trees', /no GeoJSON/],
    ['nothing', null, /no GeoJSON/],
    ['a list', [1, 2], /no GeoJSON/],
    [
      'metres',
      feature({
        type: 'Polygon',
        coordinates: [
          [
            [400000, 5000000],
            [0, 0],
            [1, 1],
          ],
        ],
      }),
      /no degrees/,
    ],
    ['broken coordinates', feature({ type: 'Polygon', coordinates: [['a']] }), /no degrees/],
    [
      'only trees',
      { type: 'FeatureCollection', features: [feature({ type: 'Point', coordinates: [0, 0] })] },
      /Trees from a file/,
    ],
    [
      'too many',
      {
        type: 'FeatureCollection',
        features: Array.from({ length: 201 }, () => feature({ type: 'Polygon', coordinates: [ring] })),
      },
      /more than 200/,
    ],
  ])('%s is refused with a sentence', (_, file, said) => {
    const read = readOutlineFile(file, corner)
    expect(read.ok ? '' : read.problem.message).toMatch(said)
  })

  test('nothing that is thrown at it breaks it', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        readOutlineFile(value, corner)
        readOutlineFile({ type: 'FeatureCollection', features: [feature(value)] }, corner)
        readOutlineFile(feature({ type: 'Polygon', coordinates: value }), corner)
        return typeof readOutline('ground', { type: 'Polygon', coordinates: value }).ok === 'boolean'
      }),
    )
  })
})
