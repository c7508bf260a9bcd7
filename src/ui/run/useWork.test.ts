/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { isIn } from '@/core/methods/running'
import { fakeServer, later } from '@/ui/fields/server.testing'
import type { WorkStep } from './presses'
import { useWork, type Command } from './useWork'

jest.mock('@/ui/shell/signInAgain', () => ({ askToSignIn: () => Promise.resolve(false) }))

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
  localStorage.clear()
  jest.useFakeTimers()
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
  expect(hook.result.current.waiting).toBe(1)
  await settle()
  press(0, { kind: 'start' })
  expect(isIn(first())).toBe(true)
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill'])
  expect(Number(server.asked[0]!.at)).toBe(pressedAt)
  slow.letGo({ body: { value: {} } })
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill', 'start'])
  expect(hook.result.current.waiting).toBe(0)
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
  expect(hook.result.current).toMatchObject({ waiting: 1, outOfReach: true, refused: null })
  expect(first()).toMatchObject({ drilledAt: expect.any(Number) as number })
  const kept = JSON.parse(localStorage.getItem('elmhorn-presses-job')!) as { presses: { kind: string }[] }[]
  expect(kept[0]!.presses[0]!.kind).toBe('drill')
  act(() => void window.dispatchEvent(new Event('online')))
  await settle()
  expect(server.asked).toHaveLength(2)
  // The very same press.
  expect(server.asked[1]!.body['eventId']).toBe(server.asked[0]!.body['eventId'])
  expect(server.asked[1]!.at).toBe(server.asked[0]!.at)
  expect(hook.result.current).toMatchObject({ waiting: 0, outOfReach: false })
  expect(localStorage.getItem('elmhorn-presses-job')).toBeNull()
})

test('what a device had not sent when it was closed is sent when the job is opened again', async () => {
  localStorage.setItem(
    'elmhorn-presses-job',
    JSON.stringify([{ id: 'b', at: 5, presses: [{ eventId: 'e', stepId: 'p', kind: 'drill' }] }]),
  )
  const { first } = open(port('p'))
  await settle()
  expect(server.asked.map((a) => [a.body['eventId'], a.at])).toEqual([['e', '5']])
  expect(first()).toMatchObject({ drilledAt: 5 })
})

test('what waits is not taken up a second time when the page asks in another way', async () => {
  const view = viewOf(port('p'))
  const nothing = () => Promise.resolve(null)
  const hook = renderHook(({ ask }) => useWork(view, ask), { initialProps: { ask: nothing } })
  server.reply('lost')
  act(() => {
    const tree = hook.result.current.trees[0]!
    hook.result.current.act([{ tree, step: tree.steps[0]!, command: { kind: 'drill' } }])
  })
  await settle()
  hook.rerender({ ask: () => Promise.resolve(null) })
  await settle()
  expect(hook.result.current.waiting).toBe(1)
  expect(hook.result.current.trees[0]!.steps[0]!.state).toMatchObject({
    drilledAt: expect.any(Number) as number,
  })
})

test('what is refused is taken back with all that was pressed on top of it, and says so at its steps', async () => {
  const { hook, press, first } = open(port('p'), pour('q'))
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
  expect(hook.result.current.refused).toMatchObject({ stepIds: ['p'], problem: { message: 'decided anew' } })
  // What has nothing to do with it goes on.
  expect(server.asked.map((a) => a.body['stepId'])).toEqual(['p', 'q'])
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
