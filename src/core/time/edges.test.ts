import { addDays, addYears, dateIn, daysBetween, hourIn, isDate, monthIn, spokenDate } from './calendar'

test.each([
  ['2026-06-12', '2026-06-12', 0],
  ['2026-06-12', '2026-06-13', 1],
  ['2026-06-13', '2026-06-12', -1],
  ['2026-02-28', '2026-03-01', 1],
  ['2024-02-28', '2024-03-01', 2],
  ['2026-01-01', '2027-01-01', 365],
  // Clocks change in between; days do not.
  ['2026-03-07', '2026-03-09', 2],
])('from %s to %s is %d days, and back', (from, to, days) => {
  expect(daysBetween(from, to)).toBe(days)
  expect(addDays(from, days)).toBe(to)
})
test.each([
  ['2026-06-12', 1, '2027-06-12'],
  ['2024-02-29', 1, '2025-02-28'],
  ['2024-02-29', 4, '2028-02-29'],
])('%s and %d years is %s', (date, years, expected) => {
  expect(addYears(date, years)).toBe(expected)
})
test.each([
  ['2026-02-29', false],
  ['2024-02-29', true],
  ['2026-13-01', false],
  ['2026-00-10', false],
  ['2026-06-31', false],
  ['2026-6-1', false],
  ['12.06.2026', false],
  ['', false],
  ['2026-06-12T00:00', false],
])('"%s" is a date: %s', (text, expected) => {
  expect(isDate(text)).toBe(expected)
})
test('an instant has its own day, month and hour at each place; half past is half an hour', () => {
  const at = new Date('2026-06-30T23:30:00Z')
  expect([dateIn('America/New_York', at), dateIn('Pacific/Auckland', at)]).toEqual([
    '2026-06-30',
    '2026-07-01',
  ])
  expect([monthIn('America/New_York', at), monthIn('Pacific/Auckland', at)]).toEqual([6, 7])
  expect([hourIn('America/New_York', at), hourIn('Pacific/Auckland', at), hourIn('UTC', at)]).toEqual([
    19.5, 11.5, 23.5,
  ])
  expect(hourIn('UTC', new Date('2026-06-30T00:00:00Z'))).toBe(0)
})
test('a date is said without zeros', () => {
  expect(spokenDate('2026-06-02')).toBe('2 Jun 2026')
  expect(spokenDate('2026-12-31')).toBe('31 Dec 2026')
})
