/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { GO_TO, useKeys, useViewKeys } from './keys'

beforeEach(() => {
  document.body.innerHTML = ''
  jest.useFakeTimers()
})
afterEach(() => jest.useRealTimers())

/** A key as it comes from a hand; true where the page took it for itself. */
function press(
  key: string,
  { on = document.body as Element, ...more }: KeyboardEventInit & { on?: Element } = {},
) {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
  act(() => void on.dispatchEvent(event))
  return event.defaultPrevented
}
function frame() {
  const on = { find: jest.fn(), help: jest.fn(), go: jest.fn() }
  renderHook(() => useKeys(on))
  return on
}
const field = (html: string) => {
  document.body.innerHTML = html
  return document.body.firstElementChild!
}

test('the frame’s keys', () => {
  const { find, help, go } = frame()
  expect([press('/'), press('?'), press('x')]).toEqual([true, true, false])
  expect([find, help, go].map((f) => f.mock.calls.length)).toEqual([1, 1, 0])
})

test('g and a letter lead where the list says, and only that letter', () => {
  const { go, find } = frame()
  for (const letter of Object.keys(GO_TO)) {
    press('g')
    expect(press(letter)).toBe(true)
  }
  expect(go.mock.calls.map(([l]) => l as string)).toEqual(Object.keys(GO_TO))
  // A letter that leads nowhere is spent; the next key is one of its own again.
  press('g')
  expect(press('/')).toBe(false)
  expect(find).not.toHaveBeenCalled()
  press('/')
  expect(find).toHaveBeenCalledTimes(1)
})

test('a g that was meant for nothing is forgotten', () => {
  const { go } = frame()
  press('g')
  jest.setSystemTime(Date.now() + 1501)
  expect(press('r')).toBe(false)
  expect(go).not.toHaveBeenCalled()
})

test.each(['<input>', '<textarea></textarea>', '<select></select>'])(
  'nothing is taken from a hand that types in %s',
  (html) => {
    const { find, help } = frame()
    const on = field(html)
    expect([press('/', { on }), press('?', { on }), press('g', { on })]).toEqual([false, false, false])
    expect(find).not.toHaveBeenCalled()
    expect(help).not.toHaveBeenCalled()
  },
)

test('nothing is taken from the browser, nor beneath a dialog', () => {
  const { find } = frame()
  for (const held of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) press('/', held)
  document.body.innerHTML = '<div role="dialog"></div>'
  press('/')
  expect(find).not.toHaveBeenCalled()
})

test('a view’s own keys are those of what is drawn now, and go with it', () => {
  const [first, second] = [jest.fn(), jest.fn()]
  const view = renderHook(({ keys }) => useViewKeys(keys), { initialProps: { keys: { j: first } } })
  press('j')
  view.rerender({ keys: { j: second } })
  press('j')
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([1, 1])
  expect(press('j', { on: field('<input>') })).toBe(false)
  view.unmount()
  expect(press('j')).toBe(false)
})

test('after g a letter is the frame’s, whatever the view would do with it', () => {
  const own = jest.fn()
  const { go } = frame()
  renderHook(() => useViewKeys({ r: own }))
  press('g')
  press('r')
  expect(go).toHaveBeenCalledWith('r')
  expect(own).not.toHaveBeenCalled()
  press('r')
  expect(own).toHaveBeenCalledTimes(1)
})
