import fc from 'fast-check'
import { toSI, fromSI } from '../quantity/units'
import { drench, rateOf, type DrenchInput } from './drench'

const inch = (n: number) => toSI(n, 'in')
const oz = (n: number) => toSI(n, 'fl oz')
const base: DrenchInput = {
  stems: [{ diameter: inch(12) }],
  basis: 'diameter',
  multiStem: 'equivalent',
  rate: { low: oz(0.1), high: oz(0.2) },
  choice: 'low',
  tiers: [
    { above: inch(15), low: oz(0.2), high: oz(0.4) },
    { above: inch(30), low: oz(0.3), high: oz(0.5) },
  ],
  water: [{ girthUpTo: inch(50), volume: toSI(1, 'gal') }, { volume: toSI(2, 'gal') }],
  strength: toSI(2, 'lb') / toSI(1, 'gal'),
}
const value = (input: Partial<DrenchInput>) => {
  const r = drench({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const ounces = (input: Partial<DrenchInput>) => fromSI(value(input).product, 'fl oz')

test('a tier begins above its size, and replaces the rate for the whole tree', () => {
  expect(ounces({ stems: [{ diameter: inch(15) }] })).toBeCloseTo(1.5, 9)
  expect(ounces({ stems: [{ diameter: toSI(38.1, 'cm') }] })).toBeCloseTo(1.5, 9)
  expect(ounces({ stems: [{ diameter: inch(15.001) }] })).toBeCloseTo(3.0002, 9)
  expect(ounces({ stems: [{ diameter: inch(31) }] })).toBeCloseTo(9.3, 9)
  expect(ounces({ stems: [{ diameter: inch(31) }], choice: 'high' })).toBeCloseTo(15.5, 9)
  expect(ounces({ stems: [{ diameter: inch(20) }], choice: 0.25 })).toBeCloseTo(5, 9)
  expect(ounces({ stems: [{ diameter: inch(31) }], tiers: [...base.tiers!].reverse() })).toBeCloseTo(9.3, 9)
})

test('girth and diameter differ by 3.14, and the tier still looks at the diameter', () => {
  expect(ounces({ basis: 'girth', stems: [{ girth: inch(31) }] })).toBeCloseTo(3.1, 9)
  expect(ounces({ basis: 'girth', stems: [{ diameter: inch(12) }] })).toBeCloseTo(1.2 * Math.PI, 9)
  expect(ounces({ basis: 'girth', stems: [{ girth: inch(48) }] })).toBeCloseTo(9.6, 9)
})

test('several stems by wood area or added up', () => {
  const stems = [{ diameter: inch(6) }, { diameter: inch(8) }]
  expect(ounces({ stems })).toBeCloseTo(1, 9)
  expect(ounces({ stems, multiStem: 'sum' })).toBeCloseTo(1.4, 9)
  expect(value({ stems, multiStem: 'sum', basis: 'girth' }).inches).toBeCloseTo(14 * Math.PI, 9)
})

test('water by girth, the edge in the smaller row', () => {
  expect(value({ stems: [{ girth: inch(50) }] }).water).toBeCloseTo(toSI(1, 'gal'), 12)
  expect(value({ stems: [{ girth: toSI(127, 'cm') }] }).water).toBeCloseTo(toSI(1, 'gal'), 12)
  expect(value({ stems: [{ girth: inch(50.01) }] }).water).toBeCloseTo(toSI(2, 'gal'), 12)
  expect(value({ water: undefined, strength: undefined })).not.toHaveProperty('water')
})

test('active ingredient: 0.2 fl oz of 2 lb/gal is 0.003125 lb an inch', () => {
  expect(
    fromSI(value({ stems: [{ diameter: inch(1) }], choice: 'high' }).activeIngredient!, 'lb'),
  ).toBeCloseTo(0.003125, 12)
})

test('more trunk never takes less, and never more than the label’s high rate', () => {
  const diameter = fc.double({ min: 0.5, max: 100, noNaN: true })
  fc.assert(
    fc.property(diameter, diameter, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, choice) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)].map((d) =>
        ounces({ stems: [{ diameter: inch(d) }], choice }),
      ) as [number, number]
      expect(less).toBeLessThanOrEqual(more * (1 + 1e-12))
      expect(more).toBeLessThanOrEqual(0.5 * Math.max(a, b) * (1 + 1e-12))
    }),
  )
})

test.each([
  [{ rate: { low: 0, high: oz(1) } }, 'rate.low'],
  [{ rate: { low: oz(2), high: oz(1) } }, 'rate.high'],
  [{ choice: -0.1 }, 'choice'],
  [{ tiers: [{ above: 0, low: oz(1), high: oz(1) }] }, 'tiers[0].above'],
  [{ tiers: [base.tiers![0]!, base.tiers![0]!] }, 'tiers[1].above'],
  [{ tiers: [{ above: inch(90), low: oz(2), high: oz(1) }] }, 'tiers[0].high'],
  [{ water: [{ volume: 1 }, { volume: 1 }] }, 'water[0].girthUpTo'],
  [{ water: [{ girthUpTo: inch(20), volume: 1 }] }, 'water[0].girthUpTo'],
  [{ water: [{ volume: 0 }] }, 'water[0].volume'],
  [{ strength: 0 }, 'strength'],
] as [Partial<DrenchInput>, string][])('%j is out of range at %s', (input, field) => {
  expect(drench({ ...base, ...input })).toMatchObject({ ok: false, problem: { code: 'out-of-range', field } })
})

test('a rate between low and high', () => {
  expect(rateOf({ low: 1, high: 3 }, undefined, 'rate')).toEqual({ ok: true, value: 1 })
  expect(rateOf({ low: 1, high: 3 }, 1, 'rate')).toEqual({ ok: true, value: 3 })
})
