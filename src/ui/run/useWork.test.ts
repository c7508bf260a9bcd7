/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { isIn } from '@/core/methods/running'
import { fakeServer, later } from '@/ui/fields/server.testing'
import type { WorkStep } from './presses'
import { drainOutbox, forgetOutbox, openOutbox, outboxNow, seenRefusal } from '@/ui/field/outbox'
import { useWork, type Command } from './useWork'

/** What the device keeps: it outlives a page that is closed. */
const device = new Map<string, { id: string; person: string; n: number }>()
jest.mock('@/ui/field/deviceStore', () => ({
  deviceId: () => Promise.resolve('device'),
  keepEnvelope: (e: { id: string; person: string; n: number }) => Promise.resolve(void device.set(e.id, e)),
  forgetEnvelopes: (_: string, ids: string[]) => Promise.resolve(ids.forEach((id) => device.delete(id))),
  envelopesOf: (person: string) =>
    Promise.resolve([...device.values()].filter((e) => e.person === person).sort((a, b) => a.n - b.n)),
  refusedOf: () => Promise.resolve([]),
  keepRefused: () => Promise.resolve(),
  forgetRefused: () => Promise.resolve(),
}))
jest.mock('@/ui/shell/askToSignIn', () => ({ askToSignIn: () => Promise.resolve(false) }))

let server: ReturnType<typeof fakeServer>
beforeEach(async () => {
  server = fakeServer()
  device.clear()
  forgetOutbox()
  jest.useFakeTimers()
  await openOutbox('maren')
})
afterEach(() => jest.useRealTimers())

const port = (id: string, events: WorkStep['events'] = []): WorkStep => ({
  id,
  n: 1,
  what: { kind: 'port', bearing: 20, product: 9e-6 },
  events,
})
const pour = (id: string): WorkStep => ({
  id,
  n: 1,
  what: { kind: 'task', task: 'pour', product: 7e-5, times: 1 },
  events: [],
})
const viewOf = (...steps: WorkStep[]) => ({
  job: { id: 'job' },
  trees: [
    {
      id: 't',
      tag: 'Ash 1',
      status: 'open',
      plan: { kind: 'liquid' as const, method: 'trunk-injection' as const },
      steps,
    },
  ],
})

function open(...steps: WorkStep[]) {
  const fetched = jest.fn(async (): Promise<ReturnType<typeof viewOf> | null> => null)
  const view = viewOf(...steps)
  const hook = renderHook(() => useWork(view, fetched))
  const press = (n: number, ...commands: Command[]) =>
    act(() => {
      const tree = hook.result.current.trees[0]!
      hook.result.current.act(commands.map((command, i) => ({ tree, step: tree.steps[n + i]!, command })))
    })
  return { hook, fetched, press, first: () => hook.result.current.trees[0]!.steps[0]!.state }
}
/** Lets what is queued run to its end, and the same finger come down again. */
const settle = () => act(() => jest.advanceTimersByTimeAsync(1000))
/** A second tap of the same finger. */
const SECOND_TAP_MS = 120
const tapAgain = () => act(() => jest.advanceTimersByTimeAsync(SECOND_TAP_MS))

test('a press shows at once, is sent with the time it was made, and the next waits for it', async () => {
  const { hook, press, first } = open(port('p'))
  const slow = later<{ body: unknown }>()
  server.reply(slow.promise)
  const pressedAt = Date.now()
  press(0, { kind: 'drill' })
  expect(first()).toMatchObject({ drilledAt: pressedAt })
  expect(hook.result.current.waiting).toHaveLength(1)
  await settle()
  press(0, { kind: 'start' })
  expect(isIn(first())).toBe(true)
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill'])
  expect(Number(server.asked[0]!.at)).toBe(pressedAt)
  slow.letGo({ body: { value: {} } })
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill', 'start'])
  expect(hook.result.current.waiting).toHaveLength(0)
})

test('two quick presses on the same step are one', async () => {
  const { press, first } = open(port('p'))
  press(0, { kind: 'drill' })
  await tapAgain()
  press(0, { kind: 'start' })
  expect(isIn(first())).toBe(false)
  await settle()
  expect(server.asked).toHaveLength(1)
})

test('what is said in a panel of its own is never taken for a second tap', async () => {
  const { press, first } = open(port('p'))
  press(0, { kind: 'move', bearing: 25 })
  await tapAgain()
  press(0, { kind: 'move', bearing: 30 })
  expect(first()).toMatchObject({ bearing: 30 })
  await settle()
  press(0, { kind: 'drill' })
  await settle()
  press(0, { kind: 'start' })
  await tapAgain()
  press(0, { kind: 'give-up', reason: 'leaks at the bark', left: '5 mL' })
  expect(first()).toMatchObject({ givenUp: 'leaks at the bark' })
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['move', 'move', 'drill', 'start', 'give-up'])
})

