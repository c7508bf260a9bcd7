import { dateIn, hourIn } from './calendar'
import { beginOf, hoursOf, offsetIn, instantOf } from './zone'

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

describe('the instant of a wall-clock time', () => {
  const said = (zone: string, date: string, minutes: number) =>
    new Date(instantOf(zone, date, minutes)).toISOString().slice(5, 16)
  test('on plain days, north, south and across the date line', () => {
    expect(said('America/New_York', '2026-06-12', 450)).toBe('06-12T11:30')
    expect(said('Australia/Sydney', '2026-01-10', 450)).toBe('01-09T20:30')
    expect(said('Pacific/Apia', '2026-06-12', 450)).toBe('06-11T18:30')
    expect(said('UTC', '2026-06-12', 1440)).toBe('06-13T00:00')
  })
  test('where the clock is put on an hour: before, in the gap and after', () => {
    expect(said('America/New_York', '2026-03-08', 90)).toBe('03-08T06:30')
    expect(said('America/New_York', '2026-03-08', 150)).toBe('03-08T07:30')
    expect(said('America/New_York', '2026-03-08', 450)).toBe('03-08T11:30')
  })
  test('where it is put back: the first of both, and after', () => {
    expect(said('America/New_York', '2026-11-01', 90)).toBe('11-01T05:30')
    expect(said('America/New_York', '2026-11-01', 450)).toBe('11-01T12:30')
  })
  test('agrees with the clock it is read off, at hundreds of instants of two years', () => {
    for (const zone of ['America/New_York', 'Australia/Lord_Howe', 'Europe/Lisbon']) {
      const show = new Intl.DateTimeFormat('sv-SE', {
        timeZone: zone,
        dateStyle: 'short',
        timeStyle: 'short',
      })
      for (let at = Date.UTC(2026, 0, 1); at < Date.UTC(2028, 0, 1); at += 97 * 900_000) {
        const [date, clock] = show.format(at).split(' ') as [string, string]
        const back = instantOf(zone, date, Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3)))
        expect([zone, date, clock, show.format(back)]).toEqual([zone, date, clock, `${date} ${clock}`])
      }
    }
  })
})
