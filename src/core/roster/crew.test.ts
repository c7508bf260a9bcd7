import type { Crew } from './crew'
import { crewOn } from './crew'
import { readSiteHours, saySiteHours, sayWeekdays, shutIn, siteOpen } from './siteHours'
import { meet, minutesOf, readClock, sayClock } from './span'

const crew: Crew = {
  id: 'two',
  name: 'Truck two',
  truck: null,
  people: ['a', 'b'],
  methods: ['prune'],
  begins: 390,
  minutes: [480, 480, 480, 480, 360, 0, 0],
}
const people = [
  { id: 'a', name: 'Ada', licence: 'L 1', licenceUntil: '2026-06-17' },
  { id: 'b', name: 'Bo', licence: null, licenceUntil: null },
  { id: 'c', name: 'Cleo', licence: 'L 2', licenceUntil: null },
]
const away = (more: object) => ({
  crewId: null,
  personId: null,
  from: '2026-06-16',
  to: '2026-06-18',
  why: 'holiday',
  ...more,
})

describe('a crew on a day', () => {
  test('goes out on its days of the week, as long as they are', () => {
    expect(crewOn(crew, { people, absences: [] }, '2026-06-15')).toMatchObject({
      minutes: 480,
      out: null,
      begins: 390,
    })
    expect(crewOn(crew, { people, absences: [] }, '2026-06-19').minutes).toBe(360)
    expect(crewOn(crew, { people, absences: [] }, '2026-06-20')).toMatchObject({
      minutes: 0,
      out: 'not a day of theirs',
    })
  })

  test('is licensed while somebody who is there has a licence that holds', () => {
    const licensed = (absences: ReturnType<typeof away>[], date: string) =>
      crewOn(crew, { people, absences }, date).licensed
    expect(licensed([], '2026-06-17')).toBe(true)
    expect(licensed([], '2026-06-18')).toBe(false)
    expect(licensed([away({ personId: 'a' })], '2026-06-16')).toBe(false)
    expect(licensed([away({ personId: 'a' })], '2026-06-15')).toBe(true)
    // Somebody of another crew does not count.
    expect(crewOn({ ...crew, people: ['b'] }, { people, absences: [] }, '2026-06-15').licensed).toBe(false)
  })

  test('stays in when all are away, when its truck is, and when nobody is in it', () => {
    const one = [away({ personId: 'a' })]
    expect(crewOn(crew, { people, absences: one }, '2026-06-18')).toMatchObject({
      minutes: 480,
      away: [{ name: 'Ada', why: 'holiday' }],
    })
    const both = [...one, away({ personId: 'b', why: 'ill' })]
    expect(crewOn(crew, { people, absences: both }, '2026-06-18')).toMatchObject({
      minutes: 0,
      out: 'Ada is away, holiday; Bo is away, ill',
    })
    expect(crewOn(crew, { people, absences: both }, '2026-06-19').minutes).toBe(360)
    expect(
      crewOn(crew, { people, absences: [away({ crewId: 'two', why: 'inspection' })] }, '2026-06-16').out,
    ).toBe('inspection')
    expect(crewOn({ ...crew, people: [] }, { people, absences: [] }, '2026-06-16').out).toBe(
      'nobody is in this crew',
    )
  })

  test('of today only what is still to come counts', () => {
    const on = (clock: number) =>
      crewOn(crew, { people, absences: [], now: { date: '2026-06-15', clock } }, '2026-06-15')
    expect(on(300)).toMatchObject({ begins: 390, minutes: 480 })
    expect(on(500)).toMatchObject({ begins: 500, minutes: 370 })
    expect(on(900)).toMatchObject({ minutes: 0, out: 'their day is over' })
    expect(
      crewOn(crew, { people, absences: [], now: { date: '2026-06-15', clock: 900 } }, '2026-06-16').minutes,
    ).toBe(480)
  })
})

describe('hours of a site', () => {
  const hours = [
    { days: [1, 2, 3, 4, 5], from: 900, to: 1200 },
    { days: [1, 2, 3, 4, 5], from: 330, to: 460 },
    { days: [6], from: 420, to: 1200 },
  ]
  test('are those of the day of the week, in their order; any time where nothing is said', () => {
    expect(siteOpen(hours, '2026-06-15')).toEqual([
      { from: 330, to: 460 },
      { from: 900, to: 1200 },
    ])
    expect(siteOpen(hours, '2026-06-20')).toEqual([{ from: 420, to: 1200 }])
    expect(siteOpen(hours, '2026-06-21')).toEqual([])
    expect(siteOpen(null, '2026-06-21')).toEqual([{ from: 0, to: 1440 }])
  })
  test('are read as they are said, and as people type them', () => {
    const read = (text: string) => {
      const r = readSiteHours(text)
      return r.ok ? r.value : r.problem.code
    }
    expect(read(saySiteHours(hours))).toEqual(hours)
    expect(read('monday–friday 8:00-12:00\nsat and sun 9:00 to 24:00')).toEqual([
      { days: [1, 2, 3, 4, 5], from: 480, to: 720 },
      { days: [6, 7], from: 540, to: 1440 },
    ])
    expect(read('every day 5:30 to 10:00')).toMatchObject([{ days: [1, 2, 3, 4, 5, 6, 7] }])
    expect(read('  ')).toBeNull()
    for (const wrong of [
      'Mon',
      '8:00 to 9:00',
      'Mon to 8:00',
      'Noday 8:00 to 9:00',
      'Mon to Tue to Wed 8:00 to 9:00',
      'Sun to Mon 8:00 to 9:00',
      'Mon 8:70 to 9:00',
    ])
      expect([wrong, read(wrong)]).toEqual([wrong, 'bad-quantity'])
    expect(read('Mon 9:00 to 9:00')).toBe('out-of-range')
    expect(read(Array.from({ length: 21 }, () => 'Mon 8:00 to 9:00').join(';'))).toBe('out-of-range')
  })
  test('are said', () => {
    expect(saySiteHours(hours.slice(0, 1))).toBe('Mon to Fri 15:00 to 20:00')
    expect(saySiteHours(null)).toBe('any time')
    expect(sayWeekdays([7, 1])).toBe('Mon, Sun')
    expect(sayWeekdays([1, 2, 3, 5])).toBe('Mon, Tue, Wed, Fri')
  })
})

test('stretches meet where both hold, touching ones do not', () => {
  expect(
    meet(
      [{ from: 0, to: 600 }],
      [
        { from: 480, to: 900 },
        { from: 600, to: 700 },
      ],
    ),
  ).toEqual([{ from: 480, to: 600 }])
  expect(
    minutesOf(
      meet(
        [
          { from: 60, to: 120 },
          { from: 200, to: 260 },
        ],
        [{ from: 90, to: 230 }],
      ),
    ),
  ).toBe(60)
})

test('clock times are read and said', () => {
  expect(readClock(' 7:05')).toBe(425)
  expect(readClock('24:00')).toBeNull()
  expect(readClock('7')).toBeNull()
  expect(sayClock(425)).toBe('07:05')
})

test('an hour is shut where no part of it lies in the hours of the site', () => {
  // 12 June 2026 is a Friday.
  const school = [{ days: [1, 2, 3, 4, 5], from: 330, to: 460 }]
  expect(shutIn(school, '2026-06-12T05:00')).toBe(false)
  expect(shutIn(school, '2026-06-12T07:00')).toBe(false)
  expect(shutIn(school, '2026-06-12T08:00')).toBe(true)
  expect(shutIn(school, '2026-06-12T04:00')).toBe(true)
  expect(shutIn(school, '2026-06-13T06:00')).toBe(true)
})
