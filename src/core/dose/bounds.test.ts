import { toSI } from '../quantity/units'
import { bark, HIGHEST_BAND, type BarkInput } from './bark'
import { doseInjection, type InjectionInput } from './injection'
import { drench, type DrenchInput } from './drench'
import {
  holesOf,
  MOST_RINGS,
  soilInjection,
  type HolePattern,
  type SoilInjectionInput,
} from './soilInjection'
import { estimateUptake, type UptakeInput } from './uptake'

/** Every bound of a dose: what lies on it is worked out, what lies beyond it is refused at its field. */
const inch = (n: number) => toSI(n, 'in')
const ft = (n: number) => toSI(n, 'ft')
const oz = (n: number) => toSI(n, 'fl oz')
const F = (n: number) => toSI(n, 'F')
const stems = (n: number) => Array.from({ length: n }, () => ({ diameter: inch(4) }))

const poured: DrenchInput = {
  stems: stems(1),
  basis: 'diameter',
  multiStem: 'equivalent',
  rate: { low: oz(0.1), high: oz(0.2) },
  choice: 'low',
}
const wetted: BarkInput = {
  stems: stems(1),
  rate: { low: oz(1), high: oz(2) },
  bandHeight: ft(5),
  strength: 95.9,
}
const rings: HolePattern = { kind: 'rings', first: ft(1), spacing: ft(1), rings: 3, holeSpacing: ft(2.5) }
const injected: SoilInjectionInput = { ...poured, strength: 95.9, pattern: rings, mixPerHole: oz(8) }
const warm: UptakeInput = {
  base: { from: 1500, to: 3000 },
  wood: 'diffuse-porous',
  soil: 'moist',
  temperature: F(70),
}

const fieldOf = (r: { ok: boolean; problem?: { field: string } }) => (r.ok ? null : r.problem!.field)

test('a tree has at least one stem', () => {
  for (const dose of [
    (n: number) => drench({ ...poured, stems: stems(n) }),
    (n: number) => bark({ ...wetted, stems: stems(n) }),
    (n: number) => soilInjection({ ...injected, stems: stems(n) }),
  ]) {
    expect(fieldOf(dose(1))).toBeNull()
    expect(fieldOf(dose(0))).toBe('stems')
  }
})

test('a share of the range from its low to its high end, and nothing beyond', () => {
  const product = (choice: DrenchInput['choice']) => {
    const r = drench({ ...poured, choice })
    return r.ok ? Math.round((r.value.product / oz(0.4)) * 1e9) / 1e9 : r.problem.field
  }
  expect([product('low'), product(0), product(0.5), product(1), product('high')]).toEqual([1, 1, 1.5, 2, 2])
  expect([product(-1e-9), product(1 + 1e-9), product(NaN)]).toEqual(['choice', 'choice', 'choice'])
  expect(fieldOf(drench({ ...poured, rate: { low: oz(0.1), high: oz(0.1) } }))).toBeNull()
})

test('a band as high as a wand reaches, no higher', () => {
  expect(fieldOf(bark({ ...wetted, bandHeight: HIGHEST_BAND }))).toBeNull()
  expect(fieldOf(bark({ ...wetted, bandHeight: HIGHEST_BAND * 1.0001 }))).toBe('bandHeight')
})

