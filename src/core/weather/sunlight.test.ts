import { evaporating, sunHeight, sunTimes } from './sunlight'

const HOUR = 3_600_000
const spot = { latitude: 42, longitude: -75 }

test('the published example: twenty south on the third of September', () => {
  expect(evaporating(-20, 246)).toBeCloseTo(32.2 * 0.408, 1)
})

test('the sun stands over the equator at noon of the equinox, and below the horizon at midnight', () => {
  expect(sunHeight({ latitude: 0, longitude: 0 }, Date.UTC(2026, 2, 20, 12))).toBeGreaterThan(0.99)
  expect(sunHeight({ latitude: 0, longitude: 0 }, Date.UTC(2026, 2, 20, 0))).toBeLessThan(-0.99)
  // Half a turn of the globe away it is the other way round.
  expect(sunHeight({ latitude: 0, longitude: 180 }, Date.UTC(2026, 2, 20, 0))).toBeGreaterThan(0.99)
})

test('days are long in June in the north, short in the south, and as long as nights in March', () => {
  const long = (latitude: number, at: number) => {
    const t = sunTimes({ latitude, longitude: -75 }, at)!
    return (t.set - t.rise) / HOUR
  }
  expect(long(42, Date.UTC(2026, 5, 21, 17))).toBeCloseTo(15.1, 0)
  expect(long(-42, Date.UTC(2026, 5, 21, 17))).toBeCloseTo(8.9, 0)
  expect(long(42, Date.UTC(2026, 2, 20, 17))).toBeCloseTo(12, 0)
  expect(sunTimes({ latitude: 80, longitude: 0 }, Date.UTC(2026, 5, 21))).toBeNull()
})

test('the sun is on the horizon when it rises and sets', () => {
  for (const at of [Date.UTC(2026, 0, 5, 17), Date.UTC(2026, 5, 12, 17), Date.UTC(2026, 9, 30, 17)]) {
    const t = sunTimes(spot, at)!
    expect(Math.abs(sunHeight(spot, t.rise))).toBeLessThan(0.02)
    expect(Math.abs(sunHeight(spot, t.set))).toBeLessThan(0.02)
  }
})
