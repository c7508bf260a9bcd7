import fc from 'fast-check'
import { walkOrder } from './walk'

const at = (eastM: number, northM = 0) => ({ eastM, northM })

test('along a row, wherever its trees stand in the list', () => {
  const { order, metres } = walkOrder([at(0), at(30), at(10), at(20)])
  expect(order.map((t) => t.eastM)).toEqual([0, 10, 20, 30])
  expect(metres).toBe(30)
})

test('up one row and down the next, as a crew walks', () => {
  const rows = [0, 6].flatMap((north) => [0, 5, 10, 15].map((east) => at(east, north)))
  const { order, metres } = walkOrder(rows)
  expect(metres).toBe(15 + 6 + 15)
  expect(order.at(-1)).toEqual(at(0, 6))
})

test('a stretch that was gone the wrong way about is turned', () => {
  // The nearest first goes 1, −2, 4, −9: 23 in all.
  expect(walkOrder([at(0), at(1), at(-2), at(4), at(-9)]).metres).toBe(17)
})

test('every tree once, the first first, never longer than the list', () => {
  const side = fc.double({ min: -500, max: 500, noNaN: true })
  fc.assert(
    fc.property(fc.array(fc.record({ eastM: side, northM: side }), { maxLength: 40 }), (trees) => {
      const { order, metres } = walkOrder(trees)
      expect(new Set(order)).toEqual(new Set(trees))
      expect(order).toHaveLength(trees.length)
      expect(order[0]).toBe(trees[0])
      const given = trees.reduce(
        (sum, t, i) =>
          i === 0 ? 0 : sum + Math.hypot(t.eastM - trees[i - 1]!.eastM, t.northM - trees[i - 1]!.northM),
        0,
      )
      expect(metres).toBeLessThanOrEqual(given + 1e-6)
    }),
  )
})
