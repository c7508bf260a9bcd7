import { CARDS, useOf } from '../../../demo/cards'
import { proposeRate, rateFor } from './proposeRate'
import { merit } from './merit'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card

test.each([
  [{ crownLost: 20, diameter: 0.3 }, 1, /20 % of the crown/],
  [{ crownLost: 5, diameter: 0.6 }, 1, /wide trunk/],
  [{ crownLost: 5, diameter: 0.3 }, 0, /hardly touched/],
  [{ crownLost: null, diameter: null }, 0, /hardly touched/],
])('%j', (facts, choice, why) => {
  const r = proposeRate(facts as never)
  expect(r.choice).toBe(choice)
  expect(r.why).toMatch(why)
})

test('a feed is given lightly and slowly first, whatever the tree has lost', () => {
  const high = proposeRate({ crownLost: 40, diameter: null })
  expect(rateFor(useOf(card('FS18'), 'feed'), high)).toEqual({
    choice: 0,
    why: 'A weak tree is fed lightly.',
  })
  expect(rateFor(useOf(card('EB4'), 'trunk-injection'), high)).toBe(high)
  const asked = { girdles: false, ways: [], kinds: null, feeds: true, again: null }
  expect(merit(useOf(card('FS18'), 'feed'), asked).score).toBeGreaterThan(
    merit(useOf(card('FQ10'), 'feed'), asked).score,
  )
})
