import { METHOD_NAME, isHand } from '../methods/names'
import { CARDS } from '../../../demo/cards'
import { Card } from './card'
import { namesHost } from './namesHost'
import { sayLimits, sayTerms } from './say'

const { card } = CARDS.find((c) => c.card.code === 'SD2')!
const wrong = (change: (card: Record<string, unknown> & { uses: Record<string, unknown>[] }) => void) => {
  const copy = structuredClone(card) as never
  change(copy)
  const read = Card.safeParse(copy)
  return read.success ? null : `${read.error.issues[0]!.path.join('.')}: ${read.error.issues[0]!.message}`
}
const terms = (copy: { uses: Record<string, unknown>[] }) => copy.uses[0]!['terms'] as Record<string, unknown>

test('the examples are cards, of every way there is, and no label of anybody', () => {
  for (const c of CARDS) expect(Card.safeParse(c.card).error?.issues).toBeUndefined()
  expect(new Set(CARDS.flatMap((c) => c.card.uses.map((u) => u.method)))).toEqual(
    new Set(Object.keys(METHOD_NAME)),
  )
  expect(new Set(CARDS.map((c) => c.card.code)).size).toBe(CARDS.length)
  for (const c of CARDS) {
    expect(c.card.example).toBe(true)
    if (c.card.kind === 'label') expect(c.card.registration).toMatch(/^DEMO-/)
  }
})

test('a card written and read again is the same card', () => {
  for (const c of CARDS) expect(Card.parse(JSON.parse(JSON.stringify(c.card)))).toEqual(c.card)
})

test.each<[string, Parameters<typeof wrong>[0], RegExp]>([
  ['another format', (c) => (c['format'] = 'x'), /^format: A card begins with/],
  ['a code in small letters', (c) => (c['code'] = 'sd2'), /^code: /],
  [
    'a label without a number',
    (c) => delete c['registration'],
    /^registration: A label has a registration number/,
  ],
  ['a house card with one', (c) => (c['kind'] = 'house'), /^registration: A house card has no/],
  ['no use', (c) => (c.uses = []), /^uses: A card has at least one use/],
  ['a use of no known way', (c) => (c.uses[0]!['method'] = 'guess'), /^uses\.0\.method/],
  ['a field nobody knows', (c) => (c.uses[0]!['strenght'] = '2 lb/gal'), /^uses\.0/],
  [
    'a length where a volume stands',
    (c) => (terms(c)['rate'] = { low: '1 in', high: '2 in' }),
    /^uses\.0\.terms\.rate\.low: /,
  ],
  [
    'a rate without a unit',
    (c) => (terms(c)['rate'] = { low: '1', high: '2' }),
    /^uses\.0\.terms\.rate\.low: /,
  ],
  ['a rate of nothing', (c) => (terms(c)['rate'] = { low: '0 fl oz', high: '1 fl oz' }), /more than zero/],
  ['a negative rate', (c) => (terms(c)['rate'] = { low: '-1 fl oz', high: '1 fl oz' }), /terms\.rate\.low/],
  [
    'a range upside down',
    (c) => (terms(c)['rate'] = { low: '1 fl oz', high: '20 mL' }),
    /^uses\.0\.terms\.rate\.high: The high one is below/,
  ],
  ['no basis', (c) => delete terms(c)['basis'], /^uses\.0\.terms\.basis: An inch of the rate is/],
  [
    'a limit that is no rate',
    (c) => ((c.uses[0]!['limits'] as Record<string, unknown>)['activePerAreaYear'] = '0.4 lb'),
    /activePerAreaYear/,
  ],
  ['no gear', (c) => (c.uses[0]!['protectiveGear'] = []), /protectiveGear: Name what is worn/],
])('%s is refused by its field', (_, change, why) => {
  expect(wrong(change)).toMatch(why)
})

test('an injection is dosed by a rate or by capsules', () => {
  const injection = structuredClone(CARDS[0]!.card)
  const use = injection.uses[0]! as { terms: Record<string, unknown> }
  use.terms['capsule'] = { volume: '3 mL', maxPerInch: '2 mL' }
  expect(Card.safeParse(injection).error?.issues[0]!.message).toMatch(/either a rate per inch or a capsule/)
})

test('a use for every kind leaves out those it must not touch', () => {
  const oil = CARDS.find((c) => c.card.code === 'HO1')!.card.uses[0]!
  expect(namesHost(oil, 'apple')).toBe(true)
  expect(namesHost(oil, 'spruce')).toBe(false)
  expect(namesHost(CARDS[0]!.card.uses[0]!, 'apple')).toBe(false)
})

test('every use is said in words: the rate with its inch, nothing unsaid', () => {
  for (const { card: c } of CARDS)
    for (const use of c.uses) {
      const said = [...sayTerms(use), ...sayLimits(use)]
      expect(said.length).toBeGreaterThan(isHand(use.method) ? 2 : 6)
      for (const [about, words] of said)
        expect(`${about}: ${words}`).not.toMatch(/undefined|NaN|\[object|: $/)
      // Nothing is said under the same name twice: two lines would be taken for one.
      expect(new Set(sayTerms(use).map(([about]) => about)).size).toBe(sayTerms(use).length)
    }
  const drench = (code: string) =>
    Object.fromEntries(sayTerms(CARDS.find((c) => c.card.code === code)!.card.uses[0]!))['Rate']
  expect(drench('SD2')).toBe('0.1 fl oz to 0.2 fl oz an inch of diameter')
  expect(drench('RP1')).toBe('1 fl oz an inch of girth')
})
