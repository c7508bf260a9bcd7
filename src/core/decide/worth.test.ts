import fc from 'fast-check'
import { seeded } from './random'
import { worth, type WorthInput } from './worth'
import { worthSpread, type WorthSpread } from './worthSpread'

const base: WorthInput = {
  years: 3,
  discountPercent: 0,
  treat: { costPerVisit: 100, everyYears: 2, survival: [1, 1, 0.5] },
  remove: { cost: 1000, replace: 200, year: 0 },
  nothing: { survival: [0.5, 0.5, 0], emergencyCost: 800 },
  benefitPerYear: 300,
  replacementBenefitShare: [0, 0.5],
}
const value = (part: Partial<WorthInput>) => {
  const r = worth({ ...base, ...part })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}

test('by hand, without discount', () => {
  // Treat: 300 × 2.5 − 100 × 2 − 800 × 0.5; nothing: 300 × 1 − 800; remove: −1200 + 300 × (0 + 0.5 + 0.5).
  expect(value({})).toMatchObject({
    treat: 150,
    nothing: -500,
    remove: -900,
    best: 'treat',
    breakEvenYear: 1,
  })
})

test('by hand, with discount', () => {
  const r = 1.1
  const v = value({ discountPercent: 10 })
  expect(v.treat).toBeCloseTo(300 / r + 300 / r ** 2 + 150 / r ** 3 - 100 - 100 / r ** 2 - 400 / r ** 3, 9)
  expect(v.remove).toBeCloseTo(-1200 + 150 / r ** 2 + 150 / r ** 3, 9)
})

test('removal in a later year, at the end, and never within the years', () => {
  expect(value({ remove: { ...base.remove, year: 2 } }).remove).toBeCloseTo(300 + 300 - 1200, 9)
  expect(value({ remove: { ...base.remove, year: 3 } }).remove).toBeCloseTo(900, 9)
})

test('the year treating has paid for itself, or never', () => {
  const dear = { ...base.treat, costPerVisit: 1400 }
  expect(value({ treat: { ...dear, costPerVisit: 2000, everyYears: 1 } }).breakEvenYear).toBeNull()
  // One visit of 1,400 against 1,200: ahead once the living tree has given 200 more than the new one.
  expect(value({ treat: { ...dear, everyYears: 9, survival: [1, 1, 1] } }).breakEvenYear).toBe(1)
  expect(
    value({ treat: { ...dear, costPerVisit: 1600, everyYears: 9, survival: [1, 1, 1] } }).breakEvenYear,
  ).toBe(2)
})

test('of equal worth treating is named first', () => {
  const dead = { survival: [0, 0, 0] }
  expect(
    value({
      benefitPerYear: 0,
      treat: { ...base.treat, costPerVisit: 0, ...dead },
      nothing: { ...dead, emergencyCost: 1200 },
    }),
  ).toMatchObject({ treat: -1200, remove: -1200, nothing: -1200, best: 'treat' })
})

const curve = (years: number) =>
  fc
    .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: years, maxLength: years })
    .map((l) => [...l].sort((a, b) => b - a))
test('better survival is never worth less, dearer visits never more', () => {
  fc.assert(
    fc.property(curve(6), curve(6), fc.double({ min: 0, max: 20, noNaN: true }), (a, b, discountPercent) => {
      const better = a.map((s, i) => Math.max(s, b[i]!))
      const of = (survival: number[], costPerVisit = 0) =>
        value({
          years: 6,
          discountPercent,
          treat: { costPerVisit, everyYears: 2, survival },
          nothing: { survival: a, emergencyCost: 500 },
        }).treat
      expect(of(better)).toBeGreaterThanOrEqual(of(a) - 1e-9)
      expect(of(a, 50)).toBeLessThanOrEqual(of(a))
    }),
  )
})