test.each([
  [{ ...rings, rings: MOST_RINGS }, null],
  [{ ...rings, rings: MOST_RINGS + 1 }, 'pattern.rings'],
  [{ ...rings, rings: 0 }, 'pattern.rings'],
  [{ ...rings, first: 0 }, null],
  [{ ...rings, first: -0.001 }, 'pattern.first'],
  [{ ...rings, first: ft(300) }, null],
  [{ ...rings, first: ft(301) }, 'pattern.first'],
  [{ ...rings, spacing: 0 }, 'pattern.spacing'],
  [{ ...rings, holeSpacing: 0 }, 'pattern.holeSpacing'],
  [{ kind: 'grid', radius: ft(12), spacing: ft(3), trunkClear: 0 }, null],
  [{ kind: 'grid', radius: ft(12), spacing: ft(3), trunkClear: -0.01 }, 'pattern.trunkClear'],
  [{ kind: 'grid', radius: ft(12), spacing: ft(3), hardscapePercent: 0 }, null],
  [{ kind: 'grid', radius: ft(12), spacing: ft(3), hardscapePercent: -1 }, 'pattern.hardscapePercent'],
  [{ kind: 'grid', radius: 0, spacing: ft(3) }, 'pattern.radius'],
] as [HolePattern, string | null][])('holes %#: %j', (pattern, field) => {
  expect(fieldOf(holesOf(pattern, inch(14), 'us'))).toBe(field)
})

test('each hole takes at least its share of the product', () => {
  const alone = soilInjection({ ...injected, mixPerHole: oz(8) })
  if (!alone.ok) throw new Error(alone.problem.message)
  const { perHole } = alone.value
  expect(soilInjection({ ...injected, mixPerHole: perHole })).toMatchObject({ ok: true, value: { water: 0 } })
  expect(fieldOf(soilInjection({ ...injected, mixPerHole: perHole * 0.999 }))).toBe('mixPerHole')
  expect(fieldOf(soilInjection({ ...injected, mixPerHole: 0 }))).toBe('mixPerHole')
})

test('warmth counts from the degree on which it begins', () => {
  const factor = (temperature: number) => {
    const r = estimateUptake({ ...warm, temperature })
    return r.ok ? Math.round((r.value.from / 1500) * 1e6) / 1e6 : r.problem.field
  }
  const usual = factor(F(70)) as number
  expect([factor(F(65)), factor(F(85))]).toEqual([usual, usual])
  expect([factor(F(64.9)), factor(F(85.1)), factor(F(55))].map((f) => (f as number) / usual)).toEqual([
    1.4, 1.4, 1.4,
  ])
  expect((factor(F(54.9)) as number) / usual).toBeCloseTo(2.2, 6)
  expect([factor(F(45)), factor(F(95))].every((f) => typeof f === 'number')).toBe(true)
  expect([factor(F(44.9)), factor(F(95.1))]).toEqual(['temperature', 'temperature'])
})

test('an injection is of a trunk that is there, with ports that can be', () => {
  const base: InjectionInput = {
    diameter: inch(18),
    portGirth: inch(66),
    ratePerInch: { low: toSI(4, 'mL'), high: toSI(8, 'mL') },
    choice: 'low',
    ports: { rule: 'spacing', spacing: inch(6) },
  }
  const of = (more: Partial<InjectionInput>) => fieldOf(doseInjection({ ...base, ...more }))
  expect(of({})).toBeNull()
  expect([of({ diameter: 0 }), of({ portGirth: 0 }), of({ perPortMax: 0 })]).toEqual([
    'diameter',
    'portGirth',
    'perPortMax',
  ])
  // Five hundred ports are the most any trunk carries, by rule or by what a port may take.
  expect(of({ ports: { rule: 'spacing', spacing: inch(66 / 500) } })).toBeNull()
  expect(of({ ports: { rule: 'spacing', spacing: inch(66 / 501) } })).toBe('ports')
  const whole = toSI(72, 'mL')
  expect(of({ perPortMax: whole / 500 })).toBeNull()
  expect(of({ perPortMax: whole / 501 })).toBe('ports')
  const named = (choice: InjectionInput['choice']) => {
    const r = doseInjection({ ...base, choice })
    return r.ok && r.value.working.find((s) => s.label === 'Volume for the tree')?.from
  }
  expect([named('low'), named(0), named(0.25), named('high')]).toEqual([
    expect.stringMatching(/low rate/),
    expect.stringMatching(/low rate/),
    expect.stringMatching(/25 % from low to high/),
    expect.stringMatching(/high rate/),
  ])
})
