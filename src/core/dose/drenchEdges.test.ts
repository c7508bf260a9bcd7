import { fromSI, toSI } from '../quantity/units'
import { drench, rateOf, type DrenchInput } from './drench'

const inch = (n: number) => toSI(n, 'in')
const oz = (n: number) => toSI(n, 'fl oz')
const gal = (n: number) => toSI(n, 'gal')
const base: DrenchInput = {
  stems: [{ diameter: inch(12) }],
  basis: 'diameter',
  multiStem: 'equivalent',
  rate: { low: oz(0.1), high: oz(0.2) },
  choice: 'low',
}
const ask = (input: Partial<DrenchInput>) => drench({ ...base, ...input })
const value = (input: Partial<DrenchInput>) => {
  const r = ask(input)
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const labels = (input: Partial<DrenchInput>) => value(input).working.map((s) => s.label)

describe('several stems', () => {
  const twins = [{ girth: inch(30) }, { girth: inch(40) }]
  test('count as one of the same wood, or as many inches as they have together', () => {
    const through = [30 / Math.PI, 40 / Math.PI]
    expect(value({ stems: twins }).inches).toBeCloseTo(Math.hypot(...through), 9)
    expect(value({ stems: twins, multiStem: 'sum' }).inches).toBeCloseTo(through[0]! + through[1]!, 9)
    expect(value({ stems: twins, basis: 'girth' }).inches).toBeCloseTo(50, 9)
    expect(value({ stems: twins, basis: 'girth', multiStem: 'sum' }).inches).toBeCloseTo(70, 9)
  })
  test('their girth is a line of its own in the working, where the girth counts and there are several', () => {
    const line = 'Girth of one such trunk'
    expect(labels({ stems: twins, basis: 'girth' })).toContain(line)
    expect(labels({ stems: twins, basis: 'diameter' })).not.toContain(line)
    expect(labels({ stems: [twins[0]!], basis: 'girth' })).not.toContain(line)
  })
  test('one stem read with a tape keeps the tape’s own girth', () => {
    expect(value({ stems: [{ girth: inch(30.1) }], basis: 'girth' }).inches).toBeCloseTo(30.1, 12)
  })
})

describe('a rate between low and high', () => {
  const rate = { low: oz(0.1), high: oz(0.3) }
  test.each([
    ['low', 0.1],
    ['high', 0.3],
    [0, 0.1],
    [0.5, 0.2],
    [1, 0.3],
  ] as const)('%s is %d fl oz', (choice, expected) => {
    const r = rateOf(rate, choice, 'rate')
    expect(r.ok && fromSI(r.value, 'fl oz')).toBeCloseTo(expected, 12)
  })
  test.each([-0.01, 1.01, NaN])('%d lies on neither side', (choice) => {
    expect(rateOf(rate, choice, 'rate')).toMatchObject({ ok: false, problem: { field: 'choice' } })
  })
  test('the high one is not below the low one', () => {
    expect(rateOf({ low: oz(0.2), high: oz(0.19) }, 'low', 'tiers[1]')).toMatchObject({
      ok: false,
      problem: { code: 'out-of-range', field: 'tiers[1].high' },
    })
    expect(rateOf({ low: oz(0.2), high: oz(0.2) }, 'high', 'rate').ok).toBe(true)
  })
})

describe('water by rows of girth', () => {
  const water = [
    { girthUpTo: inch(30), volume: gal(1) },
    { girthUpTo: inch(60), volume: gal(2) },
  ]
  const gallons = (girth: number) => fromSI(value({ stems: [{ girth: inch(girth) }], water }).water!, 'gal')
  test('a row holds up to and with its girth', () => {
    expect(
      [gallons(29), gallons(30), gallons(30.01), gallons(60)].map((g) => Math.round(g * 1e6) / 1e6),
    ).toEqual([1, 1, 2, 2])
  })
  test('a trunk beyond the last row has no water by the label', () => {
    expect(ask({ stems: [{ girth: inch(60.1) }], water })).toMatchObject({
      ok: false,
      problem: { code: 'out-of-range' },
    })
  })
  test('without rows no water is said', () => {
    expect(value({}).water).toBeUndefined()
    expect(labels({})).not.toContain('Water')
  })
})

describe('active ingredient', () => {
  const strength = toSI(2, 'lb') / gal(1)
  test('is what the strength makes of the product', () => {
    expect(fromSI(value({ strength }).activeIngredient!, 'lb')).toBeCloseTo((1.2 / 128) * 2, 12)
    expect(value({}).activeIngredient).toBeUndefined()
    expect(labels({ strength })).toContain('Active ingredient')
  })
  test.each([0, -1, NaN])('a strength of %d is none', (none) => {
    expect(ask({ strength: none })).toMatchObject({ ok: false, problem: { field: 'strength' } })
  })
})
