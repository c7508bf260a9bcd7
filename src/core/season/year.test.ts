import { addDays, daysBetween } from '../time/calendar'
import type { DayRange } from './degreeDays'
import { daysAhead, expectedWarmth, reachedOn, usualYear, warmthOf, yearBegins, type Warmth } from './year'

const warm = (from: string, days: number, mean: number): DayRange[] =>
  Array.from({ length: days }, (_, i) => ({ date: addDays(from, i), min: mean - 1, max: mean + 1 }))
const sum = { base: 10 }

test('the year begins in January in the north, in July in the south', () => {
  expect(yearBegins(42, '2026-06-12')).toBe('2026-01-01')
  expect(yearBegins(-36, '2026-03-01')).toBe('2025-07-01')
  expect(yearBegins(-36, '2026-07-01')).toBe('2026-07-01')
})

test('warmth is summed day by day, over a leap day too, and ends where a day is missing', () => {
  const days = warm('2028-01-01', 366, 12)
  const year = warmthOf(days, sum, '2028-01-01', '2028-12-31')
  expect(year).toHaveLength(366)
  expect(year[daysBetween('2028-01-01', '2028-02-29')]).toBeCloseTo(120, 9)
  expect(year.at(-1)).toBeCloseTo(732, 9)
  const gap = warmthOf(
    days.filter((d) => d.date !== '2028-01-03'),
    sum,
    '2028-01-01',
    '2028-01-05',
  )
  expect(gap.map((g) => g && Math.round(g))).toEqual([2, 4, null, null, null])
})

test('the usual year is the mean of those that are known', () => {
  expect(
    usualYear([
      [1, 2, null],
      [3, 6, 8],
    ]),
  ).toEqual([2, 4, 8])
  expect(
    usualYear([
      [1, null],
      [3, null],
      [5, 9],
    ]),
  ).toEqual([3, null])
  expect(usualYear([])).toEqual([])
})

test('ahead is how much later the usual year comes to the same warmth', () => {
  const usual: Warmth = [0, 10, 20, 30, 40, 50]
  expect(daysAhead([0, 10, 40], 2, usual)).toBe(2)
  expect(daysAhead([0, 0, 0, 10], 3, usual)).toBe(-2)
  expect(daysAhead([0, 10, 20], 2, usual)).toBe(0)
  expect(daysAhead([0, 0], 1, usual)).toBeNull()
  expect(daysAhead([0, 70], 1, usual)).toBeNull()
})

describe('a sum is come to', () => {
  const known: Warmth = [0, 10, 20, 30, null, null]
  const past: Warmth[] = [
    [0, 5, 10, 15, 35, 55, 75],
    [0, 5, 10, 15, 20, 30, 60],
    [0, 5, 10, 15, 20, 25, 50],
  ]
  test('on the day it was measured', () => {
    expect(reachedOn(20, known, 2, past)).toEqual({ day: 2, earliest: 2, latest: 2, by: 'measured' })
  })
  test('by the forecast', () => {
    expect(reachedOn(25, known, 2, past)).toMatchObject({ day: 3, by: 'forecast' })
  })
  test('and after that as past years went on from the same day', () => {
    expect(reachedOn(45, known, 2, past)).toEqual({ day: 5, earliest: 4, latest: 6, by: 'past years' })
  })
  test('or never', () => {
    expect(reachedOn(900, known, 2, past)).toBeNull()
    expect(reachedOn(45, known, 2, [])).toBeNull()
    expect(reachedOn(45, [null], 0, past)).toBeNull()
  })
})

test('warmth to come lies between the past years, from what is known on', () => {
  expect(
    expectedWarmth(
      [0, 5],
      [
        [0, 4, 9],
        [0, 6, 8],
      ],
    ),
  ).toEqual({ least: [0, 5, 7], most: [0, 5, 10] })
  // A past year that is not known that far says nothing of it.
  expect(
    expectedWarmth(
      [0],
      [
        [0, 4, null],
        [0, null],
      ],
    ),
  ).toEqual({ least: [0, 4, null], most: [0, 4, null] })
  expect(expectedWarmth([null], [[0, 4]])).toEqual({ least: [null, null], most: [null, null] })
  expect(expectedWarmth([3, 4], [])).toEqual({ least: [3, 4], most: [3, 4] })
})
