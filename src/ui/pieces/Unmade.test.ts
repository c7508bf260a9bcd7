/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react'
import { createElement } from 'react'
import { Unmade } from './Unmade'

const reload = jest.fn()
const health = jest.fn<Promise<{ ok: boolean }>, []>()
beforeEach(() => {
  jest.useFakeTimers()
  reload.mockClear()
  global.fetch = health as unknown as typeof fetch
})
afterEach(() => {
  jest.useRealTimers()
})
const later = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms))

test('a database that is away is told, and the page comes back by itself with it', async () => {
  health.mockResolvedValue({ ok: false })
  render(createElement(Unmade, { heading: 'Not now', again: reload }))
  await later(10)
  expect(screen.getByRole('status').textContent).toContain('comes back by itself')
  await later(7000)
  expect(reload).not.toHaveBeenCalled()
  health.mockResolvedValue({ ok: true })
  await later(3100)
  expect(reload).toHaveBeenCalledTimes(1)
})
test('a server that cannot be reached is away too; a page that is broken is not loaded again and again', async () => {
  health.mockRejectedValueOnce(new Error('no network')).mockResolvedValue({ ok: true })
  const { unmount } = render(createElement(Unmade, { heading: 'Not now', again: reload }))
  await later(3100)
  expect(reload).toHaveBeenCalledTimes(1)
  unmount()
  reload.mockClear()
  render(createElement(Unmade, { heading: 'Not now', again: reload }))
  await later(20_000)
  expect(reload).not.toHaveBeenCalled()
  expect(screen.getByRole('status').textContent).toContain('went wrong')
})
