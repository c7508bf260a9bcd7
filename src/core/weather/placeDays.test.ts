import { dayWeather, partDays, placeHours, rainHours, skyOf, windPoint } from './placeDays'

const ZONE = 'America/New_York'
const HOUR = 3_600_000
const column = (n: number, of: (i: number) => number | null = () => 10) =>
  Array.from({ length: n }, (_, i) => of(i))
const midnight = Date.parse('2026-06-12T04:00:00Z')

test('hours are parted at the midnights of the place, also where the clock is changed', () => {
  const days = partDays({ temperature: column(60) }, midnight, midnight + 20 * HOUR, ZONE)
  expect(days.map((d) => [d.date, d.hours.temperature!.length])).toEqual([
    ['2026-06-12', 24],
    ['2026-06-13', 24],
    ['2026-06-14', 12],
  ])
  const spring = partDays({ temperature: column(71) }, Date.parse('2026-03-07T05:00:00Z'), 0, ZONE)
  expect(spring.map((d) => [d.date, d.hours.temperature!.length])).toEqual([
    ['2026-03-07', 24],
    ['2026-03-08', 23],
    ['2026-03-09', 24],
  ])
  // Where midnight is no whole hour of UTC the first whole one counts.
  const half = partDays({ rain: column(30) }, Date.parse('2026-06-11T18:30:00Z'), 0, 'Asia/Kolkata')
  expect(half.map((d) => [d.date, d.hours.rain!.length])).toEqual([
    ['2026-06-12', 24],
    ['2026-06-13', 6],
  ])
})

test('figures that cannot be are not known', () => {
  const [day] = partDays(
    { temperature: [20, 99, null], rain: [0, -1, 3], humidity: [0.5, 50, 1] },
    midnight,
    0,
    ZONE,
  )
  expect(day!.hours).toEqual({ temperature: [20, null, null], rain: [0, null, 3], humidity: [0.5, null, 1] })
})

test('a day comes to its extremes and its rain; not while an hour is missing', () => {
  const [day] = partDays(
    { temperature: column(24, (i) => i), rain: column(24, () => 0.5) },
    midnight,
    0,
    ZONE,
  )
  expect(dayWeather(day!, 24)).toEqual({ date: '2026-06-12', min: 0, max: 23, rain: 0.012 })
  expect(dayWeather(day!, 25)).toMatchObject({ min: null, rain: null })
  const [gap] = partDays({ temperature: column(24, (i) => (i === 7 ? null : i)) }, midnight, 0, ZONE)
  expect(dayWeather(gap!, 24)).toEqual({ date: '2026-06-12', min: null, max: null, rain: null })
})

test('hours have the place’s clock, and a sun that cloud weakens', () => {
  const spot = { latitude: 42, longitude: -75 }
  const [day] = partDays(
    { cloud: column(24, (i) => (i === 12 ? 0 : 1)), rain: column(24, () => 2) },
    midnight,
    midnight + 9 * HOUR,
    ZONE,
  )
  const hours = placeHours(day!, spot, ZONE)
  expect(hours[9]).toMatchObject({ time: '2026-06-12T09:00', rain: 0.002, measured: false })
  expect(hours[8]!.measured).toBe(true)
  expect(hours[0]!.sun).toBe(0)
  expect(hours[12]!.sun).toBeGreaterThan(0.9)
  expect(hours[13]!.sun).toBeLessThan(0.3)
  expect(hours[3]!.temperature).toBeUndefined()
})

test('the wind’s point and the sky in words', () => {
  expect([0, 22, 23, 200, 338, 360].map(windPoint)).toEqual(['N', 'N', 'NE', 'S', 'N', 'N'])
  expect(skyOf({ rain: 0.001, cloud: 0.5 })).toBe('rain')
  expect([0.9, 0.5, 0.1].map((cloud) => skyOf({ rain: 0, cloud }))).toEqual([
    'overcast',
    'some cloud',
    'clear',
  ])
  expect(skyOf({})).toBe('not known')
})

test('the rain alone is that of the hours, with what is not known', () => {
  const [day] = partDays({ rain: column(24, (i) => (i === 5 ? null : i)) }, midnight, midnight, ZONE)
  const rain = rainHours({ begins: day!.begins, rain: day!.hours.rain! })
  expect(rain).toEqual(
    placeHours(day!, { latitude: 42, longitude: -75 }, ZONE).map((h) => ({ at: h.at, rain: h.rain })),
  )
  expect(rain[5]!.rain).toBeUndefined()
  expect(rain[7]!.rain).toBeCloseTo(0.007, 12)
  expect(rainHours({ begins: midnight, rain: null })).toEqual([])
})
