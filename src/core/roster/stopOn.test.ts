import type { WorkHour } from '../methods/hours'
import type { Crew } from './crew'
import { crewAgainst, lotsOver, stopOn, type OpenSite } from './stopOn'
import { stopWith } from './stop.testing'
import type { Roster } from './weekAsked'

const site = (more: Partial<OpenSite> = {}): OpenSite => ({
  timeZone: 'America/Chicago',
  hours: null,
  closedUntil: null,
  ...more,
})
const FRIDAY = '2026-06-12'
const stop = stopWith({ minutes: 100 })
const hours = (open: (h: number) => boolean, [from, to] = [0, 24]): WorkHour[] =>
  Array.from({ length: to - from }, (_, i) => ({
    time: `${FRIDAY}T${String(from + i).padStart(2, '0')}:00`,
    open: open(from + i),
    reasons: open(from + i) ? [] : ['wind'],
  }))
const by = (own: WorkHour[] | null) => new Map([['use', own]])

test('any hour will do where nothing sets one', () => {
  expect(stopOn(stop, site(), FRIDAY, new Map())).toEqual({ spans: null })
  expect(stopOn(stop, site(), FRIDAY, by(null))).toEqual({ spans: null })
})

test('ground that is closed shuts a day, and opens in the middle of the last', () => {
  const closedUntil = new Date('2026-06-13T19:00:00Z')
  expect(stopOn(stop, site({ closedUntil }), FRIDAY, new Map())).toEqual({
    closed: 'The ground is closed until 13 Jun 2026.',
  })
  expect(stopOn(stop, site({ closedUntil }), '2026-06-13', new Map())).toEqual({
    spans: [{ from: 14 * 60, to: 1440 }],
  })
  expect(stopOn(stop, site({ closedUntil }), '2026-06-14', new Map())).toEqual({ spans: null })
})

test('the hours of the site and of the weather are met, and a day with too few says what closes most', () => {
  const school = site({ hours: [{ days: [1, 2, 3, 4, 5], from: 900, to: 1200 }] })
  expect(stopOn(stop, school, '2026-06-13', new Map())).toEqual({
    closed: 'Work is done there Mon to Fri 15:00 to 20:00.',
  })
  const late = by(hours((h) => h >= 17))
  expect(stopOn(stop, school, FRIDAY, late)).toEqual({ spans: [{ from: 1020, to: 1200 }] })
  const evening = by(hours((h) => h >= 20))
  expect(stopOn(stop, school, FRIDAY, evening)).toEqual({
    closed: expect.stringMatching(/^Weather: .*wind/i) as string,
  })
  // A short stop takes a short stretch.
  const hour = by(hours((h) => h === 15))
  expect(stopOn(stopWith({ minutes: 200 }), school, FRIDAY, hour)).toEqual({
    spans: [{ from: 900, to: 960 }],
  })
  const none = by(hours((h) => h < 15))
  expect(stopOn(stopWith({ minutes: 30 }), school, FRIDAY, none)).toHaveProperty('closed')
})

test('a day of which little is forecast is not known, unless what is there goes on into the evening', () => {
  expect(stopOn(stop, site(), FRIDAY, by(hours(() => false, [0, 8])))).toEqual({ spans: null })
  expect(stopOn(stop, site(), FRIDAY, by(hours(() => false, [15, 24])))).toHaveProperty('closed')
})

test('a lot that has expired or was called back is no lot; what was never entered closes nothing', () => {
  const card = { code: 'SD2', name: 'Example SD2' }
  const lot = (more = {}) => ({ code: 'SD2', expiresOn: null, withdrawnOn: null, ...more })
  const over = (...lots: ReturnType<typeof lot>[]) => lotsOver([card], lots, FRIDAY)
  expect(over()).toBeNull()
  expect(over(lot({ code: 'EB4', expiresOn: '2020-01-01' }))).toBeNull()
  expect(over(lot({ expiresOn: '2026-06-11' }))).toBe(
    'No lot of Example SD2 on the shelf is good on that day.',
  )
  expect(over(lot({ withdrawnOn: '2026-06-01' }))).not.toBeNull()
  expect(over(lot({ withdrawnOn: '2026-06-01' }), lot({ expiresOn: FRIDAY }))).toBeNull()
})

test('a crew that cannot take a stop is told with its day; where it stands already nothing is asked', () => {
  const crew: Crew = {
    id: 'c',
    name: 'Tansy',
    truck: null,
    people: ['p'],
    methods: ['fell'],
    begins: 420,
    minutes: [300, 300, 300, 300, 300, 0, 0],
  }
  const roster: Roster = {
    days: [FRIDAY],
    crews: [crew],
    people: [{ id: 'p', name: 'p', licence: null, licenceUntil: null }],
    absences: [],
  }
  const to = { crewId: 'c', onDate: FRIDAY }
  expect(crewAgainst(roster, stop, { crewId: null, onDate: FRIDAY })).toBeNull()
  expect(crewAgainst(roster, stop, { crewId: 'gone', onDate: FRIDAY })).toMatch(/no such crew any more/)
  expect(crewAgainst(roster, stop, to)).toMatch(/Choose another crew or day than Tansy on 12 Jun/)
  expect(crewAgainst(roster, stopWith({ onDate: FRIDAY, crewId: 'c' }), to)).toBeNull()
  expect(crewAgainst({ ...roster, crews: [{ ...crew, methods: ['prune'] }] }, stop, to)).toBeNull()
})
