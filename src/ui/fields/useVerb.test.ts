/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { fakeServer, later } from './server.testing'
import { useVerb } from './useVerb'

jest.mock('../shell/askToSignIn', () => ({ askToSignIn: jest.fn(() => Promise.resolve(true)) }))
import { askToSignIn } from '../shell/askToSignIn'

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
})

const READING = { treeId: 't', tape: 'girth', typed: ['44 in'], height: null } as never
const other = { treeId: 't', tape: 'girth', typed: ['45 in'], height: null } as never

function open() {
  return renderHook(() => useVerb('add-reading', { makes: 'id' as never })).result
}

test('what a step makes is named by the device, and by the same name until an answer came', async () => {
  const verb = open()
  server.reply('lost', server.value({ id: 'x' }), server.value({ id: 'y' }))
  await act(async () => {
    expect(await verb.current.send(READING)).toBeNull()
  })
  expect(verb.current.problem?.field).toBe('connection')
  expect(verb.current.problem?.message).toMatch(/What you typed is still here/)
  await act(async () => {
    expect(await verb.current.send(READING)).toEqual({ id: 'x' })
  })
  await act(async () => void (await verb.current.send(READING)))
  const [lost, again, anew] = server.asked
  // The same press, at the same time, of the same thing.
  expect(again).toEqual(lost)
  expect(lost!.body['id']).toMatch(/^[0-9a-f-]{36}$/)
  // After the answer the next press makes another.
  expect(anew!.body['id']).not.toBe(lost!.body['id'])
  expect(anew!.step).not.toBe(lost!.step)
  expect(verb.current.problem).toBeNull()
})

test('other content after a lost answer is another press of the same thing: the server can show both', async () => {
  const verb = open()
  server.reply('lost')
  await act(async () => void (await verb.current.send(READING)))
  await act(async () => void (await verb.current.send(other)))
  const [first, second] = server.asked
  expect(second!.body['id']).toBe(first!.body['id'])
  expect(second!.step).not.toBe(first!.step)
})

test('a refusal is said, keeps the name, and forgets the press', async () => {
  const verb = open()
  server.reply(server.refusal('typed', 'Trunks do not shrink.'), server.value({ id: 'x' }))
  await act(async () => {
    expect(await verb.current.send(READING)).toBeNull()
  })
  expect(verb.current.problem).toMatchObject({ field: 'typed', message: 'Trunks do not shrink.' })
  expect(verb.current.problem?.sent).toMatchObject({ typed: ['44 in'] })
  await act(async () => void (await verb.current.send(READING)))
  const [first, second] = server.asked
  expect(second!.body['id']).toBe(first!.body['id'])
  expect(second!.step).not.toBe(first!.step)
})

test('a second press while the first runs does nothing', async () => {
  const verb = open()
  const slow = later<{ body: unknown }>()
  server.reply(slow.promise)
  let first: Promise<unknown>
  act(() => {
    first = verb.current.send(READING)
  })
  expect(verb.current.busy).toBe(true)
  await act(async () => {
    expect(await verb.current.send(READING)).toBeNull()
  })
  await act(async () => {
    slow.letGo({ body: { value: { id: 'x' } } })
    expect(await first).toEqual({ id: 'x' })
  })
  expect(server.asked).toHaveLength(1)
  expect(verb.current.busy).toBe(false)
})

test('meant as a new one, it gets a new name; cleared, the problem is gone', async () => {
  const verb = open()
  server.reply('lost', 'lost')
  await act(async () => void (await verb.current.send(READING)))
  act(() => verb.current.renew())
  expect(verb.current.problem).toBeNull()
  await act(async () => void (await verb.current.send(READING)))
  expect(server.asked[1]!.body['id']).not.toBe(server.asked[0]!.body['id'])
  act(() => verb.current.clear())
  expect(verb.current.problem).toBeNull()
})

test('an ended session asks for the password over the page and goes on with the same press', async () => {
  const verb = open()
  server.reply({ status: 401, body: {} }, server.value({ id: 'x' }))
  await act(async () => {
    expect(await verb.current.send(READING)).toEqual({ id: 'x' })
  })
  expect(askToSignIn).toHaveBeenCalledTimes(1)
  expect(server.asked[1]).toEqual(server.asked[0])
})

test('an answer that is no JSON counts as lost', async () => {
  const verb = open()
  globalThis.fetch = (() =>
    Promise.resolve({ status: 502, json: () => Promise.reject(new SyntaxError('<html>')) })) as never
  await act(async () => {
    expect(await verb.current.send(READING)).toBeNull()
  })
  expect(verb.current.problem?.field).toBe('connection')
})

describe('what was said of a field goes when the field is typed anew', () => {
  function typeInto(invalid: boolean) {
    const field = document.createElement('input')
    if (invalid) field.setAttribute('aria-invalid', 'true')
    document.body.append(field)
    act(() => void field.dispatchEvent(new Event('input', { bubbles: true })))
    field.remove()
  }
  test('not when another field is', async () => {
    const verb = open()
    server.reply(server.refusal('typed', 'Trunks do not shrink.'))
    await act(async () => void (await verb.current.send(READING)))
    typeInto(false)
    expect(verb.current.problem).not.toBeNull()
    typeInto(true)
    expect(verb.current.problem).toBeNull()
  })
  test('a question holds for what it was asked about alone', async () => {
    const verb = open()
    server.reply({
      status: 409,
      body: { error: { code: 'doubt', field: 'slip', message: 'Is it the girth?' } },
    })
    await act(async () => void (await verb.current.send(READING)))
    expect(verb.current.problem?.code).toBe('doubt')
    typeInto(false)
    expect(verb.current.problem).toBeNull()
  })
})
