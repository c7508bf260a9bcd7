import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { crownVolume } from './crown'
import { spray, type SprayInput } from './spray'

const ft = (n: number) => toSI(n, 'ft')
const base: SprayInput = {
  crowns: [{ shape: 'ellipsoid', height: ft(16), width: ft(12), density: 'medium', count: 5 }],
  mix: { kind: 'liquid', perVolume: 0.02 },
}
const value = (input: Partial<SprayInput>) => {
  const r = spray({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('crowns of the same box hold 1/6, 1/12 and 1/4 of π', () => {
  expect(crownVolume('ellipsoid', 1, 2)).toBeCloseTo((4 * Math.PI) / 6, 12)
  expect(crownVolume('cone', 1, 2)).toBeCloseTo(Math.PI / 3, 12)
  expect(crownVolume('cylinder', 1, 2)).toBeCloseTo(Math.PI, 12)
})

test('a sparse crown takes less and a dense one more', () => {
  const of = (density: 'sparse' | 'medium' | 'dense') =>
    value({ crowns: [{ ...base.crowns[0]!, density }] }).spray
  expect(of('sparse') / of('medium')).toBeCloseTo(0.7, 12)
  expect(of('dense') / of('medium')).toBeCloseTo(1.3, 12)
})

test('full loads, then one part load; a whole number of tanks has none', () => {
  const gallons = fromSI(value({}).spray, 'gal')
  const loads = value({ tank: toSI(2, 'gal') }).loads!
  expect(loads.map((l) => fromSI(l.volume, 'gal'))).toEqual(
    [2, 2, gallons - 4].map((n) => expect.closeTo(n, 9)),
  )
  expect(value({ tank: toSI(gallons / 3, 'gal') }).loads).toHaveLength(3)
  expect(value({ tank: toSI(100, 'gal') }).loads).toHaveLength(1)
})

test('the loads add up to the whole, in spray and in product', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 90, noNaN: true }),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      fc.double({ min: 0.05, max: 100, noNaN: true }),
      (height, width, count, tank) => {
        const r = spray({
          ...base,
          crowns: [{ shape: 'cone', height: ft(height), width: ft(width), density: 'dense', count }],
          tank: toSI(tank, 'gal'),
        })
        if (!r.ok) return
        const sum = (of: 'volume' | 'product') => r.value.loads!.reduce((s, l) => s + l[of], 0)
        expect(Math.abs(sum('volume') / r.value.spray - 1)).toBeLessThan(1e-8)
        expect(Math.abs(sum('product') / r.value.product - 1)).toBeLessThan(1e-8)
        for (const l of r.value.loads!) expect(l.volume).toBeLessThanOrEqual(toSI(tank, 'gal') * (1 + 1e-9))
      },
    ),
  )
})

test('minutes by the flow at the nozzle', () => {
  expect(value({ flow: toSI(1.5, 'gal') / 60 }).minutes).toBeCloseTo(3.2169908772759483, 9)
})

test.each([
  [{ crowns: [] }, 'missing', 'crowns'],
  [{ crowns: [{ ...base.crowns[0]!, height: 0 }] }, 'out-of-range', 'crowns[0].height'],
  [{ crowns: [{ ...base.crowns[0]!, width: ft(900) }] }, 'out-of-range', 'crowns[0].width'],
  [{ crowns: [{ ...base.crowns[0]!, count: 1.5 }] }, 'out-of-range', 'crowns[0].count'],
  [{ tank: 0 }, 'out-of-range', 'tank'],
  [{ tank: 1e-9 }, 'out-of-range', 'tank'],
  [{ flow: -1 }, 'out-of-range', 'flow'],
  [{ volumeRate: 0 }, 'out-of-range', 'volumeRate'],
] as [Partial<SprayInput>, string, string][])('%j is %s', (input, code, field) => {
  expect(spray({ ...base, ...input })).toMatchObject({ ok: false, problem: { code, field } })
})
