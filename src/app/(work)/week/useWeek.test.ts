/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import type { Crew } from '@/core/roster/crew'
import { stopWith } from '@/core/roster/stop.testing'
import type { AskedStop } from '@/core/roster/weekAsked'
import type { WeekPlan } from '@/core/week/planWeek'
import type { WeekStop, WeekView } from '@/server/read/week'
import { fakeServer } from '@/ui/fields/server.testing'
import { usePlanning } from './usePlanning'
import { useWeek } from './useWeek'

jest.mock('@/ui/shell/askToSignIn', () => ({ askToSignIn: () => Promise.resolve(false) }))
jest.mock('./usePlanning', () => ({ usePlanning: jest.fn() }))

const [MON, TUE, WED] = ['2026-06-15', '2026-06-16', '2026-06-17'] as const
const crew = (id: string): Crew => ({
  id,
  name: id,
  truck: null,
  people: [`${id}-lead`],
  methods: ['prune'],
  begins: 420,
  minutes: [480, 480, 480, 480, 480, 0, 0],
})
const stop = (id: string, more: Partial<WeekStop> = {}): WeekStop => ({
  ...stopWith({ id, siteId: id, jobId: `job of ${id}` }),
  subjects: [],
  name: `${id}: prune`,
  site: id,
  note: null,
  pace: null,
  address: '',
  at: { x: 1, y: 0 },
  ...more,
})
const viewOf = (...stops: WeekStop[]): WeekView => ({
  today: MON,
  more: false,
  units: 'us',
  sky: [],
  rain: {},
  roster: {
    days: [MON, TUE, WED],
    crews: [crew('Tansy'), crew('Yarrow')],
    people: ['Tansy', 'Yarrow'].map((c) => ({ id: `${c}-lead`, name: c, licence: 'L', licenceUntil: null })),
    absences: [],
  },
  stops,
})
const planOf = (...assignments: { job: string; crew: string; date: string; position?: number }[]) =>
  ({
    assignments: assignments.map((a) => ({ position: 1, ...a })),
    unassigned: [],
  }) as unknown as WeekPlan

let server: ReturnType<typeof fakeServer>
let heard: Parameters<typeof usePlanning>[0]
const stopped = jest.fn()
beforeEach(() => {
  server = fakeServer()
  stopped.mockClear()
  jest.mocked(usePlanning).mockImplementation((hears) => {
    heard = hears
    return {
      running: false,
      looking: null,
      waiting: null,
      plan: null,
      seconds: 0,
      problem: null,
      start: jest.fn(),
      stop: stopped,
    }
  })
})

/** The week opened, with what the server says of its days. */
async function open(view: WeekView, days: { stop: string; days: AskedStop['days'] }[] = []) {
  server.reply({ body: { value: days } })
  const hook = renderHook(({ view }) => useWeek(view), { initialProps: { view } })
  await act(async () => void (await Promise.resolve()))
  const week = () => hook.result.current
  const at = (id: string) => week().stops.find((s) => s.stop.id === id)!
  return {
    hook,
    week,
    at,
    put: (id: string, crewId: string | null, date: string | null) =>
      act(() => week().put(id, { crewId, date })),
    hears: (plan: WeekPlan) => act(() => heard.plan(plan)),
    take: () => act(() => week().takeAll()),
    sent: () => server.asked.filter((a) => a.url === '/api/do/take-week').map((a) => a.body),
    of: (crewId: string, date: string) =>
      week()
        .dayOf(
          view.roster.crews.find((c) => c.id === crewId)!,
          date,
        )
        .stops.map((s) => s.asked.stop.id),
  }
}

test('a stop that is put on a crew leaves where it stood, is kept there, and is what would be changed', async () => {
  const { week, at, put, of } = await open(viewOf(stop('gate'), stop('lane', { crewId: 'Tansy' })))
  expect(week().moved).toEqual([])
  put('gate', 'Tansy', MON)
  expect(of('Tansy', MON).sort()).toEqual(['gate', 'lane'])
  expect(week().moved.map((s) => s.stop.id)).toEqual(['gate'])
  expect(week().board.get('gate')).toMatchObject({ pinned: true, byHand: true })
  expect(week().movedHow(at('gate'))).toBe('new crew')
  expect(week().asksWhy).toBe(false)
  put('gate', 'Tansy', TUE)
  expect(of('Tansy', MON)).toEqual(['lane'])
  expect(week().movedHow(at('gate'))).toBe('another day')
  expect(week().asksWhy).toBe(true)
})

test('put back by hand where it stood it is no change but that it is kept', async () => {
  const { week, put } = await open(viewOf(stop('gate', { crewId: 'Tansy', pinned: true })))
  put('gate', 'Yarrow', WED)
  expect(week().moved).toHaveLength(1)
  put('gate', 'Tansy', MON)
  expect(week().moved).toEqual([])
})

