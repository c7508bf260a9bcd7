import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { addDays } from '../time/calendar'
import { degreeDays, degreeDaysOf, sineAbove, type DegreeDayInput } from './degreeDays'

const F = (n: number) => toSI(n, 'F')
const sine = (min: number, max: number, upper?: number) =>
  degreeDaysOf(
    { min: F(min), max: F(max) },
    { method: 'sine', base: F(50), upper: upper === undefined ? undefined : F(upper) },
  ) * 1.8
const average = (min: number, max: number, upper?: number) =>
  degreeDaysOf(
    { min: F(min), max: F(max) },
    { method: 'average', base: F(50), upper: upper === undefined ? undefined : F(upper) },
  ) * 1.8

test('a day all above, all below, across the base', () => {
  expect(sine(52, 70)).toBeCloseTo(11, 9)
  expect(sine(30, 49)).toBe(0)
  expect(sine(38, 61)).toBeCloseTo(3.4140241265264057, 9)
  expect(average(38, 61)).toBe(0)
  expect(average(52, 70)).toBeCloseTo(11, 9)
})

test('the upper cut-off, also below the night minimum and above the day', () => {
  expect(sine(60, 100, 55)).toBeCloseTo(5, 9)
  expect(sine(60, 80, 86)).toBeCloseTo(20, 9)
  expect(sine(60, 100, 86)).toBeLessThan(30)
  expect(average(60, 100, 86)).toBeCloseTo(23, 9)
  expect(average(90, 100, 86)).toBeCloseTo(36, 9)
})

test('the area is what a thousand steps of the day add up to', () => {
  const stepped = (min: number, max: number, threshold: number) => {
    let sum = 0
    for (let i = 0; i < 20_000; i++)
      sum += Math.max(
        0,
        (max + min) / 2 + ((max - min) / 2) * Math.sin((2 * Math.PI * (i + 0.5)) / 20_000) - threshold,
      )
    return sum / 20_000
  }
  for (const [min, max, threshold] of [
    [5, 20, 10],
    [-3, 12, 10],
    [9.9, 10.1, 10],
    [0, 30, 29],
  ] as const)
    expect(sineAbove(min, max, threshold)).toBeCloseTo(stepped(min, max, threshold), 6)
})

const days = fc
  .array(
    fc.tuple(fc.double({ min: -20, max: 35, noNaN: true }), fc.double({ min: 0, max: 25, noNaN: true })),
    { minLength: 2, maxLength: 40 },
  )
  .map((list) => list.map(([min, swing], i) => ({ date: addDays('2026-02-20', i), min, max: min + swing })))

test('degree days are never negative, the total is their sum, and two parts add up to the whole', () => {
  fc.assert(
    fc.property(
      days,
      fc.constantFrom('sine' as const, 'average' as const),
      fc.option(fc.double({ min: 11, max: 40, noNaN: true }), { nil: undefined }),
      (list, method, upper) => {
        const run = (part: typeof list) => {
          const r = degreeDays({ method, base: 10, upper, days: part })
          if (!r.ok) throw new Error(r.problem.message)
          return r.value.days
        }
        const whole = run(list)
        for (const d of whole) expect(d.degreeDays).toBeGreaterThanOrEqual(0)
        const cut = Math.max(1, list.length >> 1)
        const sum = run(list.slice(0, cut)).at(-1)!.total + run(list.slice(cut)).at(-1)!.total
        expect(whole.at(-1)!.total).toBeCloseTo(sum, 9)
        const most = (upper ?? Infinity) - 10
        for (const d of whole) expect(d.degreeDays).toBeLessThanOrEqual(most + 1e-9)
      },
    ),
  )
})

const base: DegreeDayInput = { method: 'sine', base: 10, days: [{ date: '2026-03-01', min: 1, max: 9 }] }
test.each([
  [{ days: [] }, 'missing', 'days'],
  [{ upper: 10 }, 'out-of-range', 'upper'],
  [{ base: 200 }, 'out-of-range', 'base'],
  [{ days: [{ date: '1 March', min: 1, max: 2 }] }, 'bad-quantity', 'days[0].date'],
  [{ days: [{ date: '2026-03-01', min: 3, max: 2 }] }, 'out-of-range', 'days[0].min'],
  [{ days: [{ date: '2026-03-01', min: 1, max: 70 }] }, 'out-of-range', 'days[0].max'],
  [{ days: [...base.days, ...base.days] }, 'out-of-range', 'days[1].date'],
  [{ days: [...base.days, { date: '2026-03-03', min: 1, max: 2 }] }, 'out-of-range', 'days[1].date'],
] as [Partial<DegreeDayInput>, string, string][])('%j is %s', (input, code, field) => {
  expect(degreeDays({ ...base, ...input })).toMatchObject({ ok: false, problem: { code, field } })
})
