import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { withinLimit, type CapInput, type CapTree } from './cap'

const acre = toSI(1, 'acre')
const lb = (n: number) => toSI(n, 'lb')
const inch = (n: number) => toSI(n, 'in')
const tree = (id: string, inches: number, priority: number): CapTree => ({
  id,
  diameter: inch(inches),
  priority,
})
const base: CapInput = {
  limit: lb(0.4) / acre,
  area: acre,
  applied: [],
  activePerInch: lb(0.003125),
  trees: [tree('A', 14, 3)],
}
const value = (input: Partial<CapInput>) => {
  const r = withinLimit({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('0.4 lb an acre at 0.003125 lb an inch is 128 inches', () => {
  expect(value({}).inchesLeft).toBeCloseTo(128, 9)
})

test('trees that fill the limit to the last inch fit, through all floating noise', () => {
  const filled = value({ trees: Array.from({ length: 8 }, (_, i) => tree(`T${i}`, 16, 1)) })
  expect(filled.treat).toHaveLength(8)
  expect(filled.used).toBeCloseTo(lb(0.4), 12)
  const tenths = value({
    limit: lb(0.3) / acre,
    applied: [lb(0.1)],
    activePerInch: lb(0.1),
    trees: [tree('A', 0.7, 1), tree('B', 1.3, 1)],
  })
  expect(tenths.treat).toEqual(['A', 'B'])
})

test('a tree a thousandth of an inch too big waits', () => {
  expect(value({ trees: [tree('A', 128.001, 1)] }).wait).toEqual(['A'])
})

test('past the limit nothing is treated, and how far is told', () => {
  const past = value({ applied: [lb(0.3), lb(0.25)] })
  expect(past.remaining).toBeCloseTo(-lb(0.15), 12)
  expect(past.inchesLeft).toBeCloseTo(-48, 9)
  expect(past.treat).toEqual([])
  expect(past.used).toBe(0)
})

test('ties: less active ingredient, then the ids', () => {
  const room = { limit: lb(0.003125 * 20) / acre }
  expect(value({ ...room, trees: [tree('B', 10, 2), tree('A', 12, 2), tree('C', 15, 1)] }).treat).toEqual([
    'B',
  ])
  expect(value({ ...room, trees: [tree('Z', 20, 2), tree('M', 20, 2), tree('B', 20, 2)] }).treat).toEqual([
    'B',
  ])
  // Equal priority and equal inches: A with D before B with C.
  const four = [tree('D', 8, 1), tree('C', 10, 1), tree('B', 10, 1), tree('A', 12, 1)]
  expect(value({ limit: lb(0.003125 * 20.5) / acre, trees: four }).treat).toEqual(['B', 'D'])
})

test('a tree of no priority waits even where it would fit', () => {
  expect(value({ trees: [tree('A', 4, 0), tree('B', 4, 1)] })).toMatchObject({ treat: ['B'], wait: ['A'] })
})

test('the order in which trees are given changes nothing', () => {
  const trees = fc
    .array(fc.tuple(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 0, max: 5 })), {
      minLength: 1,
      maxLength: 25,
    })
    .map((list) => list.map(([d, p], i) => tree(`T${String(i).padStart(2, '0')}`, d, p)))
  fc.assert(
    fc.property(
      trees.chain((t) => fc.tuple(fc.constant(t), fc.shuffledSubarray(t, { minLength: t.length }))),
      ([given, mixed]) => {
        const a = value({ trees: given })
        const b = value({ trees: mixed })
        expect(b.treat).toEqual(a.treat)
        expect(a.used).toBeLessThanOrEqual(a.remaining * (1 + 1e-9) + 1e-12)
        expect([...a.treat, ...a.wait].sort()).toEqual(given.map((t) => t.id).sort())
      },
    ),
    { numRuns: 60 },
  )
})

test.each([
  [{ limit: -1 }, 'limit'],
  [{ area: 0 }, 'area'],
  [{ activePerInch: 0 }, 'activePerInch'],
  [{ applied: [lb(1), -1] }, 'applied[1]'],
  [{ trees: [tree('A', 0.1, 1)] }, 'trees[0].diameter'],
  [{ trees: [tree('A', 9, -1)] }, 'trees[0].priority'],
  [{ trees: Array.from({ length: 2001 }, (_, i) => tree(`${i}`, 9, 1)) }, 'trees'],
] as [Partial<CapInput>, string][])('%#: what cannot be is refused by its field', (input, field) => {
  expect(withinLimit({ ...base, ...input })).toMatchObject({
    ok: false,
    problem: { code: 'out-of-range', field },
  })
})

describe('priorities that are no whole numbers', () => {
  test('are weighed as they are, to the last of six decimals', () => {
    const room = { limit: lb(0.003125 * 20) / acre }
    expect(value({ ...room, trees: [tree('A', 20, 1.5), tree('B', 20, 1.4)] }).treat).toEqual(['A'])
    expect(value({ ...room, trees: [tree('A', 20, 1.4), tree('B', 20, 1.5)] }).treat).toEqual(['B'])
    expect(
      value({ ...room, trees: [tree('A', 10, 0.25), tree('B', 10, 0.25), tree('C', 20, 0.4999)] }).treat,
    ).toEqual(['A', 'B'])
    expect(
      value({ ...room, trees: [tree('A', 10, 0.25), tree('B', 10, 0.25), tree('C', 20, 0.5001)] }).treat,
    ).toEqual(['C'])
  })
  test('a tree that matters nothing takes no room from the others', () => {
    const room = { limit: lb(0.003125 * 20) / acre }
    const chosen = value({ ...room, trees: [tree('A', 15, 1), tree('B', 5, 0), tree('C', 20, 0)] })
    expect(chosen.treat).toEqual(['A'])
    expect(chosen.wait).toEqual(['B', 'C'])
  })
})
