import fc from 'fast-check'
import { distanceTo } from './distance'

const pond = {
  type: 'Polygon' as const,
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
}
const brook = {
  type: 'LineString' as const,
  coordinates: [
    [0, 0],
    [10, 0],
    [10, 20],
  ],
}

test.each([
  ['a well', { type: 'Point' as const, coordinates: [0, 3] }, 4, 0, 5],
  ['beside a brook', brook, 5, 2, 2],
  ['past its end', brook, 13, 24, 5],
  ['round its bend', brook, 12, -1, Math.hypot(2, 1)],
  ['outside a pond', pond, 13, 5, 3],
  ['at its corner', pond, 13, 14, 5],
  ['in it', pond, 2, 2, 0],
  ['on its island', pond, 5, 5, 1],
])('%s', (_, outline, eastM, northM, metres) => {
  expect(distanceTo({ eastM, northM }, outline)).toBeCloseTo(metres, 12)
})

test('a step brings nobody nearer than it is long', () => {
  const m = fc.double({ min: -50, max: 50, noNaN: true })
  fc.assert(
    fc.property(m, m, m, m, (a, b, c, d) => {
      const near = distanceTo({ eastM: a, northM: b }, pond)
      const far = distanceTo({ eastM: c, northM: d }, pond)
      return Math.abs(near - far) <= Math.hypot(a - c, b - d) + 1e-9
    }),
  )
})
