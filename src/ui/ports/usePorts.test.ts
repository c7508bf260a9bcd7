/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { isInTree, type RunningPort } from '@/core/ports/running'
import { fakeServer, later } from '@/ui/fields/server.testing'
import { usePorts } from './usePorts'

const refresh = jest.fn()
const router = { refresh }
jest.mock('next/navigation', () => ({ useRouter: () => router }))
jest.mock('@/ui/shell/signInAgain', () => ({ askToSignIn: () => Promise.resolve(false) }))

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
  refresh.mockClear()
})

type Port = RunningPort & { id: string }
const port = (id: string, more: Partial<RunningPort> = {}): Port => ({
  id,
  number: 1,
  bearing: 20,
  volume: 9e-6,
  drilledAt: null,
  startedAt: null,
  stoppedAt: null,
  outAt: null,
  left: 0,
  givenUp: null,
  ...more,
})
const NOW = 1_000_000

function open(...ports: Port[]) {
  return renderHook(({ view }) => usePorts(view, NOW), {
    initialProps: { view: { trees: [{ tag: 'Ash 1', ports }] } },
  })
}
type Opened = ReturnType<typeof open>
const first = (opened: Opened) => opened.result.current.trees[0]!.ports[0]!

/** Lets what is queued run to its end. */
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 5))))

test('a step shows at once, is sent, and the page is asked again when all are kept', async () => {
  const opened = open(port('p'))
  const slow = later<{ body: unknown }>()
  server.reply(slow.promise)
  act(() => opened.result.current.act(first(opened), { kind: 'drill' }))
  expect(first(opened).drilledAt).toBe(NOW)
  expect(opened.result.current.sending).toBe(true)
  act(() => opened.result.current.act(first(opened), { kind: 'start' }))
  expect(isInTree(first(opened))).toBe(true)
  await settle()
  // The second waits for the first, so that the server hears them in the order of the hands.
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill'])
  slow.letGo({ body: { value: {} } })
  await settle()
  expect(server.asked.map((a) => a.body['kind'])).toEqual(['drill', 'start'])
  expect(opened.result.current.sending).toBe(false)
  expect(refresh).toHaveBeenCalledTimes(1)
})

test('a step out of order is refused on the device and never sent', async () => {
  const opened = open(port('p'))
  act(() => opened.result.current.act(first(opened), { kind: 'start' }))
  expect(opened.result.current.problem?.message).toMatch(/not drilled yet/)
  await settle()
  expect(server.asked).toHaveLength(0)
  expect(first(opened).startedAt).toBeNull()
})

test('what the server refuses is taken back with its reason', async () => {
  const opened = open(port('p'))
  server.reply(server.refusal('port', 'The prescription was taken back.'))
  act(() => opened.result.current.act(first(opened), { kind: 'drill' }))
  await settle()
  expect(first(opened).drilledAt).toBeNull()
  expect(opened.result.current.problem?.message).toBe('The prescription was taken back.')
})

test('a press whose answer was lost goes out again as the same press; after an answer the next is another', async () => {
  const opened = open(port('p'))
  server.reply('lost', server.value({}), server.value({}))
  for (let i = 0; i < 3; i++) {
    act(() => opened.result.current.act(port('p'), { kind: 'drill' }))
    await settle()
  }
  const [lost, again, anew] = server.asked
  expect(again).toEqual(lost)
  expect(again!.body['eventId']).toBe(again!.step)
  expect(anew!.step).not.toBe(lost!.step)
})

test('a page fetched before the press arrived does not undo it on the screen; one that shows it takes over', async () => {
  const opened = open(port('p'))
  act(() => opened.result.current.act(first(opened), { kind: 'drill' }))
  await settle()
  const before = [{ tag: 'Ash 1', ports: [port('p')] }]
  opened.rerender({ view: { trees: before } })
  expect(first(opened).drilledAt).toBe(NOW)
  opened.rerender({ view: { trees: [{ tag: 'Ash 1', ports: [port('p', { drilledAt: 77 })] }] } })
  expect(first(opened).drilledAt).toBe(77)
})

test('a move is the server’s to judge: nothing is shown before it answers', async () => {
  const opened = open(port('p'))
  act(() => opened.result.current.act(first(opened), { kind: 'move', bearing: 90, reason: 'knot' }))
  expect(first(opened).bearing).toBe(20)
  await settle()
  expect(server.asked[0]!.body).toMatchObject({ kind: 'move', bearing: 90, reason: 'knot', left: null })
})

test('given up with what is left, it stays on the screen as given up', async () => {
  const opened = open(port('p', { drilledAt: 1, startedAt: 2 }))
  act(() => opened.result.current.act(first(opened), { kind: 'give-up', reason: 'rain', left: '6 mL' }))
  expect(first(opened).givenUp).toBe('rain')
  await settle()
  expect(server.asked[0]!.body).toMatchObject({ reason: 'rain', left: '6 mL' })
})
