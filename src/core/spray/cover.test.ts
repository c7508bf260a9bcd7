import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { sayWallClock, wallClock } from '../time/wallClock'
import { cover, type CoverInput } from './cover'

const inch = (n: number) => toSI(n, 'in')
const START = wallClock('2026-05-04T07:00')!
const hoursOf = (rain: readonly number[], from = START) =>
  rain.map((r, i) => ({ time: sayWallClock(from + i * 3_600_000), rain: inch(r) }))
const base: CoverInput = {
  applied: '2026-05-04T07:00',
  hours: hoursOf([0, 0, 0, 0]),
  washOff: inch(1),
  rainFastHours: 0,
  growthPerDay: 0,
  threshold: 50,
  minDays: 0,
}
const value = (part: Partial<CoverInput>) => {
  const r = cover({ ...base, ...part })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('half an inch takes half, an inch all; the hours before do not count', () => {
  const { cover: left, renewBy } = value({ hours: hoursOf([0.9, 0.5, 0.25, 0.25, 0.4], START - 3_600_000) })
  expect(left.map((c) => c.percent)).toEqual([50, 25, 0, 0].map((p) => expect.closeTo(p, 9) as number))
  expect(left[0]!.time).toBe('2026-05-04T07:00')
  // At the threshold is not below it.
  expect(renewBy).toBe('2026-05-04T08:00')
})

test('new leaves are not covered: four per cent a day, at the end of each hour', () => {
  const { cover: left } = value({ growthPerDay: 4, hours: hoursOf(Array<number>(48).fill(0)) })
  expect(left[0]!.percent).toBeCloseTo(100 - 4 / 24, 9)
  expect(left.at(-1)!.percent).toBeCloseTo(92, 9)
})

test('more than a tenth of an inch before it is dry takes it off for good, a tenth does not', () => {
  const dry = value({ rainFastHours: 2, hours: hoursOf([0.05, 0.05, 0.3]) })
  expect(dry.washedBeforeDry).toBe(false)
  expect(dry.cover.at(-1)!.percent).toBeCloseTo(60, 9)
  const wet = value({ rainFastHours: 2, hours: hoursOf([0.05, 0.06, 0]) })
  expect(wet).toMatchObject({ washedBeforeDry: true, renewBy: '2026-05-04T08:00' })
  expect(wet.cover.map((c) => c.percent)).toEqual([expect.closeTo(95, 9), 0, 0])
})

test('not before the label’s days are over', () => {
  const hours = hoursOf([0.8, 0, 0])
  expect(value({ hours, minDays: 3 })).toMatchObject({
    renewBy: '2026-05-04T07:00',
    renewFrom: '2026-05-07T07:00',
  })
  expect(value({ hours, minDays: 0 }).renewFrom).toBe('2026-05-04T07:00')
  expect(value({ hours: hoursOf([0.1]) })).toMatchObject({ renewBy: null, renewFrom: null })
})

test('never above a hundred, never below nothing, never up again', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 0.6, noNaN: true }), { minLength: 1, maxLength: 60 }),
      fc.double({ min: 0.2, max: 3, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.integer({ min: 0, max: 12 }),
      (rain, washOff, growthPerDay, rainFastHours) => {
        const { cover: left } = value({
          hours: hoursOf(rain),
          washOff: inch(washOff),
          growthPerDay,
          rainFastHours,
        })
        left.forEach(({ percent }, i) => {
          expect(percent).toBeGreaterThanOrEqual(0)
          expect(percent).toBeLessThanOrEqual(i === 0 ? 100 : left[i - 1]!.percent + 1e-9)
        })
      },
    ),
  )
})

test.each([
  [{ applied: 'noon' }, 'bad-quantity', 'applied'],
  [{ hours: [] }, 'missing', 'hours'],
  [{ hours: [{ time: 'dawn', rain: 0 }] }, 'bad-quantity', 'hours[0].time'],
  [{ hours: hoursOf([0, 0]).reverse() }, 'out-of-range', 'hours[1].time'],
  [{ hours: hoursOf([-1]) }, 'out-of-range', 'hours[0].rain'],
  [{ washOff: 0 }, 'out-of-range', 'washOff'],
  [{ growthPerDay: -1 }, 'out-of-range', 'growthPerDay'],
  [{ threshold: 101 }, 'out-of-range', 'threshold'],
  [{ minDays: -1 }, 'out-of-range', 'minDays'],
  [{ rainFastHours: NaN }, 'out-of-range', 'rainFastHours'],
] as [Partial<CoverInput>, string, string][])('%j is %s', (part, code, field) => {
  expect(cover({ ...base, ...part })).toMatchObject({ ok: false, problem: { code, field } })
})
