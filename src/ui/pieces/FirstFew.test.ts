/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { FirstFew } from './FirstFew'

const numbers = (n: number) => Array.from({ length: n }, (_, i) => i + 1)
function show(n: number, inSight: (k: number) => boolean = () => false, whole = false) {
  render(
    h(FirstFew<number>, {
      first: 6,
      of: numbers(n),
      what: 'stops',
      inSight,
      whole,
      draw: (k: number) => h('i', { key: k }, k),
    }),
  )
  return { shown: () => [...document.querySelectorAll('i')].map((e) => Number(e.textContent)) }
}

test('of a long list the first few, and the rest by a press', () => {
  const { shown } = show(40)
  expect(shown()).toEqual([1, 2, 3, 4, 5, 6])
  fireEvent.click(screen.getByRole('button', { name: 'and 34 more stops' }))
  expect(shown()).toEqual(numbers(40))
  expect(screen.queryByRole('button')).toBeNull()
})

test('what must be in sight is, in its place, and counts among those shown', () => {
  const { shown } = show(40, (k) => k === 23)
  expect(shown()).toEqual([1, 2, 3, 4, 5, 6, 23])
  expect(screen.getByRole('button').textContent).toBe('and 33 more stops')
})

test('a list that is a little longer is shown whole: a press for two more is a press too many', () => {
  expect(show(8).shown()).toEqual(numbers(8))
  expect(screen.queryByRole('button')).toBeNull()
  document.body.innerHTML = ''
  show(9)
  expect(screen.getByRole('button').textContent).toBe('and 3 more stops')
})

test('paper has all of it', () => {
  expect(show(40, () => false, true).shown()).toEqual(numbers(40))
})
