import { clockTime, fromToday, longDate, shortDate, writtenDay } from './when'

const AT = Date.UTC(2026, 5, 12, 3, 30)

test('an instant is said on the wall of its own place, also where places take turns', () => {
  for (let round = 0; round < 2; round++) {
    expect(shortDate(AT, 'America/New_York')).toBe('11 Jun 2026')
    expect(shortDate(AT, 'Pacific/Auckland')).toBe('12 Jun 2026')
    expect(clockTime(AT, 'America/New_York')).toBe('23:30')
    expect(clockTime(AT, 'Pacific/Auckland')).toBe('15:30')
    expect(longDate(AT, 'America/New_York')).toBe('Thu 11 June 2026')
    expect(longDate(AT, 'Pacific/Auckland')).toBe('Fri 12 June 2026')
  }
})

test('midnight is 00, not 24', () => {
  expect(clockTime(Date.UTC(2026, 5, 12), 'UTC')).toBe('00:00')
})

test('without a place it is the clock of the device', () => {
  const here = new Date(AT)
  const two = (n: number) => String(n).padStart(2, '0')
  expect(clockTime(AT)).toBe(`${two(here.getHours())}:${two(here.getMinutes())}`)
})

test('a calendar date has its day of the week, whatever the clock', () => {
  expect(writtenDay('2026-06-12')).toBe('Fri 12 Jun')
  expect(writtenDay('2028-02-29')).toBe('Tue 29 Feb')
})

test.each([
  ['2026-06-12', 'today'],
  ['2026-06-13', 'in 1 day'],
  ['2026-06-10', '2 days ago'],
  ['2026-09-12', 'in 3 months'],
  ['2028-06-12', 'in 2 years'],
  ['2024-06-12', '2 years ago'],
])('%s is %s of 12 June 2026', (date, words) => {
  expect(fromToday(date, '2026-06-12')).toBe(words)
})

test('a formatter is made once for a place, and anew for a device, whose place may change', () => {
  const made = jest.spyOn(Intl, 'DateTimeFormat')
  for (let i = 0; i < 20; i++) shortDate(AT + i, 'Europe/Lisbon')
  expect(made).toHaveBeenCalledTimes(1)
  for (let i = 0; i < 3; i++) clockTime(AT)
  expect(made).toHaveBeenCalledTimes(4)
  made.mockRestore()
})
