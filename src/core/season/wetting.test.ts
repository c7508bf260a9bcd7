import { toSI } from '../quantity/units'
import type { PlaceHour } from '../weather/placeDays'
import { wettings, type Wetting } from './wetting'

const HOUR = 3_600_000
const START = Date.parse('2026-04-20T04:00:00Z')
/** Dry hours at a warmth, °F, with stretches in which it rains, or in which the air is full. */
const hours = (
  warmth: (i: number) => number,
  { rain = [], dew = [] }: { rain?: readonly number[]; dew?: readonly number[] },
): PlaceHour[] =>
  Array.from({ length: 48 }, (_, i) => ({
    at: START + i * HOUR,
    time: new Date(START - 4 * HOUR + i * HOUR).toISOString().slice(0, 16),
    temperature: toSI(warmth(i), 'F'),
    rain: i >= (rain[0] ?? 99) && i < (rain[1] ?? 0) ? 0.001 : 0,
    wind: 5,
    sun: 0,
    humidity: i >= (dew[0] ?? 99) && i < (dew[1] ?? 0) ? 0.97 : 0.5,
    measured: i < 24,
  }))
const rust: Wetting = { within: { from: toSI(50, 'F'), to: toSI(75, 'F') }, hours: 4, rain: false }
const curl: Wetting = { within: { from: toSI(39, 'F'), to: toSI(60, 'F') }, hours: 1, rain: true }

test('rust gets in after four wet hours of the right warmth, by dew too', () => {
  const [found, ...others] = wettings(
    hours(() => 60, { dew: [10, 14] }),
    rust,
  )
  expect(others).toEqual([])
  expect(found).toMatchObject({
    hours: 4,
    rained: false,
    infects: true,
    fromAt: START + 10 * HOUR,
    measured: true,
  })
  expect(
    wettings(
      hours(() => 60, { dew: [10, 13] }),
      rust,
    )[0]!.infects,
  ).toBe(false)
})

test('only the hours count that are warm enough, and not too warm; the bounds belong to it', () => {
  // Three of six wet hours are warm enough.
  const cooling = hours((i) => (i < 13 ? 50 : 49), { dew: [10, 16] })
  expect(wettings(cooling, rust)[0]).toMatchObject({ hours: 3, infects: false })
  expect(
    wettings(
      hours(() => 75, { dew: [10, 14] }),
      rust,
    )[0]!.infects,
  ).toBe(true)
  expect(
    wettings(
      hours(() => 76, { dew: [10, 20] }),
      rust,
    ),
  ).toEqual([])
  expect(
    wettings(
      hours(() => 38, { rain: [10, 20] }),
      curl,
    ),
  ).toEqual([])
})

test('leaf curl asks for rain; dew alone does not do it', () => {
  expect(
    wettings(
      hours(() => 50, { rain: [10, 12] }),
      curl,
    )[0],
  ).toMatchObject({ rained: true, infects: true })
  const dew = wettings(
    hours(() => 50, { dew: [10, 20] }),
    curl,
  )[0]!
  expect(dew).toMatchObject({ rained: false, infects: false })
  expect(dew.working.map((s) => s.result)).toContain('none fell')
  expect(
    wettings(
      hours(() => 50, {}),
      curl,
    ),
  ).toEqual([])
})

test('what the forecast says is not taken for measured', () => {
  expect(
    wettings(
      hours(() => 60, { rain: [30, 36] }),
      rust,
    )[0]!.measured,
  ).toBe(false)
})
