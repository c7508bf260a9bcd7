import { bloomNotLookedFor, gearOff, notLooked, ofAnotherDay, otherTag } from './beginning'

test('a tag is the tree’s by its words or by its number alone', () => {
  expect(otherTag('ash-16', 'Ash 16')).toBeNull()
  expect(otherTag('16', 'Ash 16')).toBeNull()
  expect(otherTag('Ash 14', 'Ash 16')).toMatchObject({ code: 'conflict', field: 'tag' })
  expect(otherTag('', 'Ash 16')).toMatchObject({ field: 'tag' })
})

test('nothing is begun without the gear, nor by a card that is never used in bloom before somebody has looked', () => {
  expect(gearOff(true)).toBeNull()
  expect(gearOff(false)).toMatchObject({ field: 'gear' })
  expect(bloomNotLookedFor([{}, { neverInBloom: false }], false)).toBeNull()
  expect(bloomNotLookedFor([{}, { neverInBloom: true }], false)).toMatchObject({ field: 'noBloom' })
  expect(bloomNotLookedFor([{ neverInBloom: true }], true)).toBeNull()
})

test('work of another day is asked about until it is known', () => {
  expect(ofAnotherDay('2026-06-12', '2026-06-12', false)).toBeNull()
  expect(ofAnotherDay('2026-06-19', '2026-06-12', false)).toMatchObject({
    field: 'otherDay',
    message: expect.stringMatching(/19 Jun 2026, and today is 12 Jun 2026/) as string,
  })
  expect(ofAnotherDay('2026-06-19', '2026-06-12', true)).toBeNull()
})

test('what only a look answers is asked for, one after the other', () => {
  expect(notLooked([], {})).toBeNull()
  expect(notLooked(['leaf', 'soil'], {})).toMatchObject({ code: 'missing', field: 'seen.leaf' })
  expect(notLooked(['leaf', 'soil'], { leaf: 'out' })).toMatchObject({ field: 'seen.soil' })
  expect(notLooked(['leaf', 'soil'], { leaf: 'out', soil: 'moist' })).toBeNull()
})
