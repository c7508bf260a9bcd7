import { toSI } from '../quantity/units'
import { estimateUptake, uptakeOutlook, type UptakeInput } from './uptake'

const base: UptakeInput = {
  base: { from: 1500, to: 3000 },
  wood: 'ring-porous',
  soil: 'moist',
  temperature: toSI(70, 'F'),
}

test('ring-porous wood in good weather: 25–50 min becomes 20–40', () => {
  const r = estimateUptake(base)
  expect(r).toMatchObject({ ok: true, value: { from: 1200, to: 2400 } })
  expect(r.ok && r.value.working.at(-1)!.result).toBe('20–40 min')
})

test.each([
  [{ wood: 'diffuse-porous' }, 1],
  [{ wood: 'conifer' }, 1.8],
  [{ soil: 'dry' }, 1.6],
  [{ soil: 'saturated' }, 1.12],
  [{ temperature: toSI(90, 'F') }, 1.12],
  [{ temperature: toSI(60, 'F') }, 1.12],
  [{ temperature: toSI(45, 'F') }, 1.76],
  [{ temperature: toSI(65, 'F') }, 0.8],
  [{ temperature: toSI(85, 'F') }, 0.8],
] as [Partial<UptakeInput>, number][])('%j takes %d times the label’s time', (part, factor) => {
  const r = estimateUptake({ ...base, ...part })
  expect(r.ok && r.value.from / 1500).toBeCloseTo(factor, 9)
})

test.each([
  [{ temperature: toSI(44, 'F') }, 'temperature'],
  [{ temperature: toSI(96, 'F') }, 'temperature'],
  [{ soil: 'frozen' }, 'soil'],
] as [Partial<UptakeInput>, string][])('%j is no weather to inject in', (part, field) => {
  expect(estimateUptake({ ...base, ...part })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed', field },
  })
})

test.each([
  [toSI(90, 'F'), true],
  [toSI(92, 'F'), false],
  [toSI(50, 'F'), true],
  [toSI(49, 'F'), false],
])('a label from 50 to 90 °F at %d °C: %s', (temperature, allowed) => {
  const limits = { least: toSI(50, 'F'), most: toSI(90, 'F') }
  const r = estimateUptake({ ...base, temperature, limits, sources: { label: 'the card' } })
  expect(r.ok).toBe(allowed)
  if (!r.ok) expect(r.problem.message).toContain('the card')
})

test.each([
  ['ring-porous', 'moist', 70, 'good'],
  ['ring-porous', 'dry', 70, 'slow'],
  ['conifer', 'moist', 70, 'slow'],
  ['ring-porous', 'moist', 40, 'closed'],
  ['ring-porous', 'moist', 98, 'closed'],
  ['ring-porous', 'frozen', 70, 'closed'],
] as const)('an hour for %s on %s soil at %d °F is %s', (wood, soil, f, outlook) => {
  expect(uptakeOutlook(wood, { soil, temperature: toSI(f, 'F') })).toBe(outlook)
})