test('without signal everything stays on the screen and on the device, and goes out by itself', async () => {
  const { hook, press, first } = open(port('p'))
  server.reply('lost')
  press(0, { kind: 'drill' })
  await settle()
  expect(hook.result.current).toMatchObject({ waiting: [{}], outOfReach: true, refused: null })
  expect(first()).toMatchObject({ drilledAt: expect.any(Number) as number })
  expect([...device.values()]).toMatchObject([{ person: 'maren', job: 'job', presses: [{ kind: 'drill' }] }])
  await act(() => drainOutbox())
  await settle()
  expect(server.asked).toHaveLength(2)
  // The very same press.
  expect(server.asked[1]!.body['eventId']).toBe(server.asked[0]!.body['eventId'])
  expect(server.asked[1]!.at).toBe(server.asked[0]!.at)
  expect(hook.result.current).toMatchObject({ waiting: [], outOfReach: false })
  expect(device.size).toBe(0)
})

test('what a device had not sent when it was closed is sent when any page is opened again', async () => {
  const kept = {
    id: 'e',
    person: 'maren',
    job: 'job',
    n: 0,
    at: 5,
    away: true,
    step: 'mark-step',
    content: { eventId: 'e', stepId: 'p', kind: 'drill' },
    trees: ['t'],
    presses: [{ eventId: 'e', stepId: 'p', kind: 'drill' }],
  }
  device.set('e', kept)
  const { first } = open(port('p'))
  await act(() => openOutbox('maren'))
  await settle()
  expect(server.asked.map((a) => [a.body['eventId'], a.at, a.by])).toEqual([['e', '5', 'maren']])
  expect(first()).toMatchObject({ drilledAt: 5 })
  expect(device.size).toBe(0)
})

test('what one person pressed goes out under nobody else, and waits for them', async () => {
  const { hook, press } = open(port('p'))
  server.reply('lost')
  press(0, { kind: 'drill' })
  await act(() => jest.advanceTimersByTimeAsync(100))
  await act(() => openOutbox('teodor'))
  await settle()
  await settle()
  expect(server.asked).toHaveLength(1)
  expect(hook.result.current.waiting).toHaveLength(0)
  expect(device.size).toBe(1)
  await act(() => openOutbox('maren'))
  await settle()
  expect(server.asked.map((a) => a.by)).toEqual(['maren', 'maren'])
  expect(server.asked[1]!.body['eventId']).toBe(server.asked[0]!.body['eventId'])
  expect(device.size).toBe(0)
})

test.each([
  ['a database that is down', 500, 'server'],
  ['too much at once', 429, 'rate'],
  ['a session that ended, and not now', 401, 'session'],
  ['somebody else signed in', 409, 'person'],
])('%s gives no press back: it waits and goes out as the same press', async (_, status, field) => {
  const { hook, press, first } = open(port('p'))
  server.reply({ status, body: { error: { code: 'conflict', field, message: 'Not now.' } } })
  press(0, { kind: 'drill' })
  await act(() => jest.advanceTimersByTimeAsync(100))
  expect(hook.result.current).toMatchObject({ waiting: [{}], outOfReach: true })
  expect(outboxNow().refused).toEqual([])
  expect(device.size).toBe(1)
  expect(first()).toMatchObject({ drilledAt: expect.any(Number) as number })
  await act(() => jest.advanceTimersByTimeAsync(2500))
  expect(server.asked.map((a) => a.body['eventId'])).toEqual([
    server.asked[0]!.body['eventId'],
    server.asked[0]!.body['eventId'],
  ])
  expect(hook.result.current.waiting).toHaveLength(0)
})

test('what waits is not taken up a second time when the page asks in another way', async () => {
  const view = viewOf(port('p'))
  const nothing = () => Promise.resolve(null)
  const hook = renderHook(({ ask }) => useWork(view, ask), { initialProps: { ask: nothing } })
  server.reply('lost', 'lost')
  act(() => {
    const tree = hook.result.current.trees[0]!
    hook.result.current.act([{ tree, step: tree.steps[0]!, command: { kind: 'drill' } }])
  })
  await settle()
  hook.rerender({ ask: () => Promise.resolve(null) })
  await settle()
  expect(hook.result.current.waiting).toHaveLength(1)
  expect(hook.result.current.trees[0]!.steps[0]!.state).toMatchObject({
    drilledAt: expect.any(Number) as number,
  })
})

