import fc from 'fast-check'
import {
  addDays,
  addYears,
  dateIn,
  dayNumber,
  daysBetween,
  hourIn,
  isDate,
  monthIn,
  spokenDate,
  weekday,
} from './calendar'

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

describe('dates reckoned by whole numbers', () => {
  const plain = (at: number) => new Date(at * 86_400_000).toISOString().slice(0, 10)
  test('are the calendar’s, on every day of four hundred years and at the ends of four figures', () => {
    for (let n = -135_000; n < 12_000; n += 1) {
      const date = plain(n)
      if (dayNumber(date) !== n || !isDate(date)) throw new Error(date)
      if (n % 97 === 0)
        expect([addDays(date, 1), addDays(date, -400)]).toEqual([plain(n + 1), plain(n - 400)])
    }
    expect(addDays('0000-01-01', 1)).toBe('0000-01-02')
    expect(addDays('9999-12-30', 1)).toBe('9999-12-31')
    expect(() => addDays('9999-12-31', 1)).toThrow(RangeError)
    expect(() => addDays('0000-01-01', -1)).toThrow(RangeError)
  })
  test('what is no date is none', () => {
    for (const text of [
      '2026-02-29',
      '1900-02-29',
      '2026-04-31',
      '2026-13-01',
      '2026-00-10',
      '2026-01-00',
      '2026-1-01',
      '26-01-01',
      '2026-01-01T',
      ' 026-01-01',
      '2026/01/01',
      '٢٠٢٦-01-01',
      '',
    ])
      expect([text, isDate(text)]).toEqual([text, false])
    for (const text of ['2024-02-29', '2000-02-29', '2026-01-31'])
      expect([text, isDate(text)]).toEqual([text, true])
    expect(daysBetween('x', '2026-01-01')).toBeNaN()
    expect(() => addDays('2026-01-01', Number.NaN)).toThrow(RangeError)
  })
  test('the day of the week goes on from day to day', () => {
    for (let n = -800; n < 800; n += 1)
      expect(weekday(plain(n))).toBe(((new Date(n * 86_400_000).getUTCDay() + 6) % 7) + 1)
  })
})
