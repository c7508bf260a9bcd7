import { boardOf, changed, pin, putByHand, shownDay, withPlan } from './board'
import { changesOf, unplacedWhy } from './changes'
import type { Crew } from './crew'
import { planStops } from './planStops'
import type { Stop } from './stop'
import { stopWith } from './stop.testing'
import { crewPlanned, weekAsked, type AskedStop, type Roster, type StopDay } from './weekAsked'

const DAYS = ['2026-06-15', '2026-06-16', '2026-06-17']
const crew = (id: string, more: Partial<Crew> = {}): Crew => ({
  id,
  name: id,
  truck: null,
  people: [`${id}-lead`],
  methods: ['prune', 'crown-spray', 'collar'],
  begins: 420,
  minutes: [300, 300, 300, 300, 300, 0, 0],
  ...more,
})
const person = (id: string, licence: string | null = 'L') => ({ id, name: id, licence, licenceUntil: null })
const roster = (more: Partial<Roster> = {}): Roster => ({
  days: DAYS,
  crews: [crew('Tansy'), crew('Yarrow')],
  people: [person('Tansy-lead'), person('Yarrow-lead', null)],
  absences: [],
  ...more,
})
let n = 0
const stop = (
  more: Partial<Stop> = {},
  days: Partial<Record<string, Partial<StopDay>>> = {},
  at = { x: 1, y: 0 },
): AskedStop => {
  n += 1
  const whole = stopWith({ id: `stop ${n}`, ...more })
  return {
    stop: whole,
    name: `Site: ${whole.id}`,
    at,
    days: DAYS.map((date) => ({ date, closed: null, open: null, ...days[date] })),
  }
}
beforeEach(() => {
  n = 0
})
const planOf = (r: Roster, stops: AskedStop[], anew = false) => {
  const plan = planStops(r, stops, { anew, seconds: 0.3 })
  if (!plan.ok) throw new Error(plan.problem.message)
  return plan.value
}
const placesOf = (plan: ReturnType<typeof planOf>) =>
  Object.fromEntries(plan.assignments.map((a) => [a.job, `${crewPlanned(a.crew)} ${a.date.slice(8)}`]))

