import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { readMixRate } from './mixRate'
import { stockBottle, type StockInput } from './stock'

const oz = (n: number) => toSI(n, 'fl oz')
const inch = (n: number) => toSI(n, 'in')
const base: StockInput = {
  bottle: oz(64),
  productPerInch: oz(0.15),
  pourPerInch: oz(0.5),
  graduation: oz(0.25),
  maxProductPerInch: oz(0.16),
  trees: [inch(11)],
}
const value = (input: Partial<StockInput>) => {
  const r = stockBottle({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('pours go to the nearest graduation, half up, and the error is told', () => {
  const { pours } = value({ trees: [inch(7.25), inch(7.2), inch(11)] })
  expect(pours.map((p) => fromSI(p.pour, 'fl oz'))).toEqual([3.75, 3.5, 5.5].map((n) => expect.closeTo(n, 9)))
  expect(pours[0]!.errorPercent).toBeCloseTo(3.448275862, 8)
})

test('a pour that rounds past the label steps down', () => {
  // 2.6 in: exact 1.3, nearest 1.25; at 0.5 graduation nearest 1.5 holds 0.45 of 0.416 allowed.
  const [pour] = value({ trees: [inch(2.6)], graduation: oz(0.5) }).pours
  expect(fromSI(pour!.pour, 'fl oz')).toBeCloseTo(1, 9)
  expect(pour!.errorPercent).toBeLessThan(0)
})

test('a ratio that is whole but for noise is that number', () => {
  // 0.3 ÷ 0.1 in floating point is just under 3.
  expect(fromSI(value({ trees: [inch(0.6)], graduation: oz(0.1) }).pours[0]!.pour, 'fl oz')).toBeCloseTo(
    0.3,
    12,
  )
  expect(value({ trees: Array.from({ length: 8 }, () => inch(16)) }).bottles).toBe(1)
  expect(value({ trees: [...Array.from({ length: 8 }, () => inch(16)), inch(1)] }).bottles).toBe(2)
})

test('a measure too coarse for a small tree is refused for that tree', () => {
  expect(stockBottle({ ...base, trees: [inch(11), inch(0.5)], graduation: oz(1) })).toMatchObject({
    ok: false,
    problem: { code: 'over-label', field: 'trees[1]' },
  })
})

test('rounding never passes the label, and the total is that of the pours', () => {
  const d = fc.double({ min: 0.3, max: 60, noNaN: true })
  fc.assert(
    fc.property(
      fc.array(d, { minLength: 1, maxLength: 8 }),
      fc.constantFrom(0.05, 0.1, 0.25, 0.5, 1),
      (trees, graduation) => {
        const r = stockBottle({ ...base, trees: trees.map(inch), graduation: oz(graduation) })
        if (!r.ok) {
          expect(r.problem.code).toBe('over-label')
          return
        }
        const share = 0.3
        r.value.pours.forEach((p, i) => {
          expect(p.pour * share).toBeLessThanOrEqual(oz(0.16) * trees[i]! * (1 + 1e-9))
          const steps = fromSI(p.pour, 'fl oz') / graduation
          expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
        })
        const poured = r.value.pours.reduce((s, p) => s + p.pour, 0)
        expect(r.value.productTotal).toBeCloseTo(poured * share, 12)
        expect(r.value.concentrate + r.value.water).toBeCloseTo(base.bottle, 12)
      },
    ),
  )
})

test.each([
  [{ bottle: 0 }, 'out-of-range', 'bottle'],
  [{ graduation: -1 }, 'out-of-range', 'graduation'],
  [{ pourPerInch: oz(0.1) }, 'out-of-range', 'pourPerInch'],
  [{ productPerInch: oz(0.17) }, 'over-label', 'productPerInch'],
  [{ trees: [] }, 'missing', 'trees'],
  [{ trees: [inch(300)] }, 'out-of-range', 'trees[0]'],
] as [Partial<StockInput>, string, string][])('%j is %s', (input, code, field) => {
  expect(stockBottle({ ...base, ...input })).toMatchObject({ ok: false, problem: { code, field } })
})

test.each([
  ['2 %', 'liquid', 0.02],
  ['1 fl oz/gal', 'liquid', 1 / 128],
  ['3 tsp/gal', 'liquid', 3 / 768],
  ['2 Tbsp/gal', 'liquid', 2 / 256],
  ['5 mL/L', 'liquid', 0.005],
  ['15 mL/2 L', 'liquid', 0.0075],
  ['2 g/L', 'weight', 2],
  ['3 lb/100 gal', 'weight', (3 * 0.45359237) / (100 * 3.785411784e-3)],
  ['8 oz/100 gal', 'weight', (0.5 * 0.45359237) / (100 * 3.785411784e-3)],
  ['1/2 oz per gal', 'weight', 0.45359237 / 32 / 3.785411784e-3],
] as [string, string, number][])('%s is a %s mix', (typed, kind, perVolume) => {
  expect(readMixRate(typed, 'mix')).toEqual({
    ok: true,
    value: { kind, perVolume: expect.closeTo(perVolume, 12) },
  })
})

test.each([
  ['', 'missing'],
  ['lots', 'bad-quantity'],
  ['0 %', 'out-of-range'],
  ['101 %', 'out-of-range'],
  ['-2 %', 'out-of-range'],
  ['2 gal', 'bad-quantity'],
  ['2 in/gal', 'bad-quantity'],
])('the mix %j is %s', (typed, code) => {
  expect(readMixRate(typed, 'mix')).toMatchObject({ ok: false, problem: { code, field: 'mix' } })
})
