import { builtOver } from './builtOver'
import type { Outline } from './distance'

const box = (west: number, south: number, east: number, north: number): Outline => ({
  type: 'Polygon',
  coordinates: [
    [
      [west, south],
      [east, south],
      [east, north],
      [west, north],
      [west, south],
    ],
  ],
})
const at = { eastM: 10, northM: 20 }

test('nothing, half, a quarter and all of the ground', () => {
  expect(builtOver(at, 5, [])).toBe(0)
  expect(
    builtOver(at, 5, [
      {
        type: 'LineString',
        coordinates: [
          [0, 0],
          [20, 40],
        ],
      },
    ]),
  ).toBe(0)
  expect(builtOver(at, 5, [box(10, 0, 40, 40)])).toBeCloseTo(0.5, 2)
  expect(builtOver(at, 5, [box(10, 20, 40, 40)])).toBeCloseTo(0.25, 2)
  expect(builtOver(at, 5, [box(0, 0, 40, 40)])).toBe(1)
})

test('two that overlap count once, and the tree itself may stand under one', () => {
  expect(builtOver(at, 5, [box(10, 0, 40, 40), box(12, 0, 40, 40)])).toBeCloseTo(0.5, 2)
  // A square of 4 m on a circle of 5 m: 16 of 78.5 m².
  expect(builtOver(at, 5, [box(8, 18, 12, 22)])).toBeCloseTo(16 / (25 * Math.PI), 2)
})
