/** @jest-environment jsdom */
import 'fake-indexeddb/auto'
import { act, renderHook } from '@testing-library/react'
import { fakeServer, later } from '@/ui/fields/server.testing'
import { emptyStore, envelopesOf } from '@/ui/field/deviceStore'
import { drainOutbox, forgetOutbox, openOutbox, outboxNow, seenRefusal } from '@/ui/field/outbox'
import { useFindings, type Examination } from './useFindings'

jest.mock('@/ui/shell/askToSignIn', () => ({ askToSignIn: () => Promise.resolve(false) }))

// The browser of the tests has none.
globalThis.structuredClone = (value) => JSON.parse(JSON.stringify(value)) as typeof value

let server: ReturnType<typeof fakeServer>
beforeEach(async () => {
  server = fakeServer()
  forgetOutbox()
  await emptyStore('wren')
  await openOutbox('wren')
})
afterEach(() => act(() => forgetOutbox()))

const running: Examination = { treeId: 'tree', assessmentId: 'examination', running: true }
const begun: Examination = { treeId: 'tree', assessmentId: 'new', running: false }
function open(seen = {}, of = running) {
  const first = { seen, details: {} }
  return renderHook(() => useFindings(of, first)).result
}
const settle = () => act(() => new Promise((resolve) => setTimeout(resolve, 40)))
const sent = () =>
  server.asked.map((a) => [a.url.replace('/api/do/', ''), a.body['finding'], a.body['state']])

test('a press shows at once and is on the device; it goes out behind, in the order of the hand', async () => {
  const findings = open()
  const slow = later<{ body: unknown }>()
  server.reply(slow.promise)
  act(() => {
    findings.current.set('a', 'there')
    findings.current.set('b', 'not-there')
    findings.current.set('a', 'unsure')
  })
  expect(findings.current.seen).toEqual({ a: 'unsure', b: 'not-there' })
  expect(findings.current.saving).toBe(true)
  await settle()
  expect(await envelopesOf('wren')).toHaveLength(3)
  slow.letGo({ body: { value: {} } })
  await settle()
  expect(sent()).toEqual([
    ['set-finding', 'a', 'there'],
    ['set-finding', 'b', 'not-there'],
    ['set-finding', 'a', 'unsure'],
  ])
  expect(new Set(server.asked.map((a) => a.step)).size).toBe(3)
  expect(findings.current.saving).toBe(false)
  expect(findings.current.seen).toEqual({ a: 'unsure', b: 'not-there' })
  expect(await envelopesOf('wren')).toEqual([])
})

test('without a signal nothing is taken back: it is kept here, says so, and goes out as the same press', async () => {
  const findings = open({ a: 'unsure' })
  server.reply('lost', 'lost')
  act(() => findings.current.set('a', 'there'))
  await act(() => findings.current.settled())
  expect(findings.current).toMatchObject({ seen: { a: 'there' }, here: 1, saving: false })
  expect(findings.current.refused.size).toBe(0)
  // The page is closed and opened again without a signal.
  act(() => forgetOutbox())
  const again = open({ a: 'unsure' })
  await act(() => openOutbox('wren'))
  expect(again.current.seen).toEqual({ a: 'there' })
  await act(() => drainOutbox())
  expect(again.current).toMatchObject({ seen: { a: 'there' }, here: 0 })
  expect(new Set(server.asked.map((a) => a.step)).size).toBe(1)
})

test('what a rule refuses is taken back with all that rests on it; its rows say so until they are pressed again', async () => {
  const findings = open({ a: 'unsure' })
  server.reply(server.refusal('assessmentId', 'Signed meanwhile.'), { body: { value: {} } })
  act(() => {
    findings.current.set('a', 'there')
    findings.current.set('b', 'there')
  })
  await settle()
  expect(findings.current.seen).toEqual({ a: 'unsure' })
  expect([...findings.current.refused].sort()).toEqual(['a', 'b'])
  expect(findings.current.problem?.message).toBe('Signed meanwhile.')
  // Whoever goes on to weigh does not wait for what waits to be seen.
  act(() => findings.current.set('c', 'there'))
  await act(() => findings.current.settled())
  act(() => findings.current.set('a', 'not-there'))
  await settle()
  expect(findings.current.seen).toEqual({ a: 'not-there', c: 'there' })
  expect(findings.current.refused.size).toBe(0)
})

