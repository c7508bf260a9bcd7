/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { useStanding } from './useStanding'

jest.useFakeTimers()

const row = (id: string) => ({ id })
const open = (...ids: string[]) =>
  renderHook(({ ids }: { ids: string[] }) => useStanding(ids.map(row)), { initialProps: { ids } })
const said = (hook: ReturnType<typeof open>) =>
  hook.result.current.rows.map(({ row, over }) => (over ? `(${row.id})` : row.id)).join(' ')
const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms))
const pointer = (kind: 'pointerdown' | 'pointerup') => act(() => void window.dispatchEvent(new Event(kind)))

test('what is over keeps its place until the hand has rested; then nothing counts for a moment', async () => {
  const hook = open('a', 'b', 'c')
  pointer('pointerdown')
  pointer('pointerup')
  hook.rerender({ ids: ['b', 'c'] })
  expect(said(hook)).toBe('(a) b c')
  await wait(2000)
  // Another press: the rest begins anew.
  pointer('pointerdown')
  pointer('pointerup')
  hook.rerender({ ids: ['c'] })
  expect(said(hook)).toBe('(a) (b) c')
  await wait(2400)
  expect(said(hook)).toBe('(a) (b) c')
  expect(hook.result.current.settling).toBe(false)
  await wait(400)
  expect(said(hook)).toBe('c')
  expect(hook.result.current.settling).toBe(true)
  await wait(460)
  expect(hook.result.current.settling).toBe(false)
})

test('nothing moves while a finger is down, however long', async () => {
  const hook = open('a', 'b')
  pointer('pointerdown')
  hook.rerender({ ids: ['b'] })
  await wait(30_000)
  expect(said(hook)).toBe('(a) b')
  pointer('pointerup')
  await wait(3000)
  expect(said(hook)).toBe('b')
})

test('what comes anew stands last; what is taken back stands where it was', async () => {
  const hook = open('a', 'b')
  hook.rerender({ ids: ['b'] })
  hook.rerender({ ids: ['b', 'c'] })
  expect(said(hook)).toBe('(a) b c')
  hook.rerender({ ids: ['a', 'b', 'c'] })
  expect(said(hook)).toBe('a b c')
  await wait(10_000)
  expect(said(hook)).toBe('a b c')
})
