import { toSI } from '../quantity/units'
import { sprayHours, type SprayLimits, type WeatherHour } from './sprayHours'

const F = (n: number) => toSI(n, 'F')
const mph = (n: number) => toSI(n, 'mph')
const hours = (n: number, part: (i: number) => Partial<WeatherHour> = () => ({})): WeatherHour[] =>
  Array.from({ length: n }, (_, i) => ({
    time: new Date(Date.UTC(2026, 4, 4, i)).toISOString().slice(0, 16),
    temperature: F(60),
    wind: mph(5),
    gust: mph(8),
    rain: 0,
    sun: 0.2,
    cloud: 0.5,
    ...part(i),
  }))
const ask = (limits: SprayLimits, need = 1, of = hours(4)) => sprayHours({ hours: of, limits, need })
const problem = (limits: SprayLimits, need = 1) => {
  const r = ask(limits, need)
  return r.ok ? null : [r.problem.code, r.problem.field]
}

describe('limits that cannot be', () => {
  test.each([
    [{ minWind: -0.1 }, 'limits.minWind'],
    [{ maxWind: -0.1 }, 'limits.maxWind'],
    [{ maxGust: -0.1 }, 'limits.maxGust'],
    [{ maxSun: -0.01 }, 'limits.maxSun'],
    [{ maxSun: 1.01 }, 'limits.maxSun'],
    [{ minTemperature: F(60), maxTemperature: F(59.9) }, 'limits.maxTemperature'],
    [{ minWind: mph(5), maxWind: mph(4.9) }, 'limits.maxWind'],
    [{ rainFastHours: -1 }, 'limits.rainFastHours'],
    [{ rainFastHours: 1001 }, 'limits.rainFastHours'],
    [{ noFreezeHours: 1001 }, 'limits.noFreezeHours'],
    [{ coolHours: -1, maxTemperature: F(90) }, 'limits.coolHours'],
  ] as [SprayLimits, string][])('%j is refused at %s', (limits, field) => {
    expect(problem(limits)).toEqual(['out-of-range', field])
  })
  test('hours to stay cool need a temperature', () => {
    expect(problem({ coolHours: 6 })).toEqual(['missing', 'limits.maxTemperature'])
  })
  test.each([0, 1.5, 1001, -1, NaN])('%d hours needed is refused', (need) => {
    expect(problem({}, need)).toEqual(['out-of-range', 'need'])
  })
  test.each([
    [{ minWind: 0, maxWind: 0 }],
    [{ maxSun: 0 }],
    [{ maxSun: 1 }],
    [{ minTemperature: F(60), maxTemperature: F(60) }],
    [{ rainFastHours: 1000, noFreezeHours: 0 }],
  ] as [SprayLimits][])('%j can be', (limits) => {
    expect(problem(limits)).toBeNull()
  })
})

test('the working names every limit that holds, and none that does not', () => {
  const every: [keyof SprayLimits, number, string][] = [
    ['minTemperature', F(45), 'from 45 °F'],
    ['maxTemperature', F(85), 'to 85 °F'],
    ['minWind', mph(2), 'wind from 2 mph'],
    ['maxWind', mph(10), 'wind to 10 mph'],
    ['maxGust', mph(15), 'gusts to 15 mph'],
    ['rainFastHours', 3, '3 dry hours after'],
    ['maxSun', 0.5, 'sun to 0.5'],
    ['noFreezeHours', 24, '24 hours without frost'],
    ['coolHours', 6, '6 hours no hotter after'],
  ]
  const said = (limits: SprayLimits) => {
    const r = ask(limits)
    if (!r.ok) throw new Error(r.problem.message)
    return r.value.working[0]!.expression
  }
  for (const [name, value, words] of every) {
    const own = name === 'coolHours' ? { maxTemperature: F(85) } : {}
    expect(said({ ...own, [name]: value })).toContain(words)
  }
  const all = Object.fromEntries(every.map(([name, value]) => [name, value])) as SprayLimits
  expect(said(all)).toBe(every.map(([, , words]) => words).join(', '))
})

test('what closed how many hours stands in the working, the best run with its beginning', () => {
  const windy = hours(6, (i) => ({ wind: mph(i < 2 ? 12 : 5), rain: i === 5 ? 0.001 : 0 }))
  const r = ask({ maxWind: mph(10) }, 2, windy)
  if (!r.ok) throw new Error(r.problem.message)
  expect(r.value.best).toEqual({ from: '2026-05-04T02:00', hours: 4 })
  const [open, closed, best] = r.value.working
  expect(open!.result).toBe('4 of 6')
  expect(`${closed!.expression} ${closed!.result}`).toMatch(/wind.*2/)
  expect(best!.result).toMatch(/^4 h/)
})
test('a run shorter than needed is none; of two as long the earlier is taken', () => {
  const gaps = hours(7, (i) => ({ wind: mph(i === 2 || i === 5 ? 12 : 5) }))
  const best = (need: number) => {
    const r = ask({ maxWind: mph(10) }, need, gaps)
    return r.ok ? r.value.best : r.problem
  }
  expect(best(2)).toEqual({ from: '2026-05-04T00:00', hours: 2 })
  expect(best(3)).toBeNull()
})
