import fc from 'fast-check'
import { addDays, addYears, dateIn, daysBetween, hourIn, isDate, monthIn, spokenDate } from './calendar'

test('dates are those of the wall calendar of the place', () => {
  const late = new Date('2026-06-13T02:30:00Z')
  expect(dateIn('America/New_York', late)).toBe('2026-06-12')
  expect(dateIn('UTC', late)).toBe('2026-06-13')
  expect(hourIn('America/New_York', late)).toBeCloseTo(22.5)
  expect(hourIn('UTC', new Date('2026-06-13T00:15:00Z'))).toBeCloseTo(0.25)
  expect(monthIn('UTC', late)).toBe(6)
})
test('only real dates are dates', () => {
  expect(['2026-02-28', '2024-02-29'].every(isDate)).toBe(true)
  expect(['2026-02-29', '2026-13-01', '12 June', '2026-6-1', ''].some(isDate)).toBe(false)
})
test('a year on from a leap day is the 28th', () => {
  expect(addYears('2024-02-29', 1)).toBe('2025-02-28')
  expect(addYears('2024-02-29', 4)).toBe('2028-02-29')
  expect(addYears('2026-06-12', -1)).toBe('2025-06-12')
})
test('days add up', () => {
  fc.assert(
    fc.property(fc.integer({ min: -20_000, max: 20_000 }), (n) => {
      expect(daysBetween('2026-06-12', addDays('2026-06-12', n))).toBe(n)
    }),
  )
  expect(spokenDate('2026-06-09')).toBe('9 Jun 2026')
})
