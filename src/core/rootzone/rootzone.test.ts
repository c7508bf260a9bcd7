import { fromSI, toSI } from '../quantity/units'
import { radialTrenches, type TrenchInput } from './trenches'
import { watering, type WateringInput } from './watering'

const ft = (n: number) => toSI(n, 'ft')
const inch = (n: number) => toSI(n, 'in')
const trenches: TrenchInput = {
  spokes: 8,
  start: ft(4),
  end: ft(14),
  width: inch(10),
  depth: inch(12),
  rootZoneRadius: ft(18),
}

test('eight spokes of ten feet', () => {
  const r = radialTrenches(trenches)
  if (!r.ok) throw new Error(r.problem.message)
  expect(fromSI(r.value.trenchLength, 'ft')).toBeCloseTo(80, 9)
  expect(fromSI(r.value.backfill, 'ft3')).toBeCloseTo(80 * (10 / 12), 9)
  expect(r.value.openedPercent).toBeCloseTo(((80 * (10 / 12)) / (Math.PI * 324)) * 100, 9)
})

test.each([
  [{ spokes: 0 }, 'spokes'],
  [{ spokes: 2.5 }, 'spokes'],
  [{ start: -1 }, 'start'],
  [{ end: ft(4) }, 'end'],
  [{ width: 0 }, 'width'],
  [{ depth: -1 }, 'depth'],
  [{ rootZoneRadius: ft(1000) }, 'rootZoneRadius'],
] as [Partial<TrenchInput>, string][])('trenches with %j are refused at %s', (input, field) => {
  expect(radialTrenches({ ...trenches, ...input })).toMatchObject({
    ok: false,
    problem: { code: 'out-of-range', field },
  })
})

const young: WateringInput = {
  diameter: inch(3),
  gallonsPerInch: 10,
  drip: { emitters: 4, flow: toSI(1, 'gal') / 3600 },
}

test('thirty gallons through four slow emitters take seven and a half hours', () => {
  const r = watering(young)
  expect(r.ok && fromSI(r.value.volume, 'gal')).toBeCloseTo(30, 9)
  expect(r.ok && r.value.hours).toBeCloseTo(7.5, 9)
  // Poured by hand it is as much water, and no hours of a line.
  const poured = watering({ ...young, drip: undefined })
  expect(poured).toMatchObject({ ok: true, value: { hours: null, volume: r.ok && r.value.volume } })
  expect(poured.ok && poured.value.working.map((s) => s.label)).toEqual(['Water'])
})

test.each([
  [{ diameter: 0 }, 'diameter'],
  [{ gallonsPerInch: 0 }, 'gallonsPerInch'],
  [{ drip: { emitters: 0, flow: 1 } }, 'emitters'],
  [{ drip: { emitters: 4, flow: 0 } }, 'flow'],
] as [Partial<WateringInput>, string][])('water with %j is refused at %s', (input, field) => {
  expect(watering({ ...young, ...input })).toMatchObject({
    ok: false,
    problem: { code: 'out-of-range', field },
  })
})
