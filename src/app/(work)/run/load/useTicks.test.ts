/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import type { LoadLine } from '@/core/loadout/truck'
import { fakeServer } from '@/ui/fields/server.testing'
import { useTicks } from './useTicks'

jest.mock('@/ui/shell/askToSignIn', () => ({ askToSignIn: () => Promise.resolve(false) }))

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
})
const WATER = { key: 'water', kind: 'water', name: 'Water', amount: '2 gal' } as LoadLine
const open = () => renderHook(() => useTicks({ crew: null, date: '2026-06-12', ticked: [] })).result

test('a tick stands at once, and is sent with what was seen and when', async () => {
  const ticks = open()
  await act(() => ticks.current.tick(WATER, 'on'))
  expect(ticks.current.ticked.water).toMatchObject({ state: 'on', amount: '2 gal', by: 'you' })
  expect(server.asked[0]).toMatchObject({
    url: '/api/do/note-loaded',
    body: { crewId: null, onDate: '2026-06-12', line: 'water', name: 'Water', amount: '2 gal', state: 'on' },
  })
  expect(server.asked[0]!.at).not.toBeNull()
})

test('what is refused is taken back to what was kept, says why, and says so no more once it is pressed again', async () => {
  const ticks = open()
  await act(() => ticks.current.tick(WATER, 'on'))
  server.reply(server.refusal('onDate', 'Not for that day.'), 'lost')
  await act(() => ticks.current.tick(WATER, 'missing'))
  expect(ticks.current.ticked.water).toMatchObject({ state: 'on' })
  expect(ticks.current.refused.water).toBe('Not for that day.')
  await act(() => ticks.current.tick(WATER, 'off'))
  expect(ticks.current.ticked.water).toMatchObject({ state: 'on' })
  expect(ticks.current.refused.water).toMatch(/cannot be reached/)
  await act(() => ticks.current.tick(WATER, 'off'))
  expect(ticks.current.ticked.water).toMatchObject({ state: 'off' })
  expect(ticks.current.refused).toEqual({})
})
