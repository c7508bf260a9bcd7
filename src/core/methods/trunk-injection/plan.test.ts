import { toSI } from '../../quantity/units'
import type { UseOf } from '../plan'
import { doubtPortGirth, readInjectionUse } from './terms'
import { planInjection, type InjectionPlanInput } from './plan'

const inch = (n: number) => toSI(n, 'in')

const use: UseOf<'trunk-injection'> = {
  method: 'trunk-injection',
  hosts: ['ash'],
  forbiddenOnFood: true,
  targets: ['emerald-ash-borer'],
  terms: {
    hardware: 'bottle',
    ratePerInch: { low: '5 mL', high: '10 mL' },
    ports: { rule: 'spacing', spacing: '6 in' },
    minSpacing: '4 in',
    maxGap: '9 in',
    perPortMax: '20 mL',
    bit: '1/4 in',
    depth: '1 in',
    uptakeMinutes: { from: 25, to: 50 },
    temperature: { least: '45 F', most: '90 F' },
    hole: 'leave open',
    retreatYears: 2,
  },
  reentryHours: 4,
  beeCaution: '',
  waterCaution: '',
  protectiveGear: ['eye protection'],
}

const base: InjectionPlanInput = {
  diameter: inch(52) / Math.PI,
  breastGirth: inch(52),
  portGirth: inch(54),
  choice: 0,
  use,
  host: 'ash',
  wood: 'ring-porous',
  marks: [{ kind: 'dead', from: 100, to: 130, notedOn: '2026-06-01' }],
  holes: [{ bearing: 200, drilledOn: '2025-12-12' }],
  today: '2026-06-12',
  soil: 'moist',
  temperature: toSI(70, 'F'),
  units: 'us',
  sources: { reading: 'tape reading', label: 'card', weather: 'weather' },
}
const plan = (part: Partial<InjectionPlanInput> = {}) => {
  const r = planInjection({ ...base, ...part })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('dose, places, time and one working for all of it', () => {
  const p = plan()
  expect(p.dose.ports).toBe(9)
  expect(p.dose.volume * 1e6).toBeCloseTo((52 / Math.PI) * 5, 9)
  expect(p.layout.ports).toHaveLength(9)
  for (const { bearing } of p.layout.ports) expect(bearing < 93.4 || bearing > 136.6).toBe(true)
  expect(p.uptake).toMatchObject({ ok: true, value: { from: 1200, to: 2400 } })
  expect(p.working.map((s) => s.result)).toEqual(
    expect.arrayContaining(['16.55 in', '82.8 mL', '9 ports', '9.2 mL', '20–40 min']),
  )
  expect(p.wounds).toMatchObject({ planned: 9, closing: 1 })
})

test('moved bearings keep their place and show what they cost', () => {
  const best = plan()
  const bearings = [...best.bestBearings]
  const moved = bearings.map((b, i) => (i === 0 ? b + 1 : b))
  const r = planInjection({ ...base, bearings: moved })
  if (r.ok) {
    expect(r.value.layout.ports.map((p) => p.bearing)).toContain(bearings[0]! + 1)
    expect(r.value.layout.total).toBeLessThanOrEqual(best.bestTotal + 1e-12)
  } else expect(r.problem.code).toBe('not-allowed')
})

test.each<[Partial<InjectionPlanInput>, string, string]>([
  [{ host: 'oak-red-group' }, 'not-allowed', 'label'],
  [{ portGirth: inch(20) }, 'out-of-range', 'portGirth'],
  [{ portGirth: inch(200) }, 'out-of-range', 'portGirth'],
  [{ portGirth: Number.NaN }, 'out-of-range', 'portGirth'],
  [{ choice: 2 }, 'out-of-range', 'choice'],
  [{ bearings: [1, 2, 3] }, 'conflict', 'bearings'],
  [{ bearings: [0.5, 40, 80, 150, 190, 230, 260, 290, 330] }, 'out-of-range', 'bearings[0]'],
  [{ bearings: [110, 40, 80, 150, 190, 230, 260, 290, 330] }, 'not-allowed', 'bearings[0]'],
])('%j is refused as %s at %s', (part, code, field) => {
  expect(planInjection({ ...base, ...part })).toMatchObject({ ok: false, problem: { code, field } })
})

test('in the cold there is a plan but no uptake', () => {
  expect(plan({ temperature: toSI(40, 'F') }).uptake.ok).toBe(false)
})

test('a card whose quantities cannot be read says which', () => {
  const bad = { ...use.terms, minSpacing: 'four', perPortMax: '20 in' }
  expect(readInjectionUse(bad)).toMatchObject({
    ok: false,
    problem: { field: expect.stringMatching(/^use\./) },
  })
  expect(readInjectionUse(use.terms)).toMatchObject({
    ok: true,
    value: { minSpacing: expect.closeTo(0.1016, 9) },
  })
})

test('a girth at the ports is held against the trunk', () => {
  expect(doubtPortGirth(inch(54), inch(52))).toBeNull()
  expect(doubtPortGirth(inch(40), inch(52))).toMatch(/below/)
  expect(doubtPortGirth(inch(120), inch(52))).toMatch(/more than twice/)
})

test('a card that ends at 90 °F refuses 92 °F, though a trunk could still drink', () => {
  const warm = planInjection({ ...base, temperature: toSI(92, 'F') })
  expect(warm.ok && warm.value.uptake).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed', field: 'temperature' },
  })
  const mild = planInjection({ ...base, temperature: toSI(90, 'F') })
  expect(mild.ok && mild.value.uptake.ok).toBe(true)
})
