/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { REST_MS, useResting } from './useResting'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

function open() {
  const hook = renderHook(() => useResting())
  const now = () => hook.result.current
  return {
    rest: (...ids: string[]) => act(() => now().rest(ids)),
    wait: (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms)),
    /** What a button shows and what takes its press are asked together: they may never differ. */
    rests: (id: string) => {
      expect(now().resting.has(id)).toBe(now().isResting(id))
      return now().isResting(id)
    },
    hook,
  }
}

test('what was pressed rests, and is free again by itself', async () => {
  const { rest, wait, rests } = open()
  expect(rests('p')).toBe(false)
  rest('p')
  await wait(REST_MS - 1)
  expect(rests('p')).toBe(true)
  expect(rests('q')).toBe(false)
  await wait(1)
  expect(rests('p')).toBe(false)
})

test('it rests from its newest press, and others from their own', async () => {
  const { rest, wait, rests } = open()
  rest('p', 'q')
  await wait(300)
  rest('p')
  await wait(REST_MS - 300)
  expect([rests('p'), rests('q')]).toEqual([true, false])
  await wait(300)
  expect(rests('p')).toBe(false)
})

test('a press is known to be the second before the page is drawn again', () => {
  const { hook } = open()
  const { isResting, rest } = hook.result.current
  act(() => {
    rest(['p'])
    expect(isResting('p')).toBe(true)
  })
})

test('a clock that is set makes it neither longer nor shorter', async () => {
  const { rest, wait, rests } = open()
  rest('p')
  jest.setSystemTime(0)
  await wait(REST_MS - 1)
  expect(rests('p')).toBe(true)
  await wait(1)
  expect(rests('p')).toBe(false)
})

test('a page that is left waits for nothing', async () => {
  const { rest, hook } = open()
  rest('p')
  hook.unmount()
  expect(jest.getTimerCount()).toBe(0)
})
