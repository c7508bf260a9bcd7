import fc from 'fast-check'
import { idEndOf, tagCode } from './tagCode'

test('a code leads back to the end of its id, however it is written', () => {
  expect(tagCode('01900000-0000-7000-8000-0000000000ff')).toBe('000000007Z')
  fc.assert(
    fc.property(fc.uuid(), (id) => {
      const code = tagCode(id)
      expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{10}$/)
      expect(idEndOf(code)).toBe(id.slice(-12))
      expect(idEndOf(` ${code.toLowerCase().replace(/0/g, 'o').replace(/1/g, 'l')} `)).toBe(id.slice(-12))
    }),
  )
})
test.each(['', '123', '0000000000Z', 'UUUUUUUUUU', 'ZZZZZZZZZZ', '00000/0000'])('“%s” is no code', (code) => {
  expect(idEndOf(code)).toBeNull()
})
