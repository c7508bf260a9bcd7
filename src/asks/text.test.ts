import fc from 'fast-check'
import { hasUnseen } from '@/core/text/unseen'
import { line, searchable, version, words } from './text'

test('what cannot be seen or kept is refused by name', () => {
  for (const bad of [
    'a\u0000',
    'a\u0085b',
    'a\u202eb',
    'a\u200fb',
    'a\ud800',
    'a\u200bb',
    '\ufeffa b\ufeff',
    'a\u2066b',
  ])
    expect([bad, line('Tag', 40).safeParse(`x${bad}x`).success]).toEqual([bad, false])
  expect(line('Tag', 40).safeParse('a\nb').success).toBe(false)
  expect(words('Notes').safeParse('one\ntwo\tthree').success).toBe(true)
})

test('names of all scripts and signs are kept', () => {
  for (const good of ['Oak 3', 'Ørsted', '桜 12', 'שקד', 'لوز', '🌳 <b>', 'Café', 'É', '👩‍🌾 row'])
    expect([good, line('Tag', 40).parse(good)]).toEqual([good, good])
})

test('a text for searching never has anything unseen in it', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'binary' }),
      (s) => !hasUnseen(searchable(s)) && searchable(s).length <= 80,
    ),
  )
})

test('a version fits its column', () => {
  expect(version().safeParse(2_147_483_648).success).toBe(false)
  expect(version().safeParse(1.5).success).toBe(false)
  expect(version().safeParse(7).success).toBe(true)
})
