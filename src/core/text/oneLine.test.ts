import fc from 'fast-check'
import { oneLine } from './oneLine'

test('whatever is written comes out on one line', () => {
  expect(oneLine(' Elm\r\n\tRow\u2028East\u0000 ')).toBe('Elm Row East')
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (s) => {
      expect(oneLine(s)).not.toMatch(/[\r\n\u2028\u2029\u0000-\u001f]/)
    }),
  )
})
