import { blockedBy, type Standing } from './blocked'

const READY: Standing = {
  handed: null,
  measured: true,
  diagnosed: true,
  decided: 'treat',
  kindOpen: false,
  cards: 1,
}

test('what is left to the client is said, not called the crew’s', () => {
  expect(
    blockedBy({
      handed: { done: false, onDate: null, byClient: true },
      measured: true,
      diagnosed: true,
      decided: 'care',
      kindOpen: false,
      cards: 1,
    })!.text,
  ).toMatch(/the client’s to do/)
})

test('nothing is in the way of a tree that is measured, diagnosed, decided and told apart', () => {
  expect(blockedBy(READY)).toBeNull()
  // Sprays and feeds are part of caring for a tree.
  expect(blockedBy({ ...READY, decided: 'care' })).toBeNull()
})
test.each([
  [{ handed: { done: true, onDate: '2026-06-12' } }, 'work', /done and recorded/],
  [{ handed: { done: false, onDate: '2026-06-12' } }, 'work', /with the crew for 12 Jun 2026/],
  [{ handed: { done: false, onDate: null } }, 'work', /a day to come/],
  [{ measured: false }, 'measure', /not been measured/],
  [{ diagnosed: false }, 'examine', /No cause/],
  [{ decided: null }, 'decide', /Nothing has been decided/],
  [{ decided: 'watch' }, 'decided otherwise', /Nothing is prescribed on this decision/],
  [{ kindOpen: true }, 'kind', /look-alikes/],
  [{ cards: 0 }, 'shelf', /No card on the shelf/],
] as [Partial<Standing>, string, RegExp][])('%j stops it at %s', (change, at, text) => {
  expect(blockedBy({ ...READY, ...change })).toEqual({ at, text: expect.stringMatching(text) })
})
test('what comes first is said first', () => {
  const nothing = { handed: null, measured: false, diagnosed: false, decided: null, kindOpen: true, cards: 0 }
  expect(blockedBy(nothing)?.at).toBe('measure')
  expect(blockedBy({ ...nothing, measured: true })?.at).toBe('examine')
  expect(blockedBy({ ...nothing, measured: true, diagnosed: true })?.at).toBe('decide')
})