test('what each day says comes after the page and stands beside the stop', async () => {
  const closed = [{ date: MON, closed: 'Weather: rain.', open: null }]
  const { week, at } = await open(viewOf(stop('gate', { crewId: 'Tansy' })), [{ stop: 'gate', days: closed }])
  expect(server.asked[0]!.url).toBe('/api/week/days')
  expect(at('gate').days).toEqual(closed)
  expect(week().dayOf(week().roster.crews[0]!, MON).stops[0]!.against).toEqual(['Weather: rain.'])
})

test('a plan goes on the table with why, is not what stands, and asks nobody for a reason', async () => {
  const { week, at, hears, of } = await open(viewOf(stop('gate'), stop('lane', { onDate: null })))
  hears(planOf({ job: 'gate', crew: 'Tansy', date: TUE }, { job: 'lane', crew: 'Yarrow', date: WED }))
  expect([of('Tansy', TUE), of('Yarrow', WED)]).toEqual([['gate'], ['lane']])
  expect(week().moved.map((s) => s.stop.id)).toEqual(['gate', 'lane'])
  expect(week().whyOf(at('gate'))).toMatch(/\.$/)
  expect(week().asksWhy).toBe(false)
  // A better plan takes the place of the first.
  hears(planOf({ job: 'gate', crew: 'Yarrow', date: TUE }, { job: 'lane', crew: 'Yarrow', date: WED }))
  expect([of('Tansy', TUE), of('Yarrow', TUE)]).toEqual([[], ['gate']])
})

test('what is taken says from where to where, how the days go on, and why', async () => {
  const { week, put, hears, take, sent } = await open(
    viewOf(stop('gate'), stop('lane', { crewId: 'Tansy', place: 1 }), stop('mill', { crewId: 'Yarrow' })),
  )
  hears(
    planOf(
      { job: 'gate', crew: 'Tansy', date: MON, position: 2 },
      { job: 'lane', crew: 'Tansy', date: MON },
      { job: 'mill', crew: 'Yarrow', date: MON },
    ),
  )
  put('mill', 'Yarrow', WED)
  act(() => week().setWhy('the lane is dug up'))
  expect(await take()).toBe(true)
  expect(sent()).toHaveLength(1)
  expect(sent()[0]).toMatchObject({
    placed: [
      {
        stop: 'gate',
        from: { crewId: null, onDate: MON },
        to: { crewId: 'Tansy', onDate: MON },
        pinned: false,
        why: 'It had no crew yet.',
      },
      {
        stop: 'mill',
        from: { crewId: 'Yarrow', onDate: MON },
        to: { crewId: 'Yarrow', onDate: WED },
        pinned: true,
        why: 'the lane is dug up',
      },
    ],
  })
  const order = sent()[0]!['order'] as { crewId: string; onDate: string; stops: string[] }[]
  expect(order.map((o) => [o.crewId, o.onDate, [...o.stops].sort()])).toEqual([
    ['Tansy', MON, ['gate', 'lane']],
    ['Yarrow', WED, ['mill']],
  ])
  // A reason is of what it was typed for.
  expect(week().why).toBe('')
})

test('what is refused stays on the table, with what was typed', async () => {
  const { week, put, take } = await open(viewOf(stop('gate', { crewId: 'Tansy' })))
  put('gate', 'Yarrow', TUE)
  act(() => week().setWhy('nobody is there'))
  server.reply(server.refusal('placed', 'Somebody moved this stop meanwhile.'))
  expect(await take()).toBe(false)
  expect(week().take.problem).toMatchObject({ field: 'placed' })
  expect(week().why).toBe('nobody is there')
  expect(week().moved).toHaveLength(1)
})

test('what is on no day of the week is not sent as a day of a crew', async () => {
  const { week, put, take, sent } = await open(viewOf(stop('gate', { crewId: 'Tansy' })))
  put('gate', null, TUE)
  act(() => week().setWhy('the lift is away'))
  await take()
  expect(sent()[0]).toMatchObject({ placed: [{ to: { crewId: null, onDate: TUE } }], order: [] })
})

test('left as it was the table is what stands, and planning ends', async () => {
  const { week, put, hears } = await open(viewOf(stop('gate')))
  put('gate', 'Tansy', TUE)
  hears(planOf({ job: 'gate', crew: 'Yarrow', date: WED }))
  act(() => week().reset())
  expect(week().moved).toEqual([])
  expect(week().plan).toBeNull()
  expect(stopped).toHaveBeenCalled()
})

test('another week from the server is looked at as it is, not with what lay on the table', async () => {
  const { hook, week, put } = await open(viewOf(stop('gate')))
  put('gate', 'Tansy', TUE)
  server.reply({ body: { value: [] } })
  hook.rerender({ view: viewOf(stop('gate', { crewId: 'Yarrow', onDate: WED })) })
  await act(async () => void (await Promise.resolve()))
  expect(week().moved).toEqual([])
  expect(week().board.get('gate')).toMatchObject({ crewId: 'Yarrow', date: WED })
  put('gate', null, MON)
  expect(week().moved).toHaveLength(1)
})