test.each([
  [{ years: 0 }, 'out-of-range', 'years'],
  [{ years: 2.5 }, 'out-of-range', 'years'],
  [{ discountPercent: -1 }, 'out-of-range', 'discountPercent'],
  [{ treat: { ...base.treat, everyYears: 0 } }, 'out-of-range', 'treat.everyYears'],
  [{ treat: { ...base.treat, survival: [1, 1] } }, 'missing', 'treat.survival[2]'],
  [{ treat: { ...base.treat, survival: [0.5, 0.6, 0.5] } }, 'out-of-range', 'treat.survival[1]'],
  [{ nothing: { ...base.nothing, survival: [1, 1.1, 1] } }, 'out-of-range', 'nothing.survival[1]'],
  [{ remove: { ...base.remove, year: -1 } }, 'out-of-range', 'remove.year'],
  [{ remove: { ...base.remove, cost: -1 } }, 'out-of-range', 'remove.cost'],
  [{ replacementBenefitShare: [] }, 'missing', 'replacementBenefitShare'],
  [{ replacementBenefitShare: [0, -1] }, 'out-of-range', 'replacementBenefitShare[1]'],
] as [Partial<WorthInput>, string, string][])('%j is %s', (part, code, field) => {
  expect(worth({ ...base, ...part })).toMatchObject({ ok: false, problem: { code, field } })
})

describe('the spread', () => {
  const spread = (draws: number, input = base, uncertainty = { costs: 0, benefit: 0 }): WorthSpread => {
    const steps = worthSpread(input, draws, seeded(11), uncertainty)
    let step = steps.next()
    const told: number[] = []
    while (!step.done) {
      told.push(step.value)
      step = steps.next()
    }
    expect(told).toEqual(Array.from({ length: Math.floor(draws / 500) }, (_, i) => (i + 1) * 500))
    if (!step.value.ok) throw new Error(step.value.problem.message)
    return step.value.value
  }

  test('drawn lives average to the worth that is reckoned', () => {
    const long: WorthInput = { ...base, years: 3, discountPercent: 5 }
    const steps = worthSpread(long, 40_000, seeded(5), { costs: 0, benefit: 0 })
    let step = steps.next()
    while (!step.done) step = steps.next()
    if (!step.value.ok) throw new Error('refused')
    const { histogram, treat } = step.value.value
    const width = (histogram.to - histogram.from) / histogram.counts.length
    const mean =
      histogram.counts.reduce((s, n, i) => s + n * (histogram.from + (i + 0.5) * width), 0) / 40_000
    const exact = value({ discountPercent: 5 })
    expect(Math.abs(mean - (exact.treat - exact.remove))).toBeLessThan(width)
    expect(treat.low).toBeLessThanOrEqual(treat.middle)
    expect(treat.middle).toBeLessThanOrEqual(treat.high)
  })

  test('a certain life without uncertainty is one number', () => {
    const sure = spread(1000, { ...base, treat: { ...base.treat, survival: [1, 1, 1] } })
    expect(sure.treat).toEqual({ low: 700, middle: 700, high: 700 })
    expect(sure.remove).toEqual({ low: -900, middle: -900, high: -900 })
    expect(sure.treatBeats.remove).toBe(1)
    expect(sure.histogram.counts.reduce((a, b) => a + b)).toBe(1000)
  })

  test('a treated tree that outlives the other by its curve outlives it in every draw', () => {
    expect(spread(2000).treatBeats.nothing).toBe(1)
  })

  test('what cannot be is refused before a draw', () => {
    const step = worthSpread({ ...base, years: 0 }, 100, seeded(1)).next()
    expect(step).toMatchObject({ done: true, value: { ok: false, problem: { field: 'years' } } })
  })
})

test('the same seed gives the same numbers, evenly spread', () => {
  const a = seeded(3)
  const b = seeded(3)
  const counts = new Array<number>(10).fill(0)
  for (let i = 0; i < 20_000; i++) {
    const n = a()
    expect(n).toBe(b())
    counts[Math.floor(n * 10)]! += 1
  }
  for (const c of counts) expect(Math.abs(c - 2000)).toBeLessThan(200)
})