describe('a week to be planned', () => {
  test('what has a label goes with somebody licensed, on days they are there', () => {
    const r = roster({
      absences: [{ crewId: null, personId: 'Tansy-lead', from: DAYS[0]!, to: DAYS[0]!, why: 'ill' }],
      crews: [crew('Tansy', { people: ['Tansy-lead', 'mate'] }), crew('Yarrow')],
      people: [person('Tansy-lead'), person('mate', null), person('Yarrow-lead', null)],
    })
    const label = stop({ licence: true, methods: ['crown-spray'] })
    const plan = planOf(r, [label])
    expect(placesOf(plan)).toEqual({ [label.stop.id]: 'Tansy 16' })
    expect(changesOf(r, [label], plan.assignments)[0]!.why).toBe('Nobody with a licence is in Tansy then.')
  })

  test('goes on no day that is closed, and not where the open hours miss the crew’s', () => {
    const shut = stop(
      {},
      { [DAYS[0]!]: { closed: 'Weather: rain.' }, [DAYS[1]!]: { open: [{ from: 900, to: 1200 }] } },
    )
    const plan = planOf(roster(), [shut])
    expect(placesOf(plan)).toEqual({ [shut.stop.id]: expect.stringMatching(/17$/) as string })
    expect(changesOf(roster(), [shut], plan.assignments)).toMatchObject([
      { from: { date: DAYS[0], crewId: null }, why: 'Weather: rain.' },
    ])
  })

  test('hours that miss one crew meet another', () => {
    const r = roster({ crews: [crew('Tansy'), crew('Yarrow', { begins: 840 })] })
    const late = stop({}, Object.fromEntries(DAYS.map((d) => [d, { open: [{ from: 900, to: 1200 }] }])))
    expect(placesOf(planOf(r, [late]))).toEqual({ [late.stop.id]: 'Yarrow 15' })
  })

  test('what stands somewhere stays there rather than moves for a shorter road', () => {
    const there = stop({ onDate: DAYS[1]!, dueTo: DAYS[2]!, crewId: 'Yarrow' }, {}, { x: 9, y: 0 })
    const other = stop({ onDate: DAYS[0]!, dueTo: DAYS[2]!, crewId: 'Tansy' }, {}, { x: 9, y: 0 })
    expect(placesOf(planOf(roster(), [there, other]))).toEqual({
      [there.stop.id]: 'Yarrow 16',
      [other.stop.id]: 'Tansy 15',
    })
    // Planned anew they share one drive.
    const anew = planOf(roster(), [there, other], true)
    expect(new Set(Object.values(placesOf(anew))).size).toBe(1)
    expect(anew.objective).toBeLessThan(planOf(roster(), [there, other]).objective)
  })

  test('a replan moves only what must be: the fewest of all plans', () => {
    const full = Array.from({ length: 3 }, (_, i) =>
      stop({ onDate: DAYS[i]!, crewId: 'Tansy', dueTo: DAYS[2]!, minutes: 200, methods: ['collar'] }),
    )
    const r = roster({ crews: [crew('Tansy'), crew('Yarrow', { methods: ['prune'] })] })
    const before = planOf(r, full)
    expect(changesOf(r, full, before.assignments)).toEqual([])
    // Rain takes the first day: the one that stood there finds no room on two days that hold one each, and the others stay.
    const rained = full.map((s, i) => ({
      ...s,
      days: s.days.map((d) => (d.date === DAYS[0] && i === 0 ? { ...d, closed: 'Weather: rain.' } : d)),
    }))
    const after = planOf(r, rained)
    expect(changesOf(r, rained, after.assignments)).toHaveLength(2)
    expect(after.unassigned).toEqual([])
    // Its own day is open to another of them: two change places, the third stays where it is.
    expect(placesOf(after)[full[0]!.stop.id]).not.toBe('Tansy 15')
  })

  test('what is kept stays whatever the weather; where its crew cannot, it says so', () => {
    const kept = stop(
      { pinned: true, crewId: 'Yarrow', onDate: DAYS[1]! },
      { [DAYS[1]!]: { closed: 'Weather: rain.' } },
    )
    expect(placesOf(planOf(roster(), [kept]))).toEqual({ [kept.stop.id]: 'Yarrow 16' })
    const r = roster({
      absences: [{ crewId: 'Yarrow', personId: null, from: DAYS[1]!, to: DAYS[1]!, why: 'inspection' }],
    })
    const asked = weekAsked(r, [kept])
    expect(asked).toMatchObject({ ok: false, problem: { code: 'out-of-range', field: 'pinned' } })
    if (!asked.ok)
      expect(asked.problem.message).toContain(
        'is kept with Yarrow on 16 Jun, but they are not out: inspection.',
      )
    const spray = stop({ pinned: true, crewId: 'Yarrow', licence: true, methods: ['crown-spray'] })
    expect(weekAsked(roster(), [spray])).toMatchObject({ ok: false })
  })

  test('what is begun takes its time of its crew’s day and is planned nowhere, with a crew or without', () => {
    const begun = stop({ begun: true, crewId: 'Tansy', minutes: 280 })
    const nobodys = stop({ begun: true, crewId: null })
    const next = stop({ methods: ['collar'], minutes: 100, crewId: 'Tansy' })
    const r = roster({ crews: [crew('Tansy'), crew('Yarrow', { methods: ['prune'] })] })
    const plan = planOf(r, [begun, nobodys, next])
    expect(placesOf(plan)).toEqual({ [next.stop.id]: 'Tansy 16' })
    expect(plan.unassigned).toEqual([])
    // Longer than the day, it leaves nothing of it.
    expect(placesOf(planOf(r, [stop({ begun: true, crewId: 'Tansy', minutes: 900 }), next]))).toEqual({
      [next.stop.id]: 'Tansy 16',
    })
  })

  test('kept stops that do not fit their day together are named', () => {
    const kept = [1, 2].map(() => stop({ pinned: true, crewId: 'Tansy', minutes: 200 }))
    const plan = planStops(roster(), kept, { seconds: 0.2 })
    expect(plan).toMatchObject({ ok: false, problem: { field: 'pinned' } })
    if (!plan.ok) expect(plan.problem.message).toMatch(/^Site: stop \d is kept on a day that has no room/)
  })
})

