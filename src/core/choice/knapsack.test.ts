import fc from 'fast-check'
import { chooseItems, type Item } from './knapsack'

const total = (items: readonly Item[], set: number[]) => ({
  value: set.reduce((s, i) => s + items[i]!.value, 0),
  weight: set.reduce((s, i) => s + items[i]!.weight, 0),
})

/** Every subset, the best by the rule as it is said. */
function bruteForce(items: readonly Item[], capacity: number): number[] {
  let best: number[] = []
  for (let mask = 0; mask < 1 << items.length; mask++) {
    const set = items.map((_, i) => i).filter((i) => mask & (1 << i))
    const a = total(items, set)
    const b = total(items, best)
    if (a.weight > capacity) continue
    if (
      a.value > b.value ||
      (a.value === b.value && (a.weight < b.weight || (a.weight === b.weight && earlier(set, best))))
    )
      best = set
  }
  return best
}

/** Does the first set hold the earlier item where two sets first differ? */
function earlier(a: number[], b: number[]): boolean {
  for (let i = 0; i < 32; i++) if (a.includes(i) !== b.includes(i)) return a.includes(i)
  return false
}

const few = (weight: fc.Arbitrary<number>, value: fc.Arbitrary<number>) =>
  fc.array(fc.record({ weight, value }), { minLength: 1, maxLength: 11 })
const share = fc.double({ min: 0, max: 1.1, noNaN: true })

test.each([
  ['small whole numbers, full of ties', few(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 3 }))],
  ['small values, fine weights', few(fc.integer({ min: 1e8, max: 5e9 }), fc.integer({ min: 1, max: 5 }))],
  ['fine both: the core method', few(fc.integer({ min: 1e8, max: 5e9 }), fc.integer({ min: 1e5, max: 1e9 }))],
  ['equal shares, fine both', few(fc.constantFrom(3e9 + 1, 1e9 + 7), fc.constantFrom(3e8, 1e8 + 1))],
])('is what trying every set finds: %s', (_, arbitrary) => {
  fc.assert(
    fc.property(arbitrary, share, (items, part) => {
      const capacity = Math.floor(items.reduce((s, i) => s + i.weight, 0) * part)
      expect(chooseItems(items, capacity)).toEqual(bruteForce(items, capacity))
    }),
    { numRuns: 250 },
  )
})

test('two thousand trees of whole inches: within the time, and permuting them changes nothing but names', () => {
  const items = Array.from({ length: 2000 }, (_, i) => ({
    weight: (4 + ((i * 7919) % 37)) * 25_400_000,
    value: 1 + ((i * 104_729) % 5),
  }))
  const capacity = 9000 * 25_400_000
  const began = performance.now()
  const chosen = chooseItems(items, capacity)
  const took = performance.now() - began
  const mixed = items.map((_, i) => items[(i * 1201) % 2000]!)
  expect(total(mixed, chooseItems(mixed, capacity))).toEqual(total(items, chosen))
  expect(total(items, chosen).weight).toBeLessThanOrEqual(capacity)
  expect(took).toBeLessThan(2000)
})

test('the table and the core method agree on a few hundred', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 50 })), {
        minLength: 100,
        maxLength: 250,
      }),
      share,
      (pairs, part) => {
        const items = pairs.map(([weight, value]) => ({ weight, value }))
        const capacity = Math.floor(items.reduce((s, i) => s + i.weight, 0) * part)
        const small = total(items, chooseItems(items, capacity))
        // The same question on a grain so fine that no table holds it; a one changes nothing but the common divisor.
        const fine = items.map((i) => ({ weight: i.weight * 1e7, value: i.value * 1e7 }))
        fine.push({ weight: capacity * 1e7 + 1, value: 1 }, { weight: 1e7 * 400 * 300 + 3, value: 3 })
        const large = total(
          fine,
          chooseItems(fine, capacity * 1e7).filter((i) => i < items.length),
        )
        expect(large).toEqual({ value: small.value * 1e7, weight: small.weight * 1e7 })
      },
    ),
    { numRuns: 30 },
  )
})

test('nothing fits, all fits, no room', () => {
  expect(chooseItems([{ weight: 5, value: 1 }], 4)).toEqual([])
  expect(chooseItems([{ weight: 5, value: 1 }], 5)).toEqual([0])
  expect(chooseItems([], 5)).toEqual([])
  expect(
    chooseItems(
      [
        { weight: 5, value: 1 },
        { weight: 5, value: 1 },
      ],
      5,
    ),
  ).toEqual([0])
})
