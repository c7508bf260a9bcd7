import fc from 'fast-check'
import { hasUnseen } from '@/core/text/unseen'
import { z } from 'zod'
import { number, orNothing } from './field'
import { latitude } from './house'
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

test('what may be left empty says of anything else what the field says', () => {
  const said = (schema: z.ZodType, value: unknown) =>
    schema.safeParse(value).error?.issues.map((i) => i.message) ?? []
  const empties = orNothing(number('Empties', { least: 0, most: 5000 }))
  expect(said(empties, 'two')).toEqual(['Empties: type a number from 0 to 5,000.'])
  expect(said(empties, '')).toEqual([])
  expect(said(orNothing(line('Name', 3)), 'a long one')).toEqual([
    'Name is longer than 3 characters; shorten it.',
  ])
  expect(said(orNothing(latitude()), 'north')).toEqual([
    'Latitude: type degrees such as 42.31, from −90 to 90.',
  ])
  expect(z.strictObject({ a: empties }).parse({})).toEqual({ a: null })
})
