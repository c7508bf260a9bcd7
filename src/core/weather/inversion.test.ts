import { toSI } from '../quantity/units'
import { inversionLikely } from './inversion'
import { sunTimes } from './sunlight'

const spot = { latitude: 42, longitude: -75 }
const day = sunTimes(spot, Date.UTC(2026, 5, 12, 17))!
const HOUR = 3_600_000
const still = { cloud: 0.1, wind: toSI(1, 'mph') }

test.each([
  ['an hour after sunrise', day.rise + HOUR, true],
  ['two and a half hours after it', day.rise + 2.5 * HOUR, false],
  ['at noon', (day.rise + day.set) / 2, false],
  ['half an hour before sunset', day.set - HOUR / 2, true],
  ['an hour and a half before it', day.set - 1.5 * HOUR, false],
  ['at midnight', day.set + 3 * HOUR, true],
])('%s', (_, at, likely) => {
  expect(inversionLikely(spot, at, still)).toBe(likely)
})

test('cloud or wind mixes the air; what is not known is not an inversion', () => {
  expect(inversionLikely(spot, day.rise, { ...still, cloud: 0.3 })).toBe(false)
  expect(inversionLikely(spot, day.rise, { ...still, wind: toSI(3, 'mph') })).toBe(false)
  expect(inversionLikely(spot, day.rise, {})).toBe(false)
})
