import fc from 'fast-check'
import { shortestTrip, tripMinutes } from './collect'

const at = (x: number, y: number) => ({ at: { x, y } })

function* orders<T>(all: readonly T[]): Generator<T[]> {
  if (all.length < 2) yield [...all]
  else
    for (const [i, first] of all.entries())
      for (const rest of orders([...all.slice(0, i), ...all.slice(i + 1)])) yield [first, ...rest]
}

const places = (most: number) =>
  fc.array(
    fc
      .record({ x: fc.integer({ min: -30, max: 30 }), y: fc.integer({ min: -30, max: 30 }) })
      .map((p) => ({ at: p })),
    { maxLength: most },
  )

test('of a few places no order is shorter', () => {
  fc.assert(
    fc.property(places(6), (stops) => {
      const found = tripMinutes(shortestTrip(stops))
      const least = Math.min(...[...orders(stops)].map(tripMinutes))
      expect(found).toBeCloseTo(least, 9)
    }),
    { numRuns: 60 },
  )
})

test('of many, every place is come by once, and no longer than in the order they came', () => {
  fc.assert(
    fc.property(places(25), (stops) => {
      const way = shortestTrip(stops)
      expect(way).toHaveLength(stops.length)
      expect(new Set(way)).toEqual(new Set(stops))
      expect(tripMinutes(way)).toBeLessThanOrEqual(tripMinutes(stops) + 1e-9)
    }),
    { numRuns: 30 },
  )
})

test('what lies on the way out is come by on the way out, the rest on the way back', () => {
  const way = shortestTrip([at(9, 0), at(1, 1), at(5, 0), at(9, 2)]).map((s) => s.at.x)
  expect([
    [5, 9, 9, 1],
    [1, 9, 9, 5],
  ]).toContainEqual(way)
})

test('minutes are there and back, over roads', () => {
  expect(tripMinutes([at(25, 0)])).toBeCloseTo(2 * 60 * 1.3, 9)
  expect(tripMinutes([])).toBe(0)
})
