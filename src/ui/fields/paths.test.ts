import fc from 'fast-check'
import { keysOf, nested, placeOf, rowsOf, valueAt } from './paths'

test('paths become objects and lists, and gaps close up', () => {
  expect(
    nested({ 'stems[0].girth': '44 in', 'stems[2].girth': '8 in', 'rate.low': 1, basis: 'girth' }),
  ).toEqual({
    stems: [{ girth: '44 in' }, { girth: '8 in' }],
    rate: { low: 1 },
    basis: 'girth',
  })
  expect(nested({ 'trees[1]': '9 in' })).toEqual({ trees: ['9 in'] })
})

test('a problem of the second row asked stands at the second row there is', () => {
  const typed = { 'stems[0].girth': '', 'stems[2].girth': '', 'rate.low': '' }
  expect(rowsOf(typed, 'stems')).toEqual([0, 2])
  expect(placeOf('stems[1].girth', typed)).toBe('stems[2].girth')
  expect(placeOf('rate.low', typed)).toBe('rate.low')
  expect(placeOf('stems[7].girth', typed)).toBe('stems[7].girth')
})

test('what is put at a path is found there', () => {
  const path = fc
    .array(fc.constantFrom('rate', 'low', 'trees', 'x'), { minLength: 1, maxLength: 3 })
    .map((keys) => keys.join('.'))
  fc.assert(
    fc.property(path, fc.integer(), (p, v) => {
      expect(valueAt(nested({ [p]: v }), p)).toBe(v)
      expect(valueAt(nested({ [`${p}[0].y`]: v }), `${p}[0].y`)).toBe(v)
    }),
  )
  expect(keysOf('a.b[3].c')).toEqual(['a', 'b', 3, 'c'])
  expect(valueAt(null, 'a.b')).toBeUndefined()
})
