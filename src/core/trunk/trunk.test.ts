import fc from 'fast-check'
import { fromSI, toSI } from '../quantity/units'
import { doubtReading, measureTrunk } from './trunk'

const inch = (n: number) => toSI(n, 'in')
const trunk = (...args: Parameters<typeof measureTrunk>) => {
  const r = measureTrunk(...args)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('a girth of 41 in', () => {
  const t = trunk([{ girth: inch(41) }])
  expect(fromSI(t.equivalentDiameter, 'in')).toBeCloseTo(13.050705333535419, 10)
  expect(fromSI(t.criticalRootZone.radius, 'ft')).toBeCloseTo(13.050705333535419, 10)
  expect(fromSI(t.criticalRootZone.area, 'ft2')).toBeCloseTo(535.0789186749522, 8)
})

test('two stems, one by each tape, at 1.5 ft per inch', () => {
  const t = trunk([{ diameter: inch(9.5) }, { girth: 0.6 }], 18)
  expect(fromSI(t.equivalentDiameter, 'in')).toBeCloseTo(12.11558226199185, 10)
  expect(fromSI(t.summedDiameter, 'in')).toBeCloseTo(17.019131169695843, 10)
  expect(fromSI(t.criticalRootZone.radius, 'ft')).toBeCloseTo(18.173373392987777, 10)
  expect(t.working.map((s) => s.label)).toContain('Equivalent diameter, same wood area')
})

test('the equivalent lies between the largest stem and the sum, in any order of stems', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.5, max: 60, noNaN: true }), { minLength: 2, maxLength: 8 }),
      (inches) => {
        const t = trunk(inches.map((d) => ({ diameter: inch(d) })))
        expect(t.equivalentDiameter).toBeGreaterThanOrEqual(inch(Math.max(...inches)) - 1e-12)
        expect(t.equivalentDiameter).toBeLessThanOrEqual(t.summedDiameter + 1e-12)
        const turned = trunk([...inches].reverse().map((d) => ({ diameter: inch(d) })))
        expect(turned.equivalentDiameter).toBeCloseTo(t.equivalentDiameter, 12)
      },
    ),
  )
})

test.each([
  [[], 'missing', 'stems'],
  [[{}], 'missing', 'stems[0]'],
  [[{ girth: 0 }], 'out-of-range', 'stems[0].girth'],
  [[{ diameter: -1 }], 'out-of-range', 'stems[0].diameter'],
  [[{ diameter: Number.NaN }], 'out-of-range', 'stems[0].diameter'],
  [[{ diameter: 0.3 }, { diameter: 5.2 }], 'out-of-range', 'stems[1].diameter'],
  [[{ girth: 1, diameter: 0.3 }], 'out-of-range', 'stems[0].girth'],
])('%j is refused as %s at %s', (stems, code, field) => {
  expect(measureTrunk(stems)).toMatchObject({ ok: false, problem: { code, field } })
})

test('girth and diameter within 3 % agree', () => {
  expect(measureTrunk([{ girth: Math.PI * 0.3, diameter: 0.305 }]).ok).toBe(true)
})

describe('doubts about a reading', () => {
  const old = { diameter: inch(16.5), years: 1 }
  const codes = (d: number, before: typeof old | null = old) => doubtReading(d, before).map((x) => x.code)
  test('a year of honest growth raises none', () => expect(codes(inch(17))).toEqual([]))
  test('a girth typed as a diameter', () => expect(codes(inch(52))).toEqual(['girth-as-diameter']))
  test('a diameter typed as a girth', () =>
    expect(codes(inch(16.6) / Math.PI)).toEqual(['diameter-as-girth']))
  test('centimetres typed as inches', () => expect(codes(inch(16.6 * 2.54))).toEqual(['cm-as-in']))
  test('a shrinking trunk', () => expect(codes(inch(15.5))).toEqual(['shrank']))
  test('tape noise is no shrinking', () => expect(codes(inch(16.45))).toEqual([]))
  test('more than 1.5 in a year', () => expect(codes(inch(18.2))).toEqual(['grew-fast']))
  test('the same tree twice in a day may differ by a quarter inch', () => {
    expect(codes(inch(16.7), { ...old, years: 0.001 })).toEqual([])
    expect(codes(inch(17), { ...old, years: 0.001 })).toEqual(['grew-fast'])
  })
  test('a first reading of a giant is asked about', () => {
    expect(codes(inch(70), null)).toEqual(['absurd'])
    expect(codes(inch(40), null)).toEqual([])
  })
})
