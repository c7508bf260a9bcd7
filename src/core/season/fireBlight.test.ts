import { toSI } from '../quantity/units'
import { blightDays, warmHours, type BloomDay } from './fireBlight'

const F = (n: number) => toSI(n, 'F')
const day = (mean: number, part: Partial<BloomDay> = {}): BloomDay => ({
  hours: Array.from({ length: 24 }, () => F(mean)),
  rain: 0,
  wetted: false,
  ...part,
})
const bloom = { first: 0, last: 9 }

test('degree hours are what lies above 65 °F', () => {
  expect(warmHours([F(65), F(70), F(60)])).toBeCloseTo(5, 9)
})

test('all four make an infection; each that is missing is said and lowers it', () => {
  // Ten degrees over 65 for 24 hours: 240 °F·h.
  const warm = day(75)
  const risk = (d: BloomDay, more = bloom as typeof bloom | null) => blightDays([d], more)[0]!
  expect(risk({ ...warm, wetted: true })).toMatchObject({ risk: 'infection', missing: [] })
  expect(risk(warm)).toMatchObject({ risk: 'high', missing: ['wetting'] })
  expect(risk(day(62))).toMatchObject({ risk: 'moderate', missing: ['warmth', 'wetting'] })
  expect(risk(day(50))).toMatchObject({ risk: 'low', missing: ['warmth', 'wetting', 'a warm day'] })
  expect(risk({ ...warm, wetted: true }, null)).toMatchObject({ risk: 'low', degreeHours: 0 })
  expect(risk({ ...warm, wetted: true }, null).missing).toContain('open blossoms')
})

test('rain wets the day it falls, and more than a tenth of an inch the day after', () => {
  const warm = day(75)
  const missing = (rain: number, after: number) =>
    blightDays(
      [
        { ...warm, rain: toSI(rain, 'in') },
        { ...warm, rain: toSI(after, 'in') },
      ],
      bloom,
    ).map((d) => d.missing.includes('wetting'))
  expect(missing(0.01, 0)).toEqual([false, true])
  expect(missing(0.11, 0)).toEqual([false, false])
  expect(missing(0.1, 0)).toEqual([false, true])
})

test('a blossom counts the warmth of its seven days, from first bloom on', () => {
  // Two degrees over 65: 48 °F·h a day.
  const days = Array.from({ length: 12 }, () => day(67, { wetted: true }))
  const read = blightDays(days, { first: 2, last: 11 })
  expect(read.map((d) => Math.round(d.degreeHours))).toEqual([
    0, 0, 48, 96, 144, 192, 240, 288, 336, 336, 336, 336,
  ])
  expect(read[5]!.risk).toBe('high')
  expect(read[6]!.risk).toBe('infection')
  expect(read[1]!.risk).toBe('low')
})

test('a day without temperatures is not warm', () => {
  expect(blightDays([{ hours: [], rain: 0, wetted: true }], bloom)[0]).toMatchObject({
    risk: 'moderate',
    missing: ['warmth', 'a warm day'],
  })
})