describe('why a stop found no place', () => {
  const why = (r: Roster, stops: AskedStop[], of: AskedStop) => {
    const plan = planOf(r, stops)
    const none = plan.unassigned.find((u) => u.job === of.stop.id)!
    return unplacedWhy(r, of, none.reason, stops, plan.assignments)
  }
  test('nobody does it, or nobody with a licence', () => {
    const feed = stop({ methods: ['feed'] })
    expect(why(roster(), [feed], feed)).toMatchObject({ why: 'No crew does feed.' })
    const spray = stop({ licence: true, methods: ['crown-spray'] })
    const r = roster({ people: [person('Tansy-lead', null), person('Yarrow-lead', null)] })
    expect(why(r, [spray], spray).why).toContain('licence')
  })
  test('no day is open, and which reason shut them', () => {
    const shut = stop({}, Object.fromEntries(DAYS.map((d) => [d, { closed: 'Oak season until 31 July.' }])))
    expect(why(roster(), [shut], shut).why).toContain('Oak season until 31 July.')
  })
  test('longer than any day', () => {
    const long = stop({ minutes: 400 })
    expect(why(roster(), [long], long)).toMatchObject({
      why: 'It takes 6 h 40 min beside the drive, longer than any day of a crew that does it.',
    })
  })
  test('days are full, by how much on which one', () => {
    const r = roster({ crews: [crew('Tansy')], days: DAYS.slice(0, 1) })
    const near = { x: 0, y: 0 }
    const first = stop({ minutes: 250, licence: true, methods: ['prune'] }, {}, near)
    const second = stop({ minutes: 120 }, {}, near)
    const said = why(r, [first, second], second)
    expect(said.wayOut).toBe('70 min more of Tansy on Mon 15 Jun would do, or putting something else off.')
    // With those minutes it does fit.
    const longer = roster({
      crews: [crew('Tansy', { minutes: [370, 0, 0, 0, 0, 0, 0] })],
      days: DAYS.slice(0, 1),
    })
    expect(planOf(longer, [first, second]).unassigned).toEqual([])
  })
})

describe('the board', () => {
  test('shows what a plan and a hand put elsewhere, and nothing else', () => {
    const stops = [stop(), stop({ crewId: 'Tansy' }), stop({ onDate: null, jobId: null })]
    const board = boardOf(stops)
    expect(changed(stops, board)).toEqual([])
    const planned = withPlan(board, {
      assignments: [
        { job: 'stop 1', crew: 'Yarrow unlicensed', date: DAYS[1]!, position: 1 },
        { job: 'stop 2', crew: 'Tansy', date: DAYS[0]!, position: 2 },
        { job: 'gone', crew: 'Tansy', date: DAYS[0]!, position: 3 },
      ],
    })
    expect(changed(stops, planned).map((s) => s.stop.id)).toEqual(['stop 1'])
    expect(planned.get('stop 1')).toMatchObject({ crewId: 'Yarrow', date: DAYS[1], byHand: false })
    const byHand = putByHand(planned, 'stop 3', { crewId: 'Tansy', date: DAYS[2]! })
    expect(byHand.get('stop 3')).toMatchObject({ pinned: true, byHand: true })
    expect(changed(stops, pin(board, 'stop 2', true)).map((s) => s.stop.id)).toEqual(['stop 2'])
    // Put where it is already, it stays as it was.
    expect(putByHand(board, 'stop 2', { crewId: 'Tansy', date: DAYS[0]! })).toBe(board)
  })

  test('a crew’s day says when each begins, what stands against it and by how much it is too long', () => {
    const near = { x: 0, y: 0 }
    const stops = [
      stop({ crewId: 'Tansy', minutes: 200 }, {}, near),
      stop(
        { crewId: 'Tansy', minutes: 60, place: 1 },
        { [DAYS[0]!]: { open: [{ from: 420, to: 480 }] } },
        near,
      ),
      stop({ crewId: 'Tansy', minutes: 100, place: 2 }, { [DAYS[0]!]: { closed: 'Weather: rain.' } }, near),
      stop({ crewId: 'Yarrow' }),
    ]
    const day = shownDay(roster(), roster().crews[0]!, DAYS[0]!, stops, boardOf(stops))
    expect(day.stops.map((s) => [s.asked.stop.id, s.clock?.from, s.against])).toEqual([
      ['stop 2', 420, []],
      ['stop 3', 480, ['Weather: rain.']],
      ['stop 1', 580, []],
    ])
    expect(day).toMatchObject({ minutes: 360, over: 60, home: 780 })
    const out = roster({
      absences: [{ crewId: 'Tansy', personId: null, from: DAYS[0]!, to: DAYS[0]!, why: 'inspection' }],
    })
    expect(shownDay(out, out.crews[0]!, DAYS[0]!, stops, boardOf(stops)).stops[0]).toMatchObject({
      clock: null,
      against: ['Not out that day: inspection.'],
    })
  })

  test('hours that another stop has taken leave work over', () => {
    const morning = { [DAYS[0]!]: { open: [{ from: 420, to: 500 }] } }
    const stops = [
      stop({ crewId: 'Tansy', minutes: 60 }, morning, { x: 0, y: 0 }),
      stop({ crewId: 'Tansy', minutes: 60 }, morning, { x: 0, y: 0 }),
    ]
    const day = shownDay(roster(), roster().crews[0]!, DAYS[0]!, stops, boardOf(stops))
    expect(day.stops.map((s) => s.against)).toEqual([[], ['40 min of it find no open hour.']])
  })
})
