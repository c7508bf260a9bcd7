import { CARDS, useOf } from '../../../demo/cards'
import type { Method } from '../card/card'
import { merit } from './merit'
import type { UseOf } from './plan'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const drench = useOf(card('SD2'), 'soil-drench') as UseOf<Method>
const inject = useOf(card('EB4'), 'trunk-injection') as UseOf<Method>
const none = { girdles: false, ways: [], kinds: ['systemic insecticide'], feeds: false, again: 730 }

test('against a borer that girdles the fast one stands first, otherwise what lasts', () => {
  expect(merit(inject, { ...none, girdles: true }).score).toBeGreaterThan(
    merit(drench, { ...none, girdles: true, again: 365 }).score,
  )
  expect(merit(drench, { ...none, again: 1825 }).score).toBeGreaterThan(merit(inject, none).score)
})

test('it holds as long as it does against this cause, whatever the card says', () => {
  expect(merit(drench, { ...none, again: 365 }).reasons).toContain('holds one year')
  expect(merit(drench, { ...none, again: 1825 }).reasons).toContain('holds 5 years')
  expect(merit(drench, { ...none, again: 548 }).reasons).toContain('holds 1½ years')
  expect(merit(drench, { ...none, again: null }).reasons.join()).not.toMatch(/holds/)
})

test('by how well the almanac says it works, before all house rules; what it does not name comes last', () => {
  const ways = [
    { method: 'trunk-injection', well: 'ends it' },
    { method: 'soil-drench', well: 'a stop-gap', first: 'Water it.' },
  ] as const
  expect(merit(inject, { ...none, ways }).reasons[0]).toBe('ends it')
  expect(merit(drench, { ...none, ways }).reasons.slice(0, 2)).toEqual(['a stop-gap', 'first water it'])
  expect(merit(drench, { ...none, ways: ways.slice(0, 1) }).score).toBeLessThan(
    merit(drench, { ...none, ways }).score,
  )
  // Of two ways by one method the one that the product answers counts.
  const copper = [
    { method: 'soil-drench', well: 'ends it', kinds: ['copper'] },
    { method: 'soil-drench', well: 'a stop-gap', kinds: ['systemic insecticide'] },
  ] as const
  expect(merit(drench, { ...none, ways: copper }).reasons[0]).toBe('a stop-gap')
  // What only feeds takes the place of nothing that works.
  expect(merit(inject, { ...none, ways, feeds: true }).score).toBeLessThan(merit(drench, none).score)
  expect(merit(drench, none).reasons).toContain('counts toward the yearly limit of the ground')
})
