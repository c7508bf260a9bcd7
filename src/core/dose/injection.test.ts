import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { doseInjection, type InjectionInput } from './injection'

const inch = (n: number) => toSI(n, 'in')
const ml = (n: number) => toSI(n, 'mL')
const dose = (input: InjectionInput) => {
  const r = doseInjection(input)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const rate = { low: ml(4), high: ml(8) }

test('by spacing: 18 in, girth 66 in, one port every 6 in', () => {
  const d = dose({
    diameter: inch(18),
    portGirth: inch(66),
    ratePerInch: rate,
    choice: 'low',
    ports: { rule: 'spacing', spacing: inch(6) },
  })
  expect(d.ports).toBe(11)
  expect(fromSI(d.volume, 'mL')).toBeCloseTo(72, 10)
  expect(fromSI(d.perPort, 'mL')).toBeCloseTo(6.545454545454546, 10)
})

test('by diameter: ports added until none is over its most', () => {
  const d = dose({
    diameter: inch(13),
    ratePerInch: rate,
    choice: 0.5,
    ports: { rule: 'per-diameter', inchesPerPort: 2 },
    perPortMax: ml(10),
  })
  expect([d.ports, fromSI(d.volume, 'mL')]).toEqual([8, expect.closeTo(78, 10)])
})

test('capsules: one a port, and no silent over-dose', () => {
  const capsule = { volume: ml(4), maxPerInch: ml(4) }
  const ports = { rule: 'spacing', spacing: inch(5) } as const
  const d = dose({ diameter: inch(12), portGirth: inch(45), ports, capsule })
  expect([d.ports, d.capsules, fromSI(d.volume, 'mL')]).toEqual([9, 9, expect.closeTo(36, 10)])
  expect(doseInjection({ diameter: inch(8), portGirth: inch(45), ports, capsule })).toMatchObject({
    ok: false,
    problem: { code: 'over-label', field: 'capsule' },
  })
})

test('a table is read by diameter, its tiers included', () => {
  const ports = { rule: 'table', rows: [{ upTo: inch(10), ports: 4 }, { ports: 6 }] } as const
  const at = (d: number) =>
    dose({ diameter: inch(d), ratePerInch: rate, ports: { ...ports, rows: [...ports.rows] } }).ports
  expect([at(9), at(10), at(10.01)]).toEqual([4, 4, 6])
})

test('a ratio that is whole but for noise adds no port', () => {
  expect(
    dose({
      diameter: inch(10),
      portGirth: 0.3 * 3,
      ratePerInch: rate,
      ports: { rule: 'spacing', spacing: 0.3 },
    }).ports,
  ).toBe(3)
  expect(
    dose({
      diameter: inch(10),
      ratePerInch: { low: ml(1.1), high: ml(1.1) },
      ports: { rule: 'per-diameter', inchesPerPort: 10 },
      perPortMax: ml(1.1),
    }).ports,
  ).toBe(10)
})

test.each<[Partial<InjectionInput>, string, string]>([
  [{ diameter: 0 }, 'out-of-range', 'diameter'],
  [{ diameter: Number.NaN }, 'out-of-range', 'diameter'],
  [{ ratePerInch: undefined }, 'missing', 'ratePerInch'],
  [{ ratePerInch: { low: ml(5), high: ml(4) } }, 'out-of-range', 'ratePerInch.high'],
  [{ ratePerInch: { low: 0, high: ml(4) } }, 'out-of-range', 'ratePerInch.low'],
  [{ choice: 1.2 }, 'out-of-range', 'choice'],
  [{ choice: -0.1 }, 'out-of-range', 'choice'],
  [{ perPortMax: 0 }, 'out-of-range', 'perPortMax'],
  [{ ports: { rule: 'spacing', spacing: 0 } }, 'out-of-range', 'ports.spacing'],
  [{ ports: { rule: 'spacing', spacing: 1e-6 } }, 'out-of-range', 'ports'],
  [{ ports: { rule: 'table', rows: [] } }, 'missing', 'ports.rows'],
  [{ ports: { rule: 'table', rows: [{ ports: 4 }, { ports: 5 }] } }, 'out-of-range', 'ports.rows[0].upTo'],
  [{ ports: { rule: 'table', rows: [{ upTo: inch(4), ports: 4 }] } }, 'out-of-range', 'diameter'],
])('%j is refused as %s at %s', (part, code, field) => {
  const base: InjectionInput = {
    diameter: inch(12),
    ratePerInch: rate,
    ports: { rule: 'spacing', spacing: inch(6) },
  }
  expect(doseInjection({ ...base, ...part })).toMatchObject({ ok: false, problem: { code, field } })
})

test('never above the label, and monotone in the trunk', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 80, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (d, choice, more) => {
        const at = (inches: number) =>
          dose({
            diameter: inch(inches),
            ratePerInch: rate,
            choice,
            ports: { rule: 'spacing', spacing: inch(6) },
            perPortMax: ml(20),
          })
        const small = at(d)
        expect(small.volume).toBeLessThanOrEqual(rate.high * d * (1 + 1e-12))
        expect(small.perPort).toBeLessThanOrEqual(ml(20) * (1 + 1e-9))
        expect(small.perPort * small.ports).toBeCloseTo(small.volume, 12)
        expect(at(d + more).volume).toBeGreaterThanOrEqual(small.volume - 1e-15)
      },
    ),
  )
})

test('an infusion is made up with water: what a port may take is of the mix, the product is the label’s', () => {
  const infused = doseInjection({
    diameter: toSI(30, 'in'),
    portGirth: toSI(96, 'in'),
    ratePerInch: { low: toSI(12, 'mL'), high: toSI(24, 'mL') },
    dilution: 40,
    ports: { rule: 'spacing', spacing: toSI(8, 'in') },
    perPortMax: toSI(1, 'L'),
  })
  if (!infused.ok) throw new Error(infused.problem.message)
  const { ports, volume, perPort, water } = infused.value
  expect(fromSI(volume, 'mL')).toBeCloseTo(360, 9)
  expect(fromSI(water!, 'mL')).toBeCloseTo(14_400, 6)
  // 14.76 L at no more than a litre a port: 15, though the girth asks for 12.
  expect(ports).toBe(15)
  expect(fromSI(perPort, 'mL')).toBeCloseTo(24, 9)
  expect(infused.value.working.map((s) => s.label)).toContain('Made up with water')
})

test('what is not diluted has no water, and a dilution of nothing is refused', () => {
  const base = {
    diameter: toSI(30, 'in'),
    ratePerInch: { low: toSI(12, 'mL'), high: toSI(24, 'mL') },
    ports: { rule: 'spacing', spacing: toSI(8, 'in') } as const,
  }
  expect(doseInjection(base)).toMatchObject({ ok: true, value: { water: null } })
  expect(doseInjection({ ...base, dilution: 0 })).toMatchObject({
    ok: false,
    problem: { code: 'out-of-range', field: 'dilution' },
  })
})

test('never fewer ports than the card asks for, by whatever rule they are counted', () => {
  const small = {
    diameter: toSI(5, 'in'),
    portGirth: toSI(16, 'in'),
    ratePerInch: rate,
    ports: { rule: 'spacing', spacing: toSI(16, 'in') } as const,
  }
  expect(dose(small).ports).toBe(1)
  expect(dose({ ...small, minPorts: 3 }).ports).toBe(3)
  expect(dose({ ...small, minPorts: 1 }).working.map((s) => s.label)).not.toContain(
    'Fewest ports the label allows',
  )
})
