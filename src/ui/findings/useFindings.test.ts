/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { fakeServer, later } from '@/ui/fields/server.testing'
import { useFindings } from './useFindings'

jest.mock('@/ui/shell/askToSignIn', () => ({ askToSignIn: () => Promise.resolve(false) }))

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
})
const open = (seen = {}) => renderHook(() => useFindings('tree', 'examination', { seen, details: {} })).result

test('a press shows at once and is kept behind it, one after another, in the order of the hand', async () => {
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
  // Nothing overtakes: the second waits for the first.
  await act(() => Promise.resolve())
  expect(server.asked).toHaveLength(1)
  await act(async () => {
    slow.letGo({ body: { value: {} } })
    await findings.current.settled()
  })
  expect(server.asked.map((a) => [a.body['finding'], a.body['state']])).toEqual([
    ['a', 'there'],
    ['b', 'not-there'],
    ['a', 'unsure'],
  ])
  expect(new Set(server.asked.map((a) => a.step)).size).toBe(3)
  expect(findings.current.saving).toBe(false)
})

test('a press that is not kept is taken back, and its row says so until it is pressed again', async () => {
  const findings = open({ a: 'unsure' })
  server.reply('lost', server.value({}))
  await act(async () => {
    findings.current.set('a', 'there')
    await findings.current.settled()
  })
  expect(findings.current.seen).toEqual({ a: 'unsure' })
  expect([...findings.current.refused]).toEqual(['a'])
  expect(findings.current.problem?.message).toMatch(/Press them again/)
  await act(async () => {
    findings.current.set('a', 'there')
    await findings.current.settled()
  })
  expect(findings.current.seen).toEqual({ a: 'there' })
  expect(findings.current.refused.size).toBe(0)
  expect(findings.current.problem).toBeNull()
})

test('only the press that was lost is taken back, not a later one on the same finding', async () => {
  const findings = open()
  server.reply('lost', server.value({}))
  await act(async () => {
    findings.current.set('a', 'there')
    findings.current.set('a', 'not-there')
    await findings.current.settled()
  })
  expect(findings.current.seen).toEqual({ a: 'not-there' })
})

test('a refused press goes back to what the server is known to have, not to what was shown', async () => {
  const findings = open()
  server.reply(server.value({}), server.refusal('assessmentId', 'Signed meanwhile.'))
  await act(async () => {
    findings.current.set('a', 'there')
    findings.current.set('a', 'unsure')
    await findings.current.settled()
  })
  expect(findings.current.seen).toEqual({ a: 'there' })
  expect(findings.current.problem?.message).toBe('Signed meanwhile.')
})

test('not looked at again is sent as nothing', async () => {
  const findings = open({ a: 'there' })
  await act(async () => {
    findings.current.set('a', 'not-looked')
    await findings.current.settled()
  })
  expect(server.asked[0]!.body['state']).toBeNull()
})

test('what is taken over brings its detail, after the finding itself', async () => {
  const findings = open()
  await act(async () => {
    findings.current.set('a', 'there', { bearing: 90 })
    await findings.current.settled()
  })
  expect(server.asked.map((x) => x.url)).toEqual(['/api/do/set-finding', '/api/do/set-detail'])
  expect(server.asked[1]!.body).toMatchObject({ finding: 'a', detail: { bearing: 90 } })
  expect(findings.current.details).toEqual({ a: { bearing: 90 } })
})

test('a detail that is not kept is told; without its finding none is sent', async () => {
  const findings = open()
  server.reply(server.value({}), server.refusal('detail', 'Too long.'), 'lost')
  await act(async () => {
    findings.current.set('a', 'there', { words: 'x' })
    findings.current.set('b', 'there', { words: 'y' })
    await findings.current.settled()
  })
  expect([...findings.current.refused].sort()).toEqual(['a', 'b'])
  expect(server.asked).toHaveLength(3)
})
