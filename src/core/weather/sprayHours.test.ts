import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { sprayHours, type SprayHoursInput, type SprayLimits, type WeatherHour } from './sprayHours'

const F = (n: number) => toSI(n, 'F')
const mph = (n: number) => toSI(n, 'mph')
const time = (i: number) => new Date(Date.UTC(2026, 4, 4, i)).toISOString().slice(0, 16)
const hour = (i: number, part: Partial<WeatherHour> = {}): WeatherHour => ({
  time: time(i),
  temperature: F(60),
  wind: mph(5),
  gust: mph(8),
  rain: 0,
  sun: 0.2,
  cloud: 0.5,
  ...part,
})
const run = (hours: WeatherHour[], limits: SprayLimits, need = 1) => {
  const r = sprayHours({ hours, limits, need })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const six = (at: number, part: Partial<WeatherHour>) =>
  Array.from({ length: 6 }, (_, i) => hour(i, i === at ? part : {}))

test.each([
  [{ minTemperature: F(45) }, { temperature: F(44.9) }, 'cold'],
  [{ maxTemperature: F(85) }, { temperature: F(85.1) }, 'hot'],
  [{ minWind: mph(2) }, { wind: mph(1.9) }, 'calm'],
  [{ maxWind: mph(10) }, { wind: mph(10.1) }, 'wind'],
  [{ maxGust: mph(15) }, { gust: mph(16) }, 'gust'],
  [{ maxSun: 0.5 }, { sun: 0.51 }, 'sun'],
] as [SprayLimits, Partial<WeatherHour>, string][])(
  '%j closes %j by %s, and its own edge is open',
  (limits, part, reason) => {
    expect(run(six(2, part), limits).hours.map((h) => h.reasons)).toEqual([[], [], [reason], [], [], []])
    const [key] = Object.keys(part) as (keyof WeatherHour)[]
    const edge = six(2, { [key!]: Object.values(limits)[0] })
    expect(run(edge, limits).hours.every((h) => h.open)).toBe(true)
  },
)

test('rain closes the hours before it, as many as the film needs to dry', () => {
  const { hours } = run(six(4, { rain: 0.0001 }), { rainFastHours: 2 })
  expect(hours.map((h) => h.open)).toEqual([true, true, false, false, false, true])
  expect(hours.map((h) => h.short)).toEqual([false, false, false, false, true, true])
  expect(run(six(4, { rain: 0.1 }), { rainFastHours: 0 }).hours.map((h) => h.open)).toEqual([
    true,
    true,
    true,
    true,
    false,
    true,
  ])
})

test('frost at the last hour of the data closes every hour that would meet it; 32 °F is frost', () => {
  const { hours } = run(six(5, { temperature: F(32) }), { noFreezeHours: 3 })
  expect(hours.map((h) => h.reasons.join())).toEqual(['', '', 'freeze', 'freeze', 'freeze', 'freeze'])
  expect(hours.map((h) => h.short)).toEqual([false, false, false, true, true, true])
  expect(run(six(5, { temperature: F(32.1) }), { noFreezeHours: 3 }).hours.every((h) => h.open)).toBe(true)
})

test('reasons stand in alphabetical order', () => {
  const bad = { temperature: F(20), wind: mph(40), gust: mph(60), rain: 0.1, sun: 1 }
  const limits = {
    minTemperature: F(45),
    maxWind: mph(10),
    maxGust: mph(15),
    rainFastHours: 1,
    maxSun: 0.5,
    noFreezeHours: 1,
  }
  expect(run(six(0, bad), limits).hours[0]!.reasons).toEqual([
    'cold',
    'freeze',
    'gust',
    'rain',
    'sun',
    'wind',
  ])
})

test('the best run is the longest, of equal ones the earliest, and long enough', () => {
  const limits = { maxWind: mph(10) }
  const windy = (...at: number[]) =>
    Array.from({ length: 9 }, (_, i) => hour(i, at.includes(i) ? { wind: mph(20) } : {}))
  expect(run(windy(4), limits).best).toEqual({ from: time(0), hours: 4 })
  expect(run(windy(3), limits).best).toEqual({ from: time(4), hours: 5 })
  expect(run(windy(3), limits, 6).best).toBeNull()
  expect(run(windy(0, 1, 2, 3, 4, 5, 6, 7), limits).best).toEqual({ from: time(8), hours: 1 })
  expect(run(windy(0, 1, 2, 3, 4, 5, 6, 7, 8), limits).best).toBeNull()
})

test('without a limit nothing closes and nothing is short', () => {
  expect(run([{ time: time(0) }, { time: time(1) }], {}).hours).toEqual([
    { time: time(0), open: true, short: false, reasons: [] },
    { time: time(1), open: true, short: false, reasons: [] },
  ])
})

test('an hour is open exactly when it has no reason, and a tighter limit opens nothing', () => {
  const weather = fc.array(
    fc.tuple(
      fc.integer({ min: 20, max: 100 }),
      fc.integer({ min: 0, max: 25 }),
      fc.constantFrom(0, 0, 0, 0.1),
    ),
    { minLength: 1, maxLength: 40 },
  )
  fc.assert(
    fc.property(
      weather,
      fc.integer({ min: 1, max: 15 }),
      fc.integer({ min: 0, max: 6 }),
      (list, wind, fast) => {
        const hours = list.map(([t, w, rain], i) => hour(i, { temperature: F(t), wind: mph(w), rain }))
        const wide = run(hours, { maxWind: mph(wind), rainFastHours: fast }).hours
        const tight = run(hours, {
          maxWind: mph(wind - 1),
          rainFastHours: fast + 1,
          minTemperature: F(40),
        }).hours
        wide.forEach((h, i) => {
          expect(h.open).toBe(h.reasons.length === 0)
          if (tight[i]!.open) expect(h.open).toBe(true)
        })
      },
    ),
  )
})

const base: SprayHoursInput = { hours: [hour(0), hour(1)], limits: {}, need: 1 }
test.each([
  [{ hours: [] }, 'missing', 'hours'],
  [{ hours: [{ time: time(0) }], limits: { maxWind: 1 } }, 'missing', 'hours[0].wind'],
  [
    { hours: [hour(0), { ...hour(1), rain: undefined }], limits: { rainFastHours: 1 } },
    'missing',
    'hours[1].rain',
  ],
  [{ hours: [hour(0), hour(2)] }, 'out-of-range', 'hours[1].time'],
  [{ hours: [hour(0), hour(0)] }, 'out-of-range', 'hours[1].time'],
  [{ hours: [{ ...hour(0), time: '2026-02-30T06:00' }] }, 'bad-quantity', 'hours[0].time'],
  [{ hours: [{ ...hour(0), time: '6 am' }] }, 'bad-quantity', 'hours[0].time'],
  [{ hours: [hour(0, { sun: 1.5 })] }, 'out-of-range', 'hours[0].sun'],
  [{ hours: [hour(0, { wind: -1 })] }, 'out-of-range', 'hours[0].wind'],
  [{ need: 0 }, 'out-of-range', 'need'],
  [{ limits: { rainFastHours: -1 } }, 'out-of-range', 'limits.rainFastHours'],
  [{ limits: { minWind: 5, maxWind: 4 } }, 'out-of-range', 'limits.maxWind'],
  [{ limits: { minTemperature: 5, maxTemperature: 4 } }, 'out-of-range', 'limits.maxTemperature'],
] as [Partial<SprayHoursInput>, string, string][])('%j is %s', (input, code, field) => {
  expect(sprayHours({ ...base, ...input })).toMatchObject({ ok: false, problem: { code, field } })
})

describe('heat counts in the hours after, too', () => {
  const warm = (temperatures: number[]) =>
    temperatures.map((t, i) => ({
      time: `2026-07-04T${String(6 + i).padStart(2, '0')}:00`,
      temperature: toSI(t, 'F'),
    }))
  const closed = (temperatures: number[], coolHours?: number) => {
    const r = sprayHours({
      hours: warm(temperatures),
      limits: { maxTemperature: toSI(85, 'F'), coolHours },
      need: 1,
    })
    if (!r.ok) throw new Error(r.problem.message)
    return r.value.hours.map((h) => h.reasons.join())
  }
  test('an hour is hot when it gets hotter before the spray is dry', () => {
    const morning = [70, 74, 78, 82, 85, 86, 90]
    expect(closed(morning)).toEqual(['', '', '', '', '', 'hot', 'hot'])
    expect(closed(morning, 2)).toEqual(['', '', '', 'hot', 'hot', 'hot', 'hot'])
    expect(closed(morning, 6)).toEqual(Array(7).fill('hot'))
    expect(closed([80, 85, 85], 6)).toEqual(['', '', ''])
  })
  test('without a ceiling there is nothing to stay under', () => {
    expect(sprayHours({ hours: warm([70]), limits: { coolHours: 6 }, need: 1 })).toMatchObject({
      ok: false,
      problem: { code: 'missing', field: 'limits.maxTemperature' },
    })
  })
})
