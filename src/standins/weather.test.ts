import { fromSI } from '@/core/quantity/units'
import { simulatedWeather } from './weather'

const ZONE = 'America/New_York'
const year = Array.from({ length: 365 * 4 }, (_, i) => new Date(Date.UTC(2026, 0, 1) + i * 6 * 3_600_000))

test('the same hour always has the same weather, and says that it is simulated', () => {
  const at = new Date('2026-06-12T12:40:00Z')
  expect(simulatedWeather(ZONE, at)).toEqual(simulatedWeather(ZONE, new Date(at)))
  expect(simulatedWeather(ZONE, at).simulated).toBe(true)
})

test('a year of it is plausible for an inland place', () => {
  const hours = year.map((at) => simulatedWeather(ZONE, at))
  const f = hours.map((h) => fromSI(h.temperature, 'F'))
  expect(Math.max(...f)).toBeLessThan(105)
  expect(Math.min(...f)).toBeGreaterThan(-10)
  const mean = (from: number, to: number) =>
    f.slice(from * 4, to * 4).reduce((a, b) => a + b, 0) / ((to - from) * 4)
  expect(mean(181, 212) - mean(0, 31)).toBeGreaterThan(30)
  expect(hours.every((h) => h.wind >= 0 && h.gust >= h.wind && h.cloud >= 0 && h.cloud <= 1)).toBe(true)
  const wet = hours.filter((h) => h.rainMm > 0).length / hours.length
  expect(wet).toBeGreaterThan(0.01)
  expect(wet).toBeLessThan(0.3)
  expect(new Set(hours.map((h) => h.soil))).toEqual(new Set(['moist', 'dry', 'saturated']))
})

test('on the demo’s day a trunk takes up', () => {
  const w = simulatedWeather(ZONE, new Date('2026-06-12T12:40:00Z'))
  expect(fromSI(w.temperature, 'F')).toBeGreaterThan(65)
  expect(fromSI(w.temperature, 'F')).toBeLessThan(85)
  expect(w.soil).toBe('moist')
})
