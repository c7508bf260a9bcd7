import { toSI } from '../quantity/units'
import type { PlaceHour } from '../weather/placeDays'
import { coverOver, scabSeason, type Cover } from './scabSeason'

const HOUR = 3_600_000
const START = Date.parse('2026-04-20T04:00:00Z')
const hours = (n: number, wet: readonly (readonly [number, number])[] = [], mean = 50): PlaceHour[] =>
  Array.from({ length: n }, (_, i) => ({
    at: START + i * HOUR,
    time: new Date(START - 4 * HOUR + i * HOUR).toISOString().slice(0, 16),
    temperature: toSI(mean, 'F'),
    rain: wet.some(([a, b]) => i >= a && i < b) ? 0.001 : 0,
    wind: 5,
    sun: 0,
    humidity: 0.5,
    measured: i < 200,
  }))
const copper = (hour: number): Cover => ({
  at: START + hour * HOUR,
  washOff: toSI(1, 'in'),
  rainFastHours: 12,
  leastDays: 7,
})

test('rain and growth take a cover off, and a new one begins anew', () => {
  const dry = coverOver(hours(48), [copper(0)])!
  expect(dry.left).toHaveLength(48)
  expect(dry.left.at(-1)!.percent).toBeCloseTo(92, 9)
  expect(dry.renewBy).toBeNull()
  const washed = coverOver(hours(100, [[24, 40]]), [copper(0)])!
  expect(washed.left.at(-1)!.percent).toBeLessThan(50)
  expect(washed.renewBy).toBe(START + 35 * HOUR)
  // The label keeps seven days between.
  expect(washed.renewFrom).toBe(START + 7 * 24 * HOUR)
  const again = coverOver(hours(100, [[24, 40]]), [copper(0), copper(60)])!
  expect(again.left).toHaveLength(100)
  expect(again.left.find((l) => l.at === START + 60 * HOUR)!.percent).toBeGreaterThan(99)
  expect(coverOver(hours(10), [copper(20)])).toBeNull()
  expect(coverOver([], [copper(0)])).toBeNull()
})

test('a long wet spell infects unless a cover is there when it begins', () => {
  // Ten hours of rain, two to dry in the wind.
  const wet = hours(120, [[60, 70]])
  expect(scabSeason(wet, [])).toMatchObject([
    {
      hours: 12,
      needs: 11,
      verdict: 'infection',
      fromAt: START + 60 * HOUR,
      toAt: START + 72 * HOUR,
      measured: true,
    },
  ])
  expect(scabSeason(wet, [copper(30)])[0]!.verdict).toBe('infection under cover')
  // An earlier rain has washed it off.
  const twice = hours(120, [
    [12, 30],
    [60, 70],
  ])
  expect(scabSeason(twice, [copper(0)]).map((s) => s.verdict)).toEqual(['infection under cover', 'infection'])
  expect(scabSeason(hours(260, [[240, 250]]), [])[0]).toMatchObject({ measured: false })
})

test('spores ripen with the warmth since green tip', () => {
  const ripe = (n: number) => scabSeason(hours(n + 12, [[n, n + 10]]), [])[0]!.ripe
  // 18 °F·d a day: half ripe at 490 after 27 days.
  expect(ripe(27 * 24)).toBeCloseTo(0.5, 1)
  expect(ripe(24)).toBeLessThan(0.1)
})

test('dew alone lets no spores out, and what rains at night counts from sunrise', () => {
  // Noon to midnight in air that is nearly full, without a drop.
  const dew = hours(120).map((h, i) => (i >= 60 && i < 76 ? { ...h, humidity: 0.97 } : h))
  const [spell] = scabSeason(dew, [])
  expect(spell).toMatchObject({ hours: 16, verdict: 'none' })
  expect(spell!.working.find((w) => w.label === 'Since rain let spores out')?.result).toMatch(/dew alone/)
  // Rain from eight in the evening until six: twelve wet hours, of which those since sunrise are too few.
  const night = scabSeason(hours(120, [[68, 78]]), [])[0]!
  expect(night).toMatchObject({ hours: 12, needs: 11, verdict: 'none' })
  expect(night.working.find((w) => w.label === 'Since rain let spores out')?.result).toBe('2 h')
  // It goes on until evening.
  expect(scabSeason(hours(120, [[68, 92]]), [])[0]).toMatchObject({ verdict: 'infection' })
  // A trace is no rain.
  const trace = hours(120, [[60, 70]]).map((h) => ({ ...h, rain: h.rain! * 0.02 }))
  expect(scabSeason(trace, [])[0]).toMatchObject({ verdict: 'none' })
})
