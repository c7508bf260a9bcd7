import fc from 'fast-check'
import { chanceAbove, deviationsFor, logGamma, quantile, splitAt, type Beta } from './beta'
import { responseOf, type ResponseInput } from './response'

const logBeta = (a: number, b: number) => logGamma(a) + logGamma(b) - logGamma(a + b)

/** The same chance by the sum that holds for whole numbers; it shares nothing with the area but the gamma function. */
function byTheSum(one: Beta, other: Beta): number {
  let chance = 0
  for (let i = 0; i < one.a; i++)
    chance += Math.exp(
      logBeta(other.a + i, one.b + other.b) -
        Math.log(one.b + i) -
        logBeta(1 + i, one.b) -
        logBeta(other.a, other.b),
    )
  return chance
}

describe('uncertain shares', () => {
  test('the gamma function knows its factorials and its half', () => {
    let factorial = 1
    for (let n = 1; n < 30; n++) {
      expect(logGamma(n)).toBeCloseTo(Math.log(factorial), 10)
      factorial *= n
    }
    expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 12)
  })
  test('a quantile is where the share lies below with that chance', () => {
    expect(quantile({ a: 1, b: 1 }, 0.3)).toBeCloseTo(0.3, 12)
    // Of Beta(2, 1) the chance below x is x².
    expect(quantile({ a: 2, b: 1 }, 0.25)).toBeCloseTo(0.5, 12)
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        (a, b, p) => {
          const x = quantile({ a, b }, p)
          expect(Math.abs(splitAt({ a, b }, Math.log(x / (1 - x))).below - p)).toBeLessThan(1e-9)
        },
      ),
      { numRuns: 200 },
    )
  })
  test('the chance to be above agrees with the sum for whole numbers', () => {
    const count = fc.integer({ min: 1, max: 60 })
    fc.assert(
      fc.property(count, count, count, count, (a, b, c, d) => {
        const [one, other] = [
          { a, b },
          { a: c, b: d },
        ]
        expect(Math.abs(chanceAbove(one, other) - byTheSum(one, other))).toBeLessThan(1e-9)
      }),
      { numRuns: 150 },
    )
  })
  test('it holds for next to nothing known and for very much', () => {
    expect(chanceAbove({ a: 1e-3, b: 1e-3 }, { a: 1e-3, b: 1e-3 })).toBeCloseTo(0.5, 7)
    expect(chanceAbove({ a: 5e5, b: 5e5 }, { a: 5e5, b: 5e5 })).toBeCloseTo(0.5, 7)
    // Beta(a, 1) above uniform is a ÷ (a + 1).
    expect(chanceAbove({ a: 1e-4, b: 1 }, { a: 1, b: 1 })).toBeCloseTo(1e-4 / 1.0001, 8)
    expect(chanceAbove({ a: 1, b: 1 }, { a: 3e5, b: 1 })).toBeCloseTo(1 / 300_001, 9)
    expect(chanceAbove({ a: 900, b: 100 }, { a: 100, b: 900 })).toBeCloseTo(1, 9)
  })
  test('deviations are those of the tables', () => {
    expect(deviationsFor(0.9)).toBeCloseTo(1.6448536269514722, 12)
    expect(deviationsFor(0.95)).toBeCloseTo(1.959963984540054, 12)
    expect(deviationsFor(0.998)).toBeCloseTo(3.090232306167813, 12)
  })
})

const ASKED: ResponseInput = {
  prior: { mean: 0.6, weight: 5 },
  groups: [
    { group: 'a', success: 9, of: 10 },
    { group: 'b', success: 0, of: 3 },
  ],
}

test('an interval holds its share, none leaves 0 to 1, and every two are compared once', () => {
  const r = responseOf({ ...ASKED, groups: [...ASKED.groups, { group: 'c', success: 0, of: 0 }] })
  if (!r.ok) throw new Error(r.problem.message)
  for (const g of r.value.groups) {
    if (g.share !== null) {
      expect(g.wilson.low).toBeLessThanOrEqual(g.share)
      expect(g.wilson.high).toBeGreaterThanOrEqual(g.share)
    }
    expect(g.credible.low).toBeLessThan(g.shrunk)
    expect(g.credible.high).toBeGreaterThan(g.shrunk)
  }
  expect(r.value.groups[1]!.wilson.low).toBe(0)
  expect(r.value.groups[2]).toMatchObject({ share: null, wilson: { low: 0, high: 1 }, shrunk: 0.6 })
  expect(r.value.pairs.map((p) => p.a + p.b)).toEqual(['ab', 'ac', 'bc'])
})

test.each<[string, Partial<ResponseInput>]>([
  ['level', { level: 0.5 }],
  ['level', { level: 0.999 }],
  ['prior.mean', { prior: { mean: 0, weight: 1 } }],
  ['prior.mean', { prior: { mean: 1, weight: 1 } }],
  ['prior.weight', { prior: { mean: 0.5, weight: 0 } }],
  ['groups[0].success', { groups: [{ group: 'a', success: 4, of: 3 }] }],
  ['groups[0].success', { groups: [{ group: 'a', success: -1, of: 3 }] }],
  ['groups[0].of', { groups: [{ group: 'a', success: 0, of: 2.5 }] }],
])('out of range: %s', (field, change) => {
  const r = responseOf({ ...ASKED, ...change })
  expect(r.ok ? null : [r.problem.code, r.problem.field]).toEqual(['out-of-range', field])
})
