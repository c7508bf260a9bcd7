import { dateIn, hourIn } from './calendar'
import { beginOf, hoursOf, offsetIn } from './zone'

const HOUR = 3_600_000

test.each([
  ['America/New_York', '2026-06-12', 24],
  ['America/New_York', '2026-03-08', 23],
  ['America/New_York', '2026-11-01', 25],
  ['Australia/Lord_Howe', '2026-06-12', 24],
  ['Asia/Kolkata', '2026-06-12', 24],
  ['Pacific/Kiritimati', '2028-02-29', 24],
  // The clock leaves midnight out here.
  ['America/Santiago', '2026-09-06', 23],
])('in %s %s begins at its midnight and has %i hours', (zone, date, hours) => {
  const begins = beginOf(zone, date)
  expect(dateIn(zone, new Date(begins))).toBe(date)
  expect(dateIn(zone, new Date(begins - 1))).not.toBe(date)
  expect(hoursOf(zone, date)).toBe(hours)
  if (hours !== 23) expect(hourIn(zone, new Date(begins))).toBe(0)
})

test('how far the clock is ahead', () => {
  expect(offsetIn('America/New_York', Date.UTC(2026, 5, 12))).toBe(-4 * HOUR)
  expect(offsetIn('America/New_York', Date.UTC(2026, 0, 12))).toBe(-5 * HOUR)
  expect(offsetIn('Asia/Kolkata', Date.UTC(2026, 0, 12, 3, 17))).toBe(5.5 * HOUR)
})
