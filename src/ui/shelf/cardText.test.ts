import { Card } from '@/core/card/card'
import { CARDS } from '../../../demo/cards'
import { blankCard, blankUse, cardNames, cardOf, leftOut, typedOf } from './cardText'

test.each(CARDS.map((c) => [c.card.code, c.card] as const))(
  '%s stands on the form and is sent as it was',
  (_, card) => {
    const sent = cardOf(typedOf(card))
    expect(Card.safeParse(sent).error?.issues).toBeUndefined()
    // Two things are said by saying nothing.
    const plain = JSON.parse(JSON.stringify(card)) as Card
    for (const use of plain.uses) if (use.neverInBloom === false) delete use.neverInBloom
    // What work by hand leaves unsaid is filled in by the format.
    expect(Card.parse(sent)).toEqual(plain)
  },
)

test('trees and causes are written by name, and read by name or id', () => {
  const typed = {
    ...typedOf(CARDS.find((c) => c.card.code === 'SD2')!.card),
    'uses[0].hosts': 'Hemlock; ash ; elm',
  }
  expect(typedOf(cardOf(typed))['uses[0].targets']).toMatch(/^Hemlock woolly adelgid/)
  expect(cardOf(typed).uses[0]!.hosts).toEqual(['hemlock', 'ash', 'elm'])
  expect(cardOf({ ...typed, 'uses[0].hosts': 'any' }).uses[0]!.hosts).toBe('any')
  // What nobody knows goes on as it was written, so that it is spoken about.
  expect(cardOf({ ...typed, 'uses[0].hosts': 'money tree' }).uses[0]!.hosts).toEqual(['money tree'])
})

test('a blank form is told its first empty line, whatever the method', () => {
  expect(Card.safeParse(cardOf(blankCard())).success).toBe(false)
  for (const method of ['trunk-injection', 'feed', 'crown-spray'] as const)
    expect(Card.safeParse(cardOf({ ...blankCard(), ...blankUse(0, method) })).success).toBe(false)
})

test('a file of nonsense makes a form that can be looked at', () => {
  for (const nonsense of [null, 7, [], {}, { actives: {}, uses: 'x' }, { uses: [{ method: 'guess' }, null] }])
    expect(() => cardOf(typedOf(nonsense))).not.toThrow()
})

test('what a file says beyond the form is told by its path', () => {
  const { card } = CARDS.find((c) => c.card.code === 'HO1')!
  expect(leftOut(card, cardOf(typedOf(card)))).toEqual([])
  const more = structuredClone(card) as unknown as { uses: Record<string, unknown>[] } & Record<
    string,
    unknown
  >
  more['colour'] = 'green'
  more.uses[0]!['terms'] = { ...(more.uses[0]!['terms'] as object), foam: { often: 'never' } }
  expect(leftOut(more, cardOf(typedOf(more)))).toEqual(['uses[0].terms.foam.often', 'colour'])
  expect(leftOut(7, cardOf(typedOf(7)))).toEqual(['the file'])
})

test('a card may name trees and causes of the firm’s own, by their names, and says them again', () => {
  const named = cardNames([
    { kind: 'host', id: 'own-quay-palm', name: 'Quay palm', botanical: 'Palma portus', edible: false },
    {
      kind: 'cause',
      id: 'own-palm-blight',
      name: 'Palm blight',
      hosts: ['own-quay-palm'],
      findings: {},
      oneLine: '',
      act: '',
      doNot: '',
    },
  ])
  const typed = { ...blankCard(), 'uses[0].hosts': 'quay palm; Ash', 'uses[0].targets': 'Palm blight' }
  const card = cardOf(typed, named)
  expect(card.uses[0]).toMatchObject({ hosts: ['own-quay-palm', 'ash'], targets: ['own-palm-blight'] })
  expect(typedOf(card, named)['uses[0].hosts']).toBe('Quay palm; Ash')
  expect(cardOf(typed).uses[0]).toMatchObject({ hosts: ['quay palm', 'ash'] })
})
