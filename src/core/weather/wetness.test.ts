import { toSI } from '../quantity/units'
import { dewPoint, wetHours, wetSpells, type LeafHour } from './wetness'

const dry: LeafHour = { temperature: 15, rain: 0, wind: 1, sun: 0, humidity: 0.5 }
const rain: LeafHour = { ...dry, rain: 0.001 }
const run = (...parts: [LeafHour, number][]) => parts.flatMap(([h, n]) => Array.from({ length: n }, () => h))
const wet = (hours: LeafHour[]) => wetHours(hours).filter(Boolean).length

test('dew comes at the temperature at which the air is full', () => {
  expect(dewPoint(20, 1)).toBeCloseTo(20, 6)
  expect(dewPoint(20, 0.5)).toBeCloseTo(9.3, 1)
})

test('rain wets, and so does air that is nearly full', () => {
  expect(wet(run([{ ...dry, humidity: 0.9 }, 3]))).toBe(3)
  expect(wet(run([{ ...dry, humidity: 0.85 }, 3]))).toBe(0)
  // Air and dew point less than 3.5 °F apart.
  expect(wet(run([{ ...dry, humidity: 0.89 }, 1]))).toBe(1)
  expect(wet([{}, { rain: undefined }])).toBe(0)
})

test('after rain leaves are dry in two hours of sun or wind, else in four', () => {
  expect(wet(run([rain, 1], [dry, 9]))).toBe(5)
  expect(wet(run([rain, 1], [{ ...dry, sun: 0.5 }, 9]))).toBe(3)
  expect(wet(run([rain, 1], [{ ...dry, wind: toSI(6, 'mph') }, 9]))).toBe(3)
  // Dew alone leaves nothing behind.
  expect(wet(run([{ ...dry, humidity: 0.95 }, 2], [dry, 9]))).toBe(2)
  // Humid air goes on where rain began, and dries as rain does.
  expect(wet(run([rain, 1], [{ ...dry, humidity: 0.95 }, 3], [dry, 9]))).toBe(8)
})

test('rain that comes back before it is dry goes on wetting, and dries anew', () => {
  expect(
    wetHours(run([rain, 1], [dry, 2], [rain, 1], [dry, 6]))
      .map(Number)
      .join(''),
  ).toBe('1111111100')
})

test('spells with less than eight dry hours between them are one', () => {
  const sunny = { ...dry, sun: 0.9 }
  const with7 = wetSpells(run([rain, 2], [sunny, 2 + 7], [rain, 1], [sunny, 12]))
  expect(with7).toEqual([{ from: 0, to: 13, hours: 7, mean: 15 }])
  expect(wetSpells(run([rain, 2], [sunny, 2 + 8], [rain, 1], [sunny, 12])).map((s) => s.hours)).toEqual([
    4, 3,
  ])
  expect(wetSpells([{ rain: 1 }])[0]).toMatchObject({ mean: null })
})
