/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react'
import { beginRound, endRound, useRound } from './round'

beforeEach(() => sessionStorage.clear())
const at = (id: string) => renderHook(() => useRound(id)).result.current

test('chosen trees are walked in the order they were listed', () => {
  beginRound(['b', 'a', 'c'])
  expect(at('b')).toEqual({ at: 1, of: 3, previous: null, next: 'a' })
  expect(at('a')).toEqual({ at: 2, of: 3, previous: 'b', next: 'c' })
  expect(at('c')).toEqual({ at: 3, of: 3, previous: 'a', next: null })
})
test('a tree that was not chosen is on no round, nor is any after it was left', () => {
  beginRound(['b'])
  expect(at('x')).toBeNull()
  endRound()
  expect(at('b')).toBeNull()
})
test.each(['{', '7', 'null', '[1, {}]'])('what is kept as %s is no round', (kept) => {
  sessionStorage.setItem('elmhorn-round', kept)
  expect(at('b')).toBeNull()
})
test('a browser that keeps nothing says nothing', () => {
  const keeps = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full')
  })
  expect(() => beginRound(['a'])).not.toThrow()
  keeps.mockRestore()
})
