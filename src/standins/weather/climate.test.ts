import { madeHour, type MadeHour, type Order } from './climate'

const HOUR = 3_600_000
const inland = { latitude: 42.3, longitude: -75.2 }
const at = (iso: string) => Date.parse(iso) / HOUR
const run = (
  from: string,
  hours: number,
  spot = inland,
  orders: Order[] = [],
  issued: number | null = null,
) => Array.from({ length: hours }, (_, i) => madeHour(spot, at(from) + i, orders, issued))
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length
const temperatures = (list: MadeHour[]) => list.map((h) => h.temperature)
const rain = (list: MadeHour[]) => list.reduce((sum, h) => sum + h.rain, 0)
const year = run('2025-01-01T05:00Z', 8760)

test('the same hour of a place is always the same', () => {
  expect(madeHour(inland, 494_000)).toEqual(madeHour({ ...inland }, 494_000))
  expect(madeHour(inland, 494_000)).not.toEqual(madeHour({ ...inland, latitude: 30 }, 494_000))
})

test('a year inland is plausible: seasons, rain, wind, still clear nights, dew', () => {
  expect(mean(temperatures(year.slice(4344, 5088))) - mean(temperatures(year.slice(0, 744)))).toBeGreaterThan(
    18,
  )
  expect(Math.max(...temperatures(year))).toBeLessThan(40)
  expect(Math.min(...temperatures(year))).toBeGreaterThan(-25)
  expect(rain(year)).toBeGreaterThan(0.5)
  expect(rain(year)).toBeLessThan(1.5)
  const can = (h: MadeHour) =>
    h.gust >= h.wind && h.humidity > 0 && h.humidity <= 1 && h.cloud >= 0 && h.cloud <= 1
  expect(year.filter((h) => !can(h) || (h.rain > 0 && h.cloud < 0.9))).toEqual([])
  const still = year.filter((h) => h.wind < 1.34 && h.cloud < 0.3).length
  expect(still).toBeGreaterThan(200)
  const spells = year.filter((h, i) => h.rain > 0 && !(year[i - 1]?.rain ?? 0)).length
  expect(spells).toBeGreaterThan(60)
})

test('afternoons are warmer than nights, by the sun of the place and not by a clock', () => {
  const course = (spot: typeof inland, utc: number) =>
    mean(
      Array.from(
        { length: 60 },
        (_, d) => madeHour(spot, at('2026-06-01T00:00Z') + d * 24 + utc).temperature,
      ),
    )
  expect(course(inland, 20) - course(inland, 8)).toBeGreaterThan(5)
  const east = { latitude: 42.3, longitude: 104.8 }
  expect(course(east, 8) - course(east, 20)).toBeGreaterThan(5)
})

test('the south has its summer in January', () => {
  const south = { latitude: -37, longitude: 145 }
  expect(
    mean(temperatures(run('2026-01-01T00:00Z', 744, south))) -
      mean(temperatures(run('2026-07-01T00:00Z', 744, south))),
  ).toBeGreaterThan(8)
})

test('a forecast is right for what is past, near for tomorrow, less so for a week ahead, and made anew', () => {
  const issued = at('2026-05-10T12:00Z')
  const truth = run('2026-05-01T00:00Z', 480)
  const said = run('2026-05-01T00:00Z', 480, inland, [], issued)
  const off = (from: number, to: number) =>
    mean(truth.slice(from, to).map((h, i) => Math.abs(h.temperature - said[from + i]!.temperature)))
  expect(off(0, 228)).toBe(0)
  expect(off(228, 252)).toBeLessThan(off(372, 468))
  expect(said[227]!.chance).toBeNull()
  expect(said[240]!.chance).not.toBeNull()
  const later = run('2026-05-01T00:00Z', 480, inland, [], issued + 24)
  expect(later.slice(300)).not.toEqual(said.slice(300))
  for (const h of said.slice(230)) expect(h.rain === 0 || h.chance! >= 0.4).toBe(true)
})

test.each<[Order['kind'], (day: MadeHour[]) => boolean]>([
  ['storm', (d) => rain(d) > 0.02 && Math.max(...d.map((h) => h.gust)) > 15],
  ['soak', (d) => rain(d) > 0.03],
  ['frost', (d) => Math.min(...temperatures(d)) < 0],
  ['heat', (d) => Math.max(...temperatures(d)) > 36 && rain(d) === 0],
  ['still', (d) => d.every((h) => h.wind < 1 && h.rain === 0)],
  ['fair', (d) => d.every((h) => h.rain === 0 && h.wind < 4)],
])('a day can be ordered: %s', (kind, holds) => {
  // By the sun’s midnight, about five hours after that of Greenwich.
  const day = (orders: Order[]) => run('2026-05-15T06:00Z', 23, inland, orders)
  expect(holds(day([{ date: '2026-05-15', kind }]))).toBe(true)
  expect(day([{ date: '05-15', kind }])).toEqual(day([{ date: '2026-05-15', kind }]))
  expect(day([{ date: '2025-05-15', kind }])).toEqual(day([]))
})