test('another tree goes on while one waits for somebody to see why it was refused', async () => {
  const findings = open()
  const other = open({}, { ...running, treeId: 'other' })
  server.reply(server.refusal('finding', 'There is no such finding.'))
  act(() => findings.current.set('a', 'there'))
  await settle()
  act(() => other.current.set('b', 'there'))
  await settle()
  expect(other.current.seen).toEqual({ b: 'there' })
  expect(outboxNow().waiting).toEqual([])
  expect(other.current.refused.size).toBe(0)
  act(() => seenRefusal(outboxNow().refused[0]!.id))
  expect(findings.current.refused.size).toBe(0)
})

test('not looked at again is sent as nothing', async () => {
  const findings = open({ a: 'there' })
  act(() => findings.current.set('a', 'not-looked'))
  await settle()
  expect(sent()).toEqual([['set-finding', 'a', null]])
  expect(findings.current.seen).toEqual({ a: 'not-looked' })
})

test('what is taken over brings its detail, after the finding itself; one can be noted alone', async () => {
  const findings = open()
  act(() => findings.current.set('a', 'there', { bearing: 90 }))
  await settle()
  expect(sent().map(([step]) => step)).toEqual(['set-finding', 'set-detail'])
  expect(findings.current.details).toEqual({ a: { bearing: 90 } })
  await act(() => findings.current.note('a', { amount: 'much' }))
  expect(findings.current.details).toEqual({ a: { amount: 'much' } })
})

test('an examination that this device began without an answer is gone on with after a reload, not begun twice', async () => {
  server.reply('lost', 'lost')
  const findings = open({}, begun)
  act(() => findings.current.set('a', 'there'))
  await settle()
  act(() => forgetOutbox())
  const again = open({}, { ...begun, assessmentId: 'another' })
  await act(() => openOutbox('wren'))
  expect(again.current.goingOn()).toBe('new')
  act(() => again.current.set('b', 'there'))
  await settle()
  expect(new Set(server.asked.map((a) => a.body['assessmentId']))).toEqual(new Set(['new']))
})

test('what is pressed before the page knows whose row it is, is kept in it, behind what waits there', async () => {
  server.reply('lost', 'lost')
  const before = open()
  act(() => before.current.set('a', 'there'))
  await settle()
  act(() => forgetOutbox())
  const findings = open()
  act(() => findings.current.set('a', 'not-there'))
  await act(() => openOutbox('wren'))
  await settle()
  expect(findings.current.seen).toEqual({ a: 'not-there' })
  await act(() => drainOutbox())
  expect(sent().slice(-2)).toEqual([
    ['set-finding', 'a', 'there'],
    ['set-finding', 'a', 'not-there'],
  ])
  expect(await envelopesOf('wren')).toEqual([])
})

test('where somebody else began first, what comes after goes into theirs', async () => {
  server.reply({ body: { value: { assessmentId: 'theirs' } } })
  const findings = open({}, begun)
  act(() => findings.current.set('a', 'there'))
  await settle()
  expect(findings.current.goingOn()).toBe('theirs')
  expect(findings.current.seen).toEqual({ a: 'there' })
})

test('after a signed one a new examination begins with nothing of it', async () => {
  const first = open({}, { ...running, assessmentId: 'signed' })
  act(() => first.current.set('a', 'there'))
  await settle()
  const next = open({}, { ...begun, after: 'signed' })
  expect(next.current.seen).toEqual({})
  act(() => next.current.set('b', 'there'))
  expect(next.current.seen).toEqual({ b: 'there' })
})