test('what is refused is taken back with all that was pressed on top of it, and says so at its steps', async () => {
  const { press, first } = open(port('p'), pour('q'))
  const slow = later<{ status: number; body: unknown }>()
  server.reply(slow.promise)
  press(0, { kind: 'drill' })
  await settle()
  press(0, { kind: 'start' })
  press(1, { kind: 'do' })
  slow.letGo({
    status: 409,
    body: { error: { code: 'conflict', field: 'prescription', message: 'decided anew' } },
  })
  await settle()
  expect(first()).toMatchObject({ drilledAt: null, startedAt: null })
  const [given] = outboxNow().refused
  expect(given).toMatchObject({ job: 'job', stepIds: ['p'], problem: { message: 'decided anew' } })
  // It stays until somebody has seen it.
  press(1, { kind: 'undo' })
  await settle()
  expect(outboxNow().refused).toHaveLength(1)
  act(() => seenRefusal(given!.id))
  expect(outboxNow().refused).toEqual([])
  // What else was pressed at the tree waited for that, and goes on.
  expect(server.asked).toHaveLength(1)
  await settle()
  expect(server.asked.map((a) => a.body['stepId'])).toEqual(['p', 'q', 'q'])
})

test('what cannot be is refused here, and nothing is sent', async () => {
  const { hook, press } = open(port('p'), pour('q'))
  press(0, { kind: 'out' })
  expect(hook.result.current.refused?.problem.message).toMatch(/Nothing was set in port 1/)
  press(1, { kind: 'give-up', reason: 'rain', left: 'a lot' })
  expect(hook.result.current.refused).toMatchObject({ stepIds: ['q'], problem: { field: 'left' } })
  await settle()
  expect(server.asked).toHaveLength(0)
})

test('many steps by one press go together', async () => {
  const { press } = open(pour('p'), pour('q'))
  press(0, { kind: 'do' }, { kind: 'do' })
  await settle()
  expect(server.asked.map((a) => a.url)).toEqual(['/api/do/mark-steps'])
  expect((server.asked[0]!.body['presses'] as { stepId: string }[]).map((p) => p.stepId)).toEqual(['p', 'q'])
})

test('taking back names what stands, so that a later step of somebody else is not meant', async () => {
  const { press } = open(port('p', [{ id: 'theirs', at: 7, kind: 'drill' }]))
  press(0, { kind: 'undo' })
  await settle()
  expect(server.asked[0]!.body).toMatchObject({ kind: 'undo', of: 'theirs' })
})

test('a press stays ahead of a page that does not show it yet', async () => {
  const { hook, fetched, press, first } = open(port('p'))
  fetched.mockResolvedValueOnce(viewOf(port('p')))
  press(0, { kind: 'drill' })
  await settle()
  expect(first()).toMatchObject({ drilledAt: expect.any(Number) as number })
  const eventId = server.asked[0]!.body['eventId'] as string
  fetched.mockResolvedValueOnce(viewOf(port('p', [{ id: eventId, at: 9, kind: 'drill' }])))
  await act(() => hook.result.current.refresh())
  expect(first()).toMatchObject({ drilledAt: 9 })
})

test('a press counts on what this device knows now, not on what was drawn when the finger came down', async () => {
  const { hook, fetched, press } = open(pour('q'))
  press(0, { kind: 'do' })
  await settle()
  const done = server.asked[0]!.body['eventId'] as string
  const drawn = hook.result.current.trees[0]!
  const take = hook.result.current.act
  fetched.mockResolvedValueOnce(
    viewOf({ ...pour('q'), events: [{ id: done, at: Date.now() - 1000, kind: 'do' }] }),
  )
  // The job was asked for anew, and the page is not drawn again yet.
  await act(async () => {
    await hook.result.current.refresh()
    take([{ tree: drawn, step: drawn.steps[0]!, command: { kind: 'undo' } }])
  })
  await settle()
  expect(hook.result.current.refused).toBeNull()
  expect(server.asked[1]!.body).toMatchObject({ kind: 'undo', of: done })
})

test('a view that comes late does not undo a newer one', async () => {
  const { hook, fetched, press, first } = open(pour('q'))
  const early = later<ReturnType<typeof viewOf>>()
  fetched.mockReturnValueOnce(early.promise)
  await act(async () => void hook.result.current.refresh())
  press(0, { kind: 'do' })
  await settle()
  const done = server.asked[0]!.body['eventId'] as string
  fetched.mockResolvedValueOnce(viewOf({ ...pour('q'), events: [{ id: done, at: Date.now(), kind: 'do' }] }))
  await act(() => hook.result.current.refresh())
  expect(first()).toMatchObject({ done: 1 })
  early.letGo(viewOf(pour('q')))
  await settle()
  expect(first()).toMatchObject({ done: 1 })
})
