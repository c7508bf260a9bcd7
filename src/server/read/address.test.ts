import { idOf, numberOf, ownPath, readAfter, readAfterDay, textOf } from './address'

const ID = '01890a5d-ac96-774b-bcce-b302099a8057'

test('a text is the first of its name, if it can be kept', () => {
  expect(textOf({ a: 'x' }, 'a')).toBe('x')
  expect(textOf({ a: ['x', 'y'] }, 'a')).toBe('x')
  expect(textOf({ a: [] }, 'a')).toBeNull()
  expect(textOf({}, 'a')).toBeNull()
  expect(textOf({ a: 'abc' }, 'a', 2)).toBeNull()
  expect(textOf({ a: 'abc' }, 'a', 3)).toBe('abc')
  for (const unseen of ['a\u0000b', 'a\ud800b', 'a\u202eb']) expect(textOf({ a: unseen }, 'a')).toBeNull()
})
test.each([
  ['12', 12],
  ['0', null],
  ['1', 1],
  ['99', 99],
  ['100', null],
  ['-5', null],
  ['1e1', null],
  ['1.0', null],
  [' 7', null],
  ['', null],
  ['9999999999999', null],
])('"%s" as a number from 1 to 99 is %s', (text, number) => {
  expect(numberOf({ n: text }, 'n', 1, 99)).toBe(number)
})
test('an id is one of ours, or none', () => {
  expect(idOf({ id: ID }, 'id')).toBe(ID)
  for (const no of ['', 'x', ID.slice(1), `${ID}0`, `${ID}'`, 'null'])
    expect(idOf({ id: no }, 'id')).toBeNull()
})
test('a list goes on only behind a whole row', () => {
  const query = { site: ID, tag: 'Ash 1', id: ID }
  expect(readAfter(query)).toEqual(query)
  for (const missing of ['site', 'tag', 'id'])
    expect(readAfter({ ...query, [missing]: undefined })).toBeNull()
  expect(readAfter({ ...query, tag: 'x'.repeat(41) })).toBeNull()
  expect(readAfterDay({ due: '2026-06-12', id: ID }, 'due')).toEqual({ day: '2026-06-12', id: ID })
  for (const day of ['2026-02-30', '12.6.2026', ''])
    expect(readAfterDay({ due: day, id: ID }, 'due')).toBeNull()
})
test.each([
  ['/trees/1?x=2#ring', '/trees/1?x=2#ring'],
  ['/', '/'],
  ['/a/../b', '/b'],
])('%s stays within', (text, path) => {
  expect(ownPath(text)).toBe(path)
})
test.each([
  null,
  '',
  'trees',
  'https://elsewhere.example/',
  '//elsewhere.example',
  '/\\elsewhere.example',
  '/\t/elsewhere.example',
  '/%09/elsewhere.example\n',
  '/a\\b',
  '/.//elsewhere.example',
  '/..//elsewhere.example',
  '/x/..//elsewhere.example',
  '/./%2e%2e//elsewhere.example',
  'javascript:alert(1)',
  '/\u0000',
  '/ä',
])('%j leads to the first page', (text) => {
  expect(ownPath(text)).toBe('/')
})
