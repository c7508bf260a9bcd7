import fc from 'fast-check'
import { firstTrees, type Asks } from './firstTrees'

/** The best there is, by trying every choice. */
function best(trees: readonly Asks[], room: { money: number; minutes: number; active: number }): number {
  let found = 0
  for (let set = 0; set < 1 << trees.length; set++) {
    const some = trees.filter((_, i) => set & (1 << i))
    const sum = (of: (t: Asks) => number) => some.reduce((n, t) => n + of(t), 0)
    if (
      sum((t) => Math.ceil(t.visit)) <= room.money &&
      sum((t) => Math.ceil(t.minutes)) <= room.minutes &&
      // A billionth more is the sum’s own rounding.
      sum((t) => t.active ?? 0) <= room.active * (1 + 1e-9)
    )
      found = Math.max(
        found,
        sum((t) => t.gain),
      )
  }
  return found
}

/** None, or what a scale can show, kg. */
const weighed = (most: number) => fc.oneof(fc.constant(0), fc.double({ min: 1e-6, max: most, noNaN: true }))

const tree = fc.record({
  gain: fc.integer({ min: 1, max: 900 }),
  visit: fc.integer({ min: 20, max: 300 }),
  minutes: fc.integer({ min: 10, max: 60 }),
  active: weighed(0.05),
})

test('never above any bound, never better than the best, and no further from it than is said', () => {
  fc.assert(
    fc.property(
      fc.array(tree, { minLength: 1, maxLength: 10 }),
      fc.integer({ min: 0, max: 1500 }),
      fc.integer({ min: 0, max: 300 }),
      weighed(0.2),
      (rows, money, minutes, active) => {
        const trees = rows.map((t, i) => ({ ...t, id: `t${i}` }))
        const room = { money, minutes, active }
        const found = firstTrees(trees, room)
        expect(found.visit).toBeLessThanOrEqual(money)
        expect(found.minutes).toBeLessThanOrEqual(minutes)
        expect(found.active).toBeLessThanOrEqual(active * (1 + 1e-9))
        const most = best(trees, room)
        expect(found.gain).toBeLessThanOrEqual(most)
        expect(
          found.gain * (1 + found.shortPercent / 100) + (0.1 * Math.max(1, found.gain)) / 100,
        ).toBeGreaterThanOrEqual(most - 1e-6)
      },
    ),
    // What fails is told as it is: each try of a smaller one takes every choice of ten trees.
    { numRuns: 60, endOnFailure: true },
  )
})

test('an amount that nothing could weigh is worked out all the same', () => {
  const trees = ['a', 'b'].map((id, i) => ({ id, gain: 1, visit: 20, minutes: 10, active: i * 5e-324 }))
  const found = firstTrees(trees, { money: 20, minutes: 10, active: 0 })
  expect(found).toMatchObject({ chosen: ['a'], gain: 1 })
  expect(Number.isFinite(found.shortPercent)).toBe(true)
})

test('a limit that leaves nothing leaves only what puts nothing on', () => {
  const trees: Asks[] = [
    { id: 'drench', gain: 900, visit: 100, minutes: 20, active: 0.01 },
    { id: 'inject', gain: 200, visit: 100, minutes: 20 },
  ]
  expect(firstTrees(trees, { money: null, minutes: null, active: 0 }).chosen).toEqual(['inject'])
  expect(firstTrees(trees, { money: null, minutes: null, active: null })).toMatchObject({
    chosen: ['drench', 'inject'],
    shortPercent: 0,
  })
})

test('what fits a limit that does not bind is the best there is', () => {
  const trees: Asks[] = [
    { id: 'a', gain: 100, visit: 100, minutes: 20, active: 0.01 },
    { id: 'b', gain: 90, visit: 60, minutes: 20, active: 0.01 },
    { id: 'c', gain: 80, visit: 60, minutes: 20, active: 0.01 },
  ]
  expect(firstTrees(trees, { money: 120, minutes: null, active: 0.05 })).toMatchObject({
    chosen: ['b', 'c'],
    shortPercent: 0,
  })
  expect(firstTrees(trees, { money: 120, minutes: null, active: 0.01 }).chosen).toEqual(['a'])
})
