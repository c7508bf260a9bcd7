import { toSI } from '../quantity/units'
import { LocalRule, type StandingRule } from './localRule'
import { refusedByRules, refusedToAmateur, toNotify, toReport, type RuleFacts } from './refused'

const standing = (rule: unknown): StandingRule => ({
  id: 'r',
  name: 'Ferry bylaw 4',
  text: 'As it is worded there.',
  source: 'town bylaws, sheet 4',
  rule: LocalRule.parse(rule),
})
const facts: RuleFacts = {
  method: 'prune',
  actives: [],
  host: 'oak-red-group',
  on: '2026-06-12',
  today: '2026-06-12',
  onGround: false,
  water: null,
  units: 'us',
}
const ways = (rule: unknown, f: Partial<RuleFacts> = {}) =>
  refusedByRules([standing(rule)], { ...facts, ...f }).map((r) => r.wayOut)
const imidacloprid = [{ name: 'imidacloprid', group: '4A' }]

describe('a closed season', () => {
  const closed = {
    kind: 'closed-season',
    methods: ['prune', 'save'],
    hosts: ['oak-red-group', 'oak-white-group'],
    from: '04-01',
    to: '07-31',
  }

  it('names the rule, its source and the first open day', () => {
    const [found] = refusedByRules([standing(closed)], facts)
    expect(found!.why).toBe('Closed here at this time of year. (Ferry bylaw 4; town bylaws, sheet 4)')
    expect(found!.wayOut).toBe('Again from 1 Aug 2026.')
  })

  test.each<[Partial<RuleFacts>]>([[{ on: '2026-08-01' }], [{ method: 'water' }], [{ host: 'ash' }]])(
    'stands against nothing else: %o',
    (other) => expect(ways(closed, other)).toEqual([]),
  )
})

describe('a restricted active', () => {
  it('is closed all year, by its name in any case of letters', () => {
    const rule = { kind: 'restricted', actives: ['Imidacloprid'], hosts: 'any' }
    expect(ways(rule, { method: 'soil-drench', actives: imidacloprid })).toEqual([
      'Choose a card without it.',
    ])
    expect(ways(rule, { method: 'soil-drench', actives: [{ name: 'dinotefuran', group: '4A' }] })).toEqual([])
  })

  it('or for a part of the year that may pass its end', () => {
    const rule = { kind: 'restricted', actives: ['imidacloprid'], hosts: 'any', from: '11-01', to: '03-15' }
    expect(ways(rule, { actives: imidacloprid, on: '2026-12-24' })).toEqual(['Again from 16 Mar 2027.'])
    expect(ways(rule, { actives: imidacloprid, on: '2026-10-31' })).toEqual([])
  })

  it('needs both days or neither', () => {
    const read = LocalRule.safeParse({ kind: 'restricted', actives: ['x'], hosts: 'any', from: '11-01' })
    expect(read.error!.issues[0]).toMatchObject({ path: ['to'] })
  })
})

it('keeps a group off what flowers, and only then', () => {
  const rule = { kind: 'bloom', groups: ['4A'], hosts: ['linden'], from: '05-20', to: '07-10' }
  expect(ways(rule, { actives: imidacloprid, host: 'linden' })).toEqual(['Again from 11 Jul 2026.'])
  expect(ways(rule, { actives: imidacloprid, host: 'ash' })).toEqual([])
  expect(ways(rule, { actives: [{ name: 'oil', group: 'NC' }], host: 'linden' })).toEqual([])
})

describe('a distance to water', () => {
  const rule = { kind: 'setback', distance: '100 ft', methods: ['soil-drench'] }
  const at = (feet: number) => ({
    method: 'soil-drench' as const,
    onGround: true,
    water: { distance: toSI(feet, 'ft'), what: 'spring' },
  })
  it('is kept, to the foot', () => {
    expect(ways(rule, at(99))).toHaveLength(1)
    expect(ways(rule, at(100))).toEqual([])
    expect(ways(rule, { ...at(5), onGround: false })).toEqual([])
    expect(ways(rule, { ...at(5), water: null })).toEqual([])
  })
})

describe('notice before work', () => {
  const rule = { kind: 'notice', days: 3, whom: 'the neighbours', methods: ['crown-spray'] }
  it('sets the earliest day', () => {
    expect(ways(rule, { method: 'crown-spray', on: '2026-06-14' })).toEqual([
      'The earliest day is 15 Jun 2026.',
    ])
    expect(ways(rule, { method: 'crown-spray', on: '2026-06-15' })).toEqual([])
  })
  it('is not asked again of work that was signed before', () => {
    expect(ways(rule, { method: 'crown-spray', on: '2026-06-12', today: null })).toEqual([])
  })
  it('says who is told by when', () => {
    expect(toNotify([standing(rule)], 'crown-spray', '2026-06-20')).toMatchObject([
      { whom: 'the neighbours', by: '2026-06-17' },
    ])
    expect(toNotify([standing(rule)], 'prune', '2026-06-20')).toEqual([])
  })
})

it('leaves to the client what no rule takes from amateurs', () => {
  const rule = standing({ kind: 'amateur', methods: ['hands'] })
  expect(refusedToAmateur([rule], 'hands')).toBe(rule)
  expect(refusedToAmateur([rule], 'water')).toBeUndefined()
  expect(refusedByRules([rule], { ...facts, method: 'hands' })).toEqual([])
})

it('says what must be reported to whom', () => {
  const rule = standing({ kind: 'report', causes: ['dutch-elm-disease'], whom: 'the street office', days: 2 })
  expect(toReport([rule], 'dutch-elm-disease')).toMatchObject([{ whom: 'the street office', days: 2 }])
  expect(toReport([rule], 'drought-stress')).toEqual([])
})

test.each([
  [{ kind: 'closed-season', methods: [], hosts: 'any', from: '04-01', to: '07-31' }, 'methods'],
  [{ kind: 'closed-season', methods: ['prune'], hosts: 'any', from: '02-30', to: '07-31' }, 'from'],
  [{ kind: 'closed-season', methods: ['sing'], hosts: 'any', from: '04-01', to: '07-31' }, 'methods'],
  [{ kind: 'setback', distance: '30', methods: ['feed'] }, 'distance'],
  [{ kind: 'setback', distance: '-30 ft', methods: ['feed'] }, 'distance'],
  [{ kind: 'notice', days: 0, whom: 'them', methods: ['feed'] }, 'days'],
  [{ kind: 'report', causes: [], whom: 'them', days: 2 }, 'causes'],
  [{ kind: 'bloom', groups: [''], hosts: 'any', from: '04-01', to: '07-31' }, 'groups'],
  [{ kind: 'curfew' }, 'kind'],
])('a rule is held to be written right: %o', (raw, field) => {
  expect(LocalRule.safeParse(raw).error?.issues[0]?.path[0]).toBe(field)
})
