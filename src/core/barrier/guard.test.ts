import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { cutGuards, type GuardInput } from './guard'

const inch = (n: number) => toSI(n, 'in')
const ft = (n: number) => toSI(n, 'ft')
const base: GuardInput = {
  trees: [inch(2), inch(3.5)],
  clearance: inch(1.5),
  overlap: inch(1.5),
  animal: 'vole',
  snow: inch(18),
  snowMargin: inch(6),
  bury: inch(2),
  roll: { height: inch(36), length: ft(10) },
}
const value = (input: Partial<GuardInput>) => {
  const r = cutGuards({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const height = (input: Partial<GuardInput>) =>
  fromSI(value({ ...input, roll: undefined }).cuts[0]!.height, 'in')

test('voles reach 18 in or go under the snow; rabbits stand on it', () => {
  expect(height({})).toBeCloseTo(26, 9)
  expect(height({ snow: 0 })).toBeCloseTo(20, 9)
  expect(height({ snow: 0, animal: 'rabbit' })).toBeCloseTo(26, 9)
  expect(height({ snow: inch(30), animal: 'rabbit', bury: 0 })).toBeCloseTo(54, 9)
  expect(height({ snow: inch(30), snowMargin: inch(12), animal: 'rabbit', bury: 0 })).toBeCloseTo(54, 9)
  expect(height({ snow: inch(30), animal: 'vole', bury: 0 })).toBeCloseTo(36, 9)
})

test('strips a roll gives, exact to the inch', () => {
  // Pieces of 18 in: two strips from a 36 in roll.
  const low = { snow: 0, snowMargin: 0, bury: 0, trees: Array.from({ length: 10 }, () => inch(10)) }
  // Each is 42.3 in; two in a 120 in strip, so five strips, three rolls.
  expect(value(low).rolls).toBe(3)
  expect(value({ ...low, roll: { height: inch(18), length: ft(10) } }).rolls).toBe(5)
})

test('a strip exactly full takes no other', () => {
  const length = Math.PI * inch(5) + inch(1.5)
  const trees = Array.from({ length: 6 }, () => inch(2))
  expect(value({ trees, roll: { height: inch(36), length: length * 3 } }).rolls).toBe(2)
})

test('first-fit by falling length never leaves two strips half empty', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.5, max: 30, noNaN: true }), { minLength: 1, maxLength: 40 }),
      (trees) => {
        const { cuts, rolls } = value({ trees: trees.map(inch), roll: { height: inch(26), length: ft(10) } })
        const total = cuts.reduce((s, c) => s + c.length, 0)
        expect(rolls!).toBeGreaterThanOrEqual(Math.ceil(total / ft(10) - 1e-9))
        expect(rolls!).toBeLessThanOrEqual(Math.max(1, Math.ceil((2 * total) / ft(10))))
      },
    ),
  )
})

test.each([
  [{ trees: [] }, 'missing', 'trees'],
  [{ trees: [inch(0.1)] }, 'out-of-range', 'trees[0].diameter'],
  [{ clearance: -1 }, 'out-of-range', 'clearance'],
  [{ snow: inch(30) }, 'out-of-range', 'roll.height'],
  [{ trees: [inch(60)] }, 'out-of-range', 'roll.length'],
  [{ roll: { height: 0, length: 1 } }, 'out-of-range', 'roll.height'],
] as [Partial<GuardInput>, string, string][])('%j is %s', (input, code, field) => {
  expect(cutGuards({ ...base, ...input })).toMatchObject({ ok: false, problem: { code, field } })
})
