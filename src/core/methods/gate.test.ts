import { BORER, RETURNS } from '../decide/treatable'
import type { EarlierWork } from './facts'
import { CARDS, useOf } from '../../../demo/cards'
import { toSI } from '../quantity/units'
import type { Method } from '../card/card'
import { gate, said, type GateFacts } from './gate'
import { merit } from './merit'
import type { UseOf } from './plan'
import { proposeRate } from './proposeRate'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const drench = useOf(card('SD2'), 'soil-drench') as UseOf<Method>
const inject = useOf(card('EB4'), 'trunk-injection') as UseOf<Method>

const base: GateFacts = {
  use: drench,
  card: card('SD2'),
  on: '2026-06-12',
  cause: 'emerald-ash-borer',
  inAlmanac: false,
  tree: {
    host: 'ash',
    edible: false,
    eaten: null,
    kindOpen: false,
    liveCrown: 85,
    unsafe: [],
    dry: false,
    saturated: false,
  },
  treatable: BORER,
  water: null,
  harvestOn: null,
  window: { is: 'open' },
  earlier: [],
  rules: [],
  today: '2026-06-12',
  units: 'us',
}
const earlier = (more: Partial<EarlierWork>): EarlierWork => ({
  on: '2026-05-01',
  cause: 'emerald-ash-borer',
  code: 'SD2',
  name: 'Example SD2',
  actives: ['imidacloprid'],
  from: 'record 7',
  amount: 1,
  treated: true,
  recorded: true,
  atWorkDays: 1000,
  failed: false,
  sprayed: false,
  feeds: false,
  ...more,
})
const rules = (f: Partial<GateFacts>) => gate({ ...base, ...f }).map((r) => r.rule)
const tree = (t: Partial<GateFacts['tree']>) => ({ tree: { ...base.tree, ...t } })

test('a sound ash by a card that names it is not refused', () => expect(gate(base)).toEqual([]))

test.each<[string, Partial<GateFacts>, string[]]>([
  ['another kind', tree({ host: 'linden' }), ['label']],
  ['another cause', { cause: 'apple-scab' }, ['label']],
  ['a look-alike nobody told apart', tree({ kindOpen: true }), ['kind']],
  ['a soft anchor', tree({ unsafe: ['Anchor root soft'] }), ['safety']],
  ['saturated soil', tree({ saturated: true }), ['soil']],
  ['a dry tree', tree({ dry: true }), ['soil']],
  ['more than half of the crown lost to a girdling borer', tree({ liveCrown: 45 }), ['crown']],
  ['as much of it lost to what lets it come back', { ...tree({ liveCrown: 45 }), treatable: RETURNS }, []],
  ['a kind that feeds bees', tree({ noNeonicotinoid: 'It feeds bees.' }), ['bees']],
  ['food without a label for it', tree({ edible: true }), ['food']],
  ['a spring inside the setback', { water: { distance: toSI(14, 'ft'), what: 'spring' } }, ['water']],
  ['a spring beyond it', { water: { distance: toSI(26, 'ft'), what: 'spring' } }, []],
  ['once a year, and 300 days between', { earlier: [earlier({})] }, ['count', 'interval']],
  ['300 days between, over the turn of the year', { earlier: [earlier({ on: '2025-12-01' })] }, ['interval']],
  ['300 days over', { earlier: [earlier({ on: '2025-06-01' })] }, []],
  ['feed capsules that went in before', { earlier: [earlier({ feeds: true, code: 'FE1' })] }, []],
  [
    'another systemic at work against the same cause',
    { earlier: [earlier({ code: 'EB4', actives: ['x'] })] },
    ['at work'],
  ],
  ['one that got too little', { earlier: [earlier({ code: 'EB4', actives: ['x'], treated: false })] }, []],
  [
    'one that was found not to work',
    { earlier: [earlier({ code: 'EB4', actives: ['x'], failed: true })] },
    [],
  ],
  [
    'one against something else',
    { earlier: [earlier({ code: 'EB4', actives: ['x'], cause: 'aphids' })] },
    [],
  ],
  [
    'all at once',
    { ...tree({ dry: true, kindOpen: true }), water: { distance: 1, what: 'well' } },
    ['kind', 'water', 'soil'],
  ],
])('%s', (_, facts, expected) => expect(rules(facts)).toEqual(expected))

test('what keeps its distance from another active says when it may', () => {
  const use = { ...drench, apart: [{ active: 'sulfur', days: 14 }], limits: undefined } as typeof drench
  const near = gate({
    ...base,
    use,
    earlier: [earlier({ code: 'SU8', actives: ['sulfur'], on: '2026-06-02', atWorkDays: 0 })],
  })
  expect(near.map((r) => [r.rule, r.wayOut])).toEqual([['apart', 'Next from 16 Jun 2026.']])
})

test('an injection by a spring is not the ground’s matter; a class the almanac refuses is', () => {
  const water = { distance: 1, what: 'spring' }
  expect(rules({ use: inject, card: card('EB4'), water })).toEqual([])
  expect(rules({ use: inject, card: card('EB4'), refuses: { injection: 'The tree outgrows it.' } })).toEqual([
    'cause',
  ])
})

test('each refusal names its rule and its way out', () => {
  const all = gate({
    ...base,
    ...tree({ dry: true, saturated: true, liveCrown: 20 }),
    water: { distance: 2, what: 'spring' },
    earlier: [earlier({})],
  })
  for (const r of all) expect(said(r)).toMatch(/^[A-Z\d].*\.$/)
  expect(all.find((r) => r.rule === 'water')!.why).toBe(
    'Spring at 7 ft: the card keeps 25 ft from water and wells.',
  )
})

describe('the order of ways', () => {
  test('against a borer that girdles the fast one stands first, otherwise what lasts', () => {
    const none = { girdles: false, ways: [], feeds: false }
    expect(merit(inject, { ...none, girdles: true }).score).toBeGreaterThan(
      merit(drench, { ...none, girdles: true }).score,
    )
    expect(merit(drench, none).score).toBeGreaterThan(merit(inject, none).score)
    // By how well the almanac says it works, before all house rules; what it does not name comes last.
    const ways = [
      { method: 'trunk-injection', well: 'ends it' },
      { method: 'soil-drench', well: 'a stop-gap', first: 'Water it.' },
    ] as const
    expect(merit(inject, { ...none, ways }).reasons[0]).toBe('ends it')
    expect(merit(drench, { ...none, ways }).reasons.slice(0, 2)).toEqual(['a stop-gap', 'first water it'])
    expect(merit(drench, { ...none, ways: ways.slice(0, 1) }).score).toBeLessThan(
      merit(drench, { ...none, ways }).score,
    )
    // What only feeds takes the place of nothing that works.
    expect(merit(inject, { ...none, ways, feeds: true }).score).toBeLessThan(merit(drench, none).score)
    expect(merit(drench, none).reasons).toContain('counts toward the yearly limit of the ground')
  })
  test('the rate follows what was found', () => {
    expect(proposeRate({ crownLost: 20, diameter: 0.2 })).toMatchObject({
      choice: 1,
      why: expect.stringMatching(/20 %/),
    })
    expect(proposeRate({ crownLost: 5, diameter: 0.6 }).choice).toBe(1)
    expect(proposeRate({ crownLost: 5, diameter: 0.2 }).choice).toBe(0)
    expect(proposeRate({ crownLost: null, diameter: null }).choice).toBe(0)
  })
})
