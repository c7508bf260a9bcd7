import { ANEW, anewOf, type Rests } from './anew'

const stands: Rests = {
  planned: { readingId: 'a', diameter: 0.42 as never },
  newest: { id: 'a', diameter: 0.42 as never },
  namesHost: true,
  cardReplaced: false,
  closedByRule: false,
  overLimit: false,
}

test.each<[Partial<Rests>, ReturnType<typeof anewOf>]>([
  [{}, null],
  [{ newest: null }, null],
  // Measured again to the same, within what a tape tells.
  [{ newest: { id: 'b', diameter: 0.423 as never } }, null],
  [{ newest: { id: 'b', diameter: 0.43 as never } }, 'size'],
  [{ newest: { id: 'b', diameter: 0.41 as never } }, 'size'],
  [{ cardReplaced: true }, 'card'],
  [{ closedByRule: true }, 'rule'],
  [{ closedByRule: true, cardReplaced: true }, 'card'],
  [{ closedByRule: true, newest: { id: 'b', diameter: 0.43 as never } }, 'rule'],
  [{ overLimit: true }, 'limit'],
  [{ overLimit: true, closedByRule: true }, 'rule'],
  [{ overLimit: true, newest: { id: 'b', diameter: 0.43 as never } }, 'limit'],
  [{ namesHost: false, cardReplaced: true, newest: { id: 'b', diameter: 1 as never } }, 'kind'],
])('%j is %s', (part, why) => {
  expect(anewOf({ ...stands, ...part })).toBe(why)
})

test('each says what is to be done', () => {
  for (const said of Object.values(ANEW)) expect(said).toMatch(/anew|again|until it fits/)
})
