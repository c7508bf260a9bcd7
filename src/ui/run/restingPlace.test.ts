/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render } from '@testing-library/react'
import { createElement as h } from 'react'
import { PLACE_RESTS_MS, RestingPlace } from './RestingPlace'

beforeEach(() => jest.useFakeTimers())
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const page = (rests: boolean) =>
  render(
    h(
      'div',
      null,
      h(
        'main',
        rests ? { 'data-rests': true } : null,
        h('button', null, 'Pour: done'),
        h('button', { 'data-quick': true }, '+ 5°'),
        h('p', null, 'words'),
      ),
      h(RestingPlace),
    ),
  )
const places = () => [...document.querySelectorAll<HTMLElement>('[data-resting-place]')]
const tap = (name: string, at = { x: 200, y: 300 }) =>
  fireEvent.click(document.evaluate(`//*[text()="${name}"]`, document, null, 9).singleNodeValue as Element, {
    clientX: at.x,
    clientY: at.y,
    detail: 1,
  })

test('the place where a finger was rests, whatever comes to stand there, and is free again', () => {
  page(true)
  tap('Pour: done')
  const [place] = places()
  expect([place!.style.left, place!.style.top, place!.style.width]).toEqual(['168px', '268px', '64px'])
  act(() => jest.advanceTimersByTime(PLACE_RESTS_MS - 50))
  expect(places()).toHaveLength(1)
  act(() => jest.advanceTimersByTime(50))
  expect(places()).toHaveLength(0)
})

test('two places rest each for their own time', () => {
  page(true)
  tap('Pour: done')
  act(() => jest.advanceTimersByTime(400))
  tap('Pour: done', { x: 40, y: 40 })
  act(() => jest.advanceTimersByTime(300))
  expect(places().map((p) => p.style.left)).toEqual(['8px'])
})

test('keys, quick buttons, words and other pages rest nothing', () => {
  const { unmount } = page(true)
  fireEvent.click(document.querySelector('button')!, { detail: 0 })
  tap('+ 5°')
  tap('words')
  expect(places()).toEqual([])
  unmount()
  page(false)
  tap('Pour: done')
  expect(places()).toEqual([])
})
