import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { feed, readAnalysis, type FeedInput } from './feed'

const ft = (n: number) => toSI(n, 'ft')
const base: FeedInput = {
  radius: ft(16),
  trunkClear: ft(2),
  hardscapePercent: 20,
  nitrogen: toSI(3, 'lb') / toSI(1000, 'ft2'),
  analysis: { n: 20, p2o5: 5, k2o: 10 },
  spacing: ft(3),
}
const value = (input: Partial<FeedInput>) => {
  const r = feed({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('holes are whole ones, at least one, and noise takes none away', () => {
  expect(value({}).holes).toBe(70)
  expect(value({ spacing: ft(60) }).holes).toBe(1)
  const side = Math.sqrt(value({}).area / 49)
  expect(value({ spacing: side }).holes).toBe(49)
})

test('what is delivered is what the bag says, and the holes hold the whole', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.integer({ min: 1, max: 46 }),
      fc.integer({ min: 0, max: 27 }),
      fc.double({ min: 0, max: 95, noNaN: true }),
      (radius, n, p2o5, hardscapePercent) => {
        const f = value({
          radius: ft(radius),
          trunkClear: 0,
          hardscapePercent,
          analysis: { n, p2o5, k2o: 0 },
        })
        expect(f.delivered.n / f.area / base.nitrogen).toBeCloseTo(1, 9)
        expect((f.product * n) / 100 / f.delivered.n).toBeCloseTo(1, 9)
        expect((f.perHole * f.holes) / f.product).toBeCloseTo(1, 9)
        expect(f.delivered.k2o).toBe(0)
      },
    ),
  )
})

test.each([
  ['18-6-12', { n: 18, p2o5: 6, k2o: 12 }],
  [' 18 - 6 - 12 ', { n: 18, p2o5: 6, k2o: 12 }],
  ['32–0–7.5', { n: 32, p2o5: 0, k2o: 7.5 }],
])('%j is read', (typed, expected) => {
  expect(readAnalysis(typed, 'analysis')).toEqual({ ok: true, value: expected })
})
test.each([
  ['', 'missing'],
  ['18-6', 'bad-quantity'],
  ['18/6/12', 'bad-quantity'],
  ['-18-6-12', 'bad-quantity'],
  ['60-30-20', 'out-of-range'],
])('%j is %s', (typed, code) => {
  expect(readAnalysis(typed, 'analysis')).toMatchObject({ ok: false, problem: { code } })
})

test.each([
  [{ radius: 0 }, 'radius'],
  [{ trunkClear: -1 }, 'trunkClear'],
  [{ trunkClear: ft(16) }, 'trunkClear'],
  [{ hardscapePercent: 100 }, 'hardscapePercent'],
  [{ hardscapePercent: -1 }, 'hardscapePercent'],
  [{ nitrogen: 0 }, 'nitrogen'],
  [{ nitrogen: 1 }, 'nitrogen'],
  [{ analysis: { n: 0, p2o5: 5, k2o: 5 } }, 'analysis'],
  [{ spacing: 0 }, 'spacing'],
  [{ spacing: 0.001 }, 'spacing'],
] as [Partial<FeedInput>, string][])('%j is out of range at %s', (input, field) => {
  expect(feed({ ...base, ...input })).toMatchObject({ ok: false, problem: { code: 'out-of-range', field } })
})
