import { isTag } from './tag'

test.each([
  ['Ash 16', 'Ash 16', true],
  ['ash16', 'Ash 16', true],
  ['ASH-16', 'Ash 16', true],
  ['16', 'Ash 16', true],
  ['7', 'Hem 07', true],
  ['07', 'Hem 7', true],
  ['12a', 'Elm 12A', true],
  ['6', 'Ash 16', false],
  ['160', 'Ash 16', false],
  ['ash', 'Ash 16', false],
  ['elm 16', 'Ash 16', false],
  ['', 'Ash 16', false],
  ['gate', 'Gate', true],
  ['', 'Gate', false],
])('%j read at %s: %s', (typed, tag, is) => expect(isTag(typed, tag)).toBe(is))
