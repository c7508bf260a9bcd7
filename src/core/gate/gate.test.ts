import { causeFacts, hostFacts } from '@/almanac/gateFacts'
import { activeKey } from '../actives/actives'
import { BORER, RETURNS } from '../decide/treatable'
import type { Way } from '../decide/way'
import { actsOn, feedsOnly, usedActives, type Use } from '../history/use'
import { used } from '../history/use.testing'
import { toSI } from '../quantity/units'
import { almanacWindow, bloomByCalendar, bloomFrom, bloomOver, leafByCalendar, leafChanges } from './calendar'
import { GATE, gate, said } from './gate'
import { isBorne } from './kind'
import { comesFirst, waitsFor } from './order'
import { saidOfSeen, saySeen, seenBefore } from './looks'
import { RULES, type CardFacts, type ProductFacts, type Question } from './question'

const product = (code: string, ...actives: string[]): ProductFacts => {
  const named = usedActives(actives.map((name) => ({ name })))
  return { code, name: `Example ${code}`, actives: named, kind: actsOn(named), feeds: feedsOnly(named) }
}
const card = (more: Partial<CardFacts> = {}): CardFacts => ({
  namesHost: true,
  namesCause: true,
  forbiddenOnFood: true,
  ...more,
})

const base: Question = {
  on: '2026-06-12',
  today: '2026-06-12',
  units: 'us',
  south: false,
  host: hostFacts('ash'),
  cause: causeFacts('emerald-ash-borer', 'ash'),
  method: 'soil-drench',
  product: product('SD2', 'imidacloprid'),
  card: card({ timesPerYear: 1, waterSetback: toSI(25, 'ft') }),
  keeps: { leastDays: 300 },
  facts: { leaf: 'out', soil: 'moist', crownLost: 15, water: null, unsafe: [] },
  history: [],
  again: 365,
  onGround: true,
  rules: [],
  inWindow: (window) => almanacWindow(window, '2026-06-12', false, []),
  own: [],
}
const inject: Partial<Question> = {
  method: 'trunk-injection',
  product: product('EB4', 'emamectin benzoate'),
  onGround: false,
  again: 730,
  keeps: {},
}
const closedBy = (q: Partial<Question>) => gate({ ...base, ...q }).closed.map((r) => r.rule)
const facts = (f: Partial<Question['facts']>) => ({ facts: { ...base.facts, ...f } })
const before = (on: string, more = {}) => ({ history: [used('SD2', ['imidacloprid'], on, more)] })

test('a sound ash by a card that names it is open, and what nobody said is asked', () => {
  expect(gate(base)).toEqual({
    closed: [],
    asks: [{ field: 'beneath', message: expect.stringMatching(/flowers/) as string }],
    again: 365,
  })
  const asks = gate({ ...base, facts: {} }).asks.map((a) => a.field)
  expect(asks).toEqual(['beneath', 'water', 'soil', 'crownLost'])
})

test.each<[string, Partial<Question>, string[]]>([
  ['another kind', { card: card({ namesHost: false }) }, ['label']],
  ['a line of the card before it fits', { card: card({ lineBefore: 1 }) }, ['label']],
  ['another cause', { card: card({ namesCause: false }) }, ['label']],
  ['a look-alike nobody told apart', facts({ kindOpen: true }), ['kind']],
  ['a soft anchor', facts({ unsafe: ['Anchor root soft'] }), ['safety']],
  ['saturated soil', facts({ soil: 'saturated' }), ['soil']],
  ['frozen soil', facts({ soil: 'frozen' }), ['soil']],
  ['snow', facts({ snow: true }), ['soil']],
  ['a dry tree', facts({ soil: 'dry' }), ['soil']],
  ['an injection in a drought', { ...inject, ...facts({ drought: true }) }, ['soil']],
  ['a drench in a drought, watered', facts({ drought: true }), []],
  ['more than half of the crown lost to a girdling borer', facts({ crownLost: 55 }), ['crown']],
  [
    'as much lost to what lets it come back',
    { ...facts({ crownLost: 55 }), cause: { ...base.cause, treatable: RETURNS } },
    [],
  ],
  [
    'as much lost, by the same judge',
    { ...facts({ crownLost: 55 }), cause: { ...base.cause, treatable: BORER } },
    ['crown'],
  ],
  ['food without a label for it', { host: { ...base.host, edible: true } }, ['food']],
  ['a spring inside the setback', facts({ water: { distance: toSI(24, 'ft'), what: 'spring' } }), ['water']],
  ['a spring on the setback', facts({ water: { distance: toSI(25, 'ft'), what: 'spring' } }), []],
  ['an injection beside a spring', { ...inject, ...facts({ water: { distance: 1, what: 'spring' } }) }, []],
  ['once a year, and 300 days between', before('2026-05-01'), ['count', 'interval']],
  ['300 days between, over the turn of the year', before('2025-12-01'), ['interval']],
  ['300 days over', before('2025-06-01'), []],
  [
    'the same active of another card',
    { history: [used('IM2', ['Imidacloprid '], '2025-12-01')] },
    ['interval'],
  ],
  ['another active of another card', { history: [used('EB4', ['emamectin benzoate'], '2025-12-01')] }, []],
  ['a later use of it', before('2027-02-01'), ['interval']],
  ['a later use far enough', before('2027-06-01'), []],
  [
    'another systemic at work against the same cause',
    { history: [used('EB4', ['emamectin benzoate'], '2025-12-01', { lastsDays: 730 })] },
    ['interval'],
  ],
  [
    'one that works for a year only',
    { history: [used('DS3', ['dinotefuran'], '2025-06-01', { lastsDays: 365 })] },
    [],
  ],
  [
    'one that is to go on while this works',
    { history: [used('EB4', ['emamectin benzoate'], '2026-09-01', { lastsDays: 730 })] },
    ['interval'],
  ],
  [
    'one that got too little',
    { history: [used('EB4', ['emamectin benzoate'], '2025-12-01', { lastsDays: 730, treated: false })] },
    [],
  ],
  [
    'one that was found not to work',
    { history: [used('EB4', ['emamectin benzoate'], '2025-12-01', { lastsDays: 730, failed: true })] },
    [],
  ],
  [
    'one against something else',
    { history: [used('EB4', ['emamectin benzoate'], '2025-12-01', { lastsDays: 730, cause: 'aphids' })] },
    [],
  ],
  [
    'feed capsules that went in before',
    { history: [used('FE1', ['iron'], '2026-05-01', { feeds: true, lastsDays: 365 })] },
    [],
  ],
  [
    'all at once',
    { ...facts({ soil: 'dry', kindOpen: true, water: { distance: 1, what: 'well' } }) },
    ['kind', 'water', 'soil'],
  ],
  [
    'what it does not do by this way',
    { method: 'crown-spray', onGround: false },
    ['cause', 'cause', 'cause'],
  ],
  ['an active that armoured scales do not feel', { cause: causeFacts('armored-scale', 'ash') }, ['cause']],
  [
    'one that they do',
    { cause: causeFacts('armored-scale', 'ash'), product: product('PS3', 'dinotefuran') },
    [],
  ],
])('%s', (_, q, expected) => expect(closedBy(q)).toEqual(expected))

const ofGroup = (group: string): ProductFacts => ({
  ...product('XX1', 'imidacloprid'),
  actives: [{ name: 'some active', key: 'some active', group }],
})

test.each(['1B', '4A', '4C', '4D', '6'])(
  'group %s taken up before bloom reaches the nectar of a kind that bees visit',
  (group) => {
    const maple: Partial<Question> = {
      host: hostFacts('maple'),
      cause: causeFacts('lecanium-scale', 'maple'),
      product: ofGroup(group),
    }
    expect(closedBy({ ...maple, ...facts({ bloom: 'before', eaten: false }) })).toContain('bees')
    expect(closedBy({ ...maple, ...facts({ bloom: 'open', eaten: false }) })).toContain('bees')
    expect(closedBy({ ...maple, ...facts({ bloom: 'over', eaten: false }) })).not.toContain('bees')
  },
)

test.each(['1A', '1B', '3A', '4A', '4C', '4D', '5', '6', '13', '15'])(
  'group %s is not sprayed onto open bloom, and may be once it is over',
  (group) => {
    const spray: Partial<Question> = {
      method: 'crown-spray',
      product: ofGroup(group),
      host: hostFacts('crabapple'),
      cause: causeFacts('aphids', 'crabapple'),
    }
    expect(closedBy({ ...spray, ...facts({ bloom: 'open', eaten: false }) })).toContain('bees')
    expect(closedBy({ ...spray, ...facts({ bloom: 'over', eaten: false }) })).not.toContain('bees')
    expect(gate({ ...base, ...spray, ...facts({ eaten: false }) }).asks.map((a) => a.field)).toContain(
      'bloom',
    )
  },
)

test('what a card keeps off food goes on nothing that is eaten of, spray or not', () => {
  const spray = (forbiddenOnFood: boolean, eaten: boolean) =>
    closedBy({
      method: 'crown-spray',
      product: product('CP4', 'captan'),
      host: hostFacts('crabapple'),
      cause: causeFacts('apple-scab', 'crabapple'),
      card: card({ forbiddenOnFood, foodCrops: [{ host: 'crabapple', harvestDays: 0 }] }),
      keeps: {},
      again: 7,
      ...facts({ bloom: 'over', eaten }),
    })
  expect(spray(true, true)).toContain('food')
  expect(spray(true, false)).not.toContain('food')
  expect(spray(false, true)).not.toContain('food')
})

test('a class that a cause refuses through the soil is refused in its own words, by both ways into it', () => {
  for (const method of ['soil-drench', 'soil-injection'] as const) {
    const why = gate({ ...base, method, cause: causeFacts('spider-mites', 'ash') }).closed.map((r) => r.why)
    expect(why.join(' ')).toMatch(/neonicotinoid in the soil leaves more mites/)
  }
})

test('a feed beside is not held to the crown, a systemic is', () => {
  const gone = facts({ crownLost: 80 })
  expect(closedBy({ ...inject, ...gone })).toContain('crown')
  expect(closedBy({ ...inject, ...gone, product: { ...product('FE1', 'iron'), feeds: true } })).not.toContain(
    'crown',
  )
})

test('a pine is kept from cuts in the beetles’ flight for the wilt alone', () => {
  const cut = (cause: string) =>
    closedBy({
      method: 'prune',
      product: null,
      card: null,
      host: hostFacts('pine'),
      cause: causeFacts(cause, 'pine'),
      onGround: false,
      ...facts({ bark: 'dry' }),
    })
  expect(cut('pine-wilt')).toContain('season')
  expect(cut('diplodia-tip-blight')).not.toContain('season')
})

test('advice that a kind does not bear is left out, and a card that leaves a kind out says so', () => {
  const oil = { kinds: ['horticultural oil'] }
  expect(isBorne(oil, hostFacts('walnut'))).toBe(false)
  expect(isBorne(oil, hostFacts('maple'))).toBe(true)
  expect(isBorne({ kinds: ['horticultural oil', 'soap'] }, hostFacts('walnut'))).toBe(true)
  expect(isBorne({}, hostFacts('walnut'))).toBe(true)
  const refusal = (more: Partial<CardFacts>) =>
    gate({ ...base, card: card({ namesHost: false, ...more }) }).closed[0]!.why
  expect(refusal({ leavesOut: true })).toMatch(/leaves this kind of tree out/)
  expect(refusal({})).toMatch(/does not name this kind/)
})

test('a kind within a kind has words of its own, and else those of its wider kind', () => {
  const oil = (host: string) =>
    gate({
      ...base,
      method: 'crown-spray',
      product: product('HO4', 'horticultural oil'),
      host: hostFacts(host),
      cause: causeFacts('lecanium-scale', host),
      keeps: {},
    })
  expect(oil('maple').asks.map((a) => a.field)).toContain('sort')
  expect(oil('maple.red').closed.map((r) => r.rule)).toContain('kind')
  const norway = oil('maple.norway')
  expect(norway.closed.map((r) => r.rule)).not.toContain('kind')
  expect(norway.asks.map((a) => a.field)).not.toContain('sort')
  expect(oil('spruce.blue').asks.map((a) => a.message)).toContainEqual(expect.stringMatching(/blue/))
  // Bees find the flowers of every maple.
  expect(hostFacts('maple.red').bloom).toEqual(hostFacts('maple').bloom)
  expect(hostFacts('maple.norway').askFood).toBeUndefined()
  expect(causeFacts('bronze-birch-borer', 'birch').onKind).toBe(true)
  expect(causeFacts('bronze-birch-borer', 'birch.river').onKind).toBe(false)
})

test('what is full for the year opens with the next', () => {
  expect(
    gate({ ...base, keeps: {}, ...before('2026-02-01') }).closed.find((r) => r.rule === 'count')?.until,
  ).toBe('2027-01-01')
})

test('what keeps its distance from another active says when it may, by whichever card', () => {
  const spray: Partial<Question> = {
    method: 'crown-spray',
    product: product('CP4', 'captan'),
    cause: causeFacts('apple-scab', 'crabapple'),
    host: hostFacts('crabapple'),
    card: card({ forbiddenOnFood: false }),
    ...facts({ eaten: false, bloom: 'over' }),
    keeps: {},
    again: 7,
  }
  const near = (q: Partial<Question>) =>
    gate({ ...base, ...spray, ...q }).closed.map((r) => [r.rule, r.until, r.wayOut])
  const oil = used('HO1', ['Oil'], '2026-06-02', { method: 'crown-spray' })
  // Oil and captan keep apart whatever the cards say; a card that asks for more is held.
  expect(near({ history: [oil] })).toEqual([['apart', '2026-06-16', 'Next from 16 Jun 2026.']])
  expect(near({ history: [{ ...oil, keeps: { apart: [{ active: 'captan', days: 30 }] } }] })[0]![1]).toBe(
    '2026-07-02',
  )
  expect(near({ history: [{ ...oil, on: '2026-06-25' }] })[0]![0]).toBe('apart')
  expect(near({ history: [{ ...oil, on: '2026-06-26' }] })).toEqual([])
})

test('helpers and sprays keep apart whichever comes first', () => {
  const free = used('HP1', [], '2026-06-10', { method: 'release', keeps: { sprayDays: 14 } })
  const spray: Partial<Question> = {
    method: 'crown-spray',
    product: product('HO1', 'horticultural oil'),
    cause: causeFacts('spider-mites', 'ash'),
    onGround: false,
    keeps: {},
    history: [free],
  }
  expect(gate({ ...base, ...spray }).closed[0]).toMatchObject({ rule: 'apart', until: '2026-06-24' })
  const release: Partial<Question> = {
    method: 'release',
    product: null,
    card: null,
    cause: causeFacts('spider-mites', 'ash'),
    keeps: { sprayDays: 14 },
  }
  const oil = used('HO1', ['oil'], '2026-06-20', { method: 'crown-spray', sprayed: true })
  expect(gate({ ...base, ...release, history: [oil] }).closed[0]).toMatchObject({
    rule: 'apart',
    until: '2026-07-04',
  })
  expect(gate({ ...base, ...release, history: [{ ...oil, sprayed: false }] }).closed).toEqual([])
})

test('each refusal names its rule and its way out, and every rule has words', () => {
  const all = gate({
    ...base,
    ...facts({ soil: 'dry', crownLost: 80, water: { distance: 2, what: 'spring' } }),
    ...before('2026-05-01'),
  }).closed
  expect(all).toHaveLength(5)
  const wet = gate({
    ...base,
    ...facts({ soil: 'saturated', crownLost: 80, water: { distance: 2, what: 'spring' } }),
    ...before('2026-05-01'),
  }).closed
  for (const r of [...all, ...wet]) expect(said(r)).toMatch(/^[A-Z\d].*\.$/)
  for (const rule of GATE) expect(rule.words).toMatch(/^[A-Z].*\.$/)
  expect(GATE.map((r) => r.name)).toEqual(RULES)
})

test('south of the equator the almanac lies half a year off', () => {
  expect(almanacWindow('1 Nov to 15 Mar', '2026-06-12', true, []).is).toBe('open')
  expect(almanacWindow('1 Nov to 15 Mar', '2026-12-12', true, [])).toMatchObject({ is: 'closed' })
  expect(leafByCalendar('deciduous', '2026-07-01', true)).toBe('none')
  expect(leafByCalendar('deciduous', '2026-07-01', false)).toBe('out')
  expect(leafByCalendar('deciduous', '2026-04-15', false)).toBeUndefined()
  expect(leafByCalendar('conifer', '2026-01-15', false)).toBeUndefined()
  expect(leafChanges('deciduous', '2026-06-12', false)).toBe('2026-09-16')
  expect(leafChanges('deciduous', '2027-01-15', false)).toBe('2027-03-16')
  expect(leafChanges('deciduous', '2026-04-15', false)).toBeNull()
  expect(leafChanges('conifer', '2026-06-12', false)).toBeNull()
  const apple = hostFacts('apple').bloom
  const pear = hostFacts('pear').bloom!
  expect(bloomFrom(pear, '2026-06-12', false)).toBe('2027-03-10')
  expect(bloomFrom(pear, '2026-02-01', false)).toBe('2026-03-10')
  expect([
    bloomByCalendar(apple, '2026-03-01', false),
    bloomByCalendar(apple, '2026-04-30', false),
    bloomByCalendar(apple, '2026-07-01', false),
    bloomByCalendar(undefined, '2026-07-01', false),
  ]).toEqual(['before', undefined, 'over', undefined])
  // On its first and on its last day they may be open.
  expect(
    ['2026-03-24', '2026-03-25', '2026-06-05', '2026-06-06'].map((on) => bloomByCalendar(apple, on, false)),
  ).toEqual(['before', undefined, undefined, 'over'])
  expect(bloomOver(apple!, '2026-03-01', false)).toBe('2026-06-06')
  expect(bloomOver(apple!, '2026-09-01', false)).toBe('2027-06-06')
})

test('an active goes by one key, however it is written', () => {
  for (const [one, other] of [
    ['Imidacloprid ', 'imidacloprid'],
    ['Copper hydroxide', 'copper  octanoate'],
    ['Sulphur', 'sulfur'],
    ['potassium salts of fatty acids', 'Insecticidal soap'],
    ['Phosphonic acid', 'mono- and di-potassium salts of phosphorous acid'],
    ['Oxytetracycline hydrochloride', 'oxytetracycline'],
    ['thiophanate methyl', 'Thiophanate-methyl'],
    ['quayside acid (a stranger)', 'Quayside acid'],
    ['strangeron sodium', 'Strangeron'],
  ] as const)
    expect([one, activeKey(one)]).toEqual([one, activeKey(other)])
  expect(activeKey('lime sulfur')).not.toBe(activeKey('sulfur'))
  expect(activeKey('sodium')).toBe('sodium')
})

test('what answers something that was found is work whatever the cause', () => {
  const trenches: Partial<Question> = {
    method: 'trenches',
    product: null,
    card: card(),
    cause: causeFacts('emerald-ash-borer', 'ash'),
    onGround: false,
    keeps: {},
  }
  expect(closedBy(trenches)).toContain('cause')
  expect(closedBy({ ...trenches, ...facts({ there: ['soil-hard'] }) })).not.toContain('cause')
  // A finding that another method answers opens nothing.
  expect(closedBy({ ...trenches, ...facts({ there: ['flare-hidden'] }) })).toContain('cause')
})

test('what was seen is said in words, in one order, and what was not seen is left out', () => {
  expect(saidOfSeen({ larvae: 'small', leaf: 'none' })).toEqual([
    { label: 'Leaves', value: 'none' },
    { label: 'Larvae', value: 'small, first to third stage' },
  ])
  expect(saidOfSeen({})).toEqual([])
})

const felling = (more: Partial<Question>): Question => ({
  ...base,
  host: hostFacts('elm'),
  cause: causeFacts('dutch-elm-disease', 'elm'),
  method: 'fell',
  product: null,
  card: card({}),
  keeps: {},
  again: null,
  onGround: false,
  facts: { ...base.facts, joined: true },
  ...more,
})
const work = (method: Question['method'], on: string, more: Partial<Use> = {}): Use => ({
  ...used('', [], on, { cause: 'dutch-elm-disease', ...more }),
  method,
  name: method,
})

test('the line is cut before the axe, and the axe comes before the wood', () => {
  const why = (q: Partial<Question>) => gate(felling(q)).closed.filter((r) => r.rule === 'order')
  expect(why({})).toMatchObject([
    { why: expect.stringMatching(/Root-graft barrier comes first/), until: null },
  ])
  expect(why({ history: [work('barrier', '2026-06-12')] })).toEqual([])
  // One that is planned for later opens it then.
  const later = work('barrier', '2026-06-20', { state: 'on a day' })
  expect(why({ history: [later] })).toMatchObject([{ until: '2026-06-20', field: 'onDate' }])
  expect(why({ on: '2026-06-20', history: [later] })).toEqual([])
  // While it is begun what is only planned is not done.
  expect(why({ on: '2026-06-20', history: [later], begins: true })).toMatchObject([
    { why: expect.stringMatching(/not recorded yet/), until: null },
  ])
  // A line that did not reach its depth, or was not done, is none.
  expect(why({ history: [work('barrier', '2026-06-01', { treated: false })] })).toHaveLength(1)
  // No tree of its kind near: nothing is joined, and where nobody knows it is asked.
  expect(why({ facts: { ...base.facts, joined: false } })).toEqual([])
  expect(gate(felling({ facts: base.facts })).asks.map((a) => a.field)).toContain('joined')
  expect(gate(felling({ facts: base.facts, history: [work('barrier', '2026-06-01')] })).asks).toEqual([])
  // Wood waits for the axe whatever stands near.
  const wood = { method: 'wood' as const, facts: { ...base.facts, joined: false } }
  expect(why(wood)).toHaveLength(1)
  expect(why({ ...wood, history: [work('fell', '2026-06-12', { state: 'in this signature' })] })).toEqual([])
  // The other direction: a line that would come after the felling that stands on a day.
  const line = { method: 'barrier' as const, history: [work('fell', '2026-06-10', { state: 'on a day' })] }
  expect(why(line)).toMatchObject([{ why: expect.stringMatching(/Felling stands on 10 Jun/) }])
  expect(why({ ...line, on: '2026-06-10' })).toEqual([])
  // Another cause asks for no order of felling.
  expect(why({ cause: causeFacts('emerald-ash-borer', 'ash'), host: hostFacts('ash') })).toEqual([])
})

test('what was seen at a tree holds for the day on which it was seen, by the calendar of the place', () => {
  const seen = { soil: 'moist', leaf: 'out' } as const
  // Half past ten in the evening of 8 June in New York, the 9th by the clock of Greenwich.
  const evening = Date.UTC(2026, 5, 9, 2, 30)
  const later = (hours: number) => seenBefore(seen, evening, evening + hours * 3_600_000, 'America/New_York')
  expect(saySeen(seen)).toBe('leaves out, soil moist')
  expect(later(1)).toBeNull()
  expect(later(2)).toBe('leaves out, soil moist was seen on Mon 8 Jun and not looked at since')
  expect(seenBefore({}, evening, evening + 1e9, 'America/New_York')).toBeNull()
  expect(seenBefore(seen, null, evening, 'America/New_York')).toBeNull()
})

test('what a way asks for first is offered before it, unless it was done this year or is planned', () => {
  const birch = {
    cause: causeFacts('bronze-birch-borer', 'birch'),
    method: 'trunk-injection' as const,
    product: product('EB4', 'emamectin benzoate'),
    on: '2026-06-12',
    history: [],
  }
  const water = (on: string, more = {}) => [{ ...used('HC-WATER', [], on, more), method: 'water' as const }]
  expect(comesFirst(birch)).toEqual([{ method: 'water', days: 1 }])
  expect(comesFirst({ ...birch, history: water('2026-05-20') })).toEqual([])
  expect(comesFirst({ ...birch, history: water('2026-05-20', { treated: false }) })).toHaveLength(1)
  expect(comesFirst({ ...birch, history: water('2025-06-11') })).toEqual([])
  expect(comesFirst({ ...birch, history: water('2025-06-10') })).toHaveLength(1)
  expect(comesFirst({ ...birch, history: water('2026-06-20', { state: 'on a day' }) })).toEqual([])
  expect(comesFirst({ ...birch, cause: causeFacts('emerald-ash-borer', 'ash') })).toEqual([])
  // Of several in their order, what is done falls out.
  const oak = { ...birch, cause: causeFacts('two-lined-chestnut-borer', 'oak-red-group') }
  expect(comesFirst(oak).map((f) => f.method)).toEqual(['water', 'trenches'])
  expect(comesFirst({ ...oak, history: water('2026-05-20') })).toEqual([{ method: 'trenches', days: 28 }])
})

test('no nitrogen while the leaves fall, and other feeds go by the ground', () => {
  const fed = (active: string, leaf: 'falling' | 'out') =>
    closedBy({
      method: 'feed',
      product: { ...product('FE1', active), feeds: true },
      cause: causeFacts('nutrient-shortage', 'ash'),
      keeps: {},
      ...facts({ leaf }),
    })
  expect(fed('urea nitrogen', 'falling')).toContain('leaf')
  expect(fed('urea nitrogen', 'out')).not.toContain('leaf')
  expect(fed('iron', 'falling')).not.toContain('leaf')
})

test('what was done and what is to be done is told apart, in what keeps days and in what is at work', () => {
  const why = (rule: string, more: Partial<Question>) =>
    gate({ ...base, ...more }).closed.find((r) => r.rule === rule)?.why
  expect(why('interval', before('2026-04-01'))).toMatch(/the last was 1 Apr 2026/)
  expect(why('interval', before('2026-07-01', { state: 'on a day' }))).toMatch(
    /another is to go on 1 Jul 2026/,
  )
  const other = (on: string, more = {}) => ({
    ...inject,
    history: [used('SD2', ['imidacloprid'], on, { cause: 'emerald-ash-borer', lastsDays: 365, ...more })],
  })
  expect(why('interval', other('2026-04-01'))).toMatch(
    /is at work in this tree against the same cause since 1 Apr/,
  )
  expect(why('interval', other('2026-07-01', { state: 'on a day' }))).toMatch(
    /is to go on against the same cause on 1 Jul 2026/,
  )
})

test('the guard says of an injection that it is one', () => {
  const refusal = (cause: string, more: Partial<Question> = {}) =>
    gate({ ...base, cause: causeFacts(cause, 'ash'), keeps: {}, ...more }).closed.find(
      (r) => r.rule === 'cause',
    )?.why
  expect(refusal('drought-stress', { ...inject, keeps: {} })).toMatch(/^No injection for this cause: /)
  expect(refusal('drought-stress')).toMatch(/^Not for this cause: /)
})

test('a feed burns roots in dry soil; it waits for water', () => {
  const fed = (soil: 'dry' | 'moist') =>
    closedBy({
      method: 'feed',
      product: { ...product('FE1', 'iron'), feeds: true },
      cause: causeFacts('nutrient-shortage', 'ash'),
      keeps: {},
      ...facts({ soil }),
    })
  expect(fed('dry')).toContain('soil')
  expect(fed('moist')).not.toContain('soil')
})

test('roots and trunk are not wounded within four weeks of each other, whichever comes first', () => {
  const near = (method: 'trenches' | 'trunk-injection', on: string) => ({
    history: [{ ...used(method === 'trenches' ? 'HC-SPOKES' : 'EB4', [], on), method }],
  })
  const dig: Partial<Question> = {
    method: 'trenches',
    product: null,
    card: null,
    cause: causeFacts('soil-compaction', 'ash'),
    keeps: {},
  }
  const refused = (q: Partial<Question>) =>
    gate({ ...base, ...q }).closed.some((r) => /wound|roots/i.test(r.why))
  expect(refused({ ...dig, ...near('trunk-injection', '2026-05-16') })).toBe(true)
  expect(refused({ ...dig, ...near('trunk-injection', '2026-05-15') })).toBe(false)
  expect(refused({ ...dig, ...near('trunk-injection', '2026-07-09') })).toBe(true)
  expect(refused({ ...inject, ...near('trenches', '2026-05-16') })).toBe(true)
  expect(refused({ ...inject, ...near('trenches', '2026-05-15') })).toBe(false)
  expect(refused({ ...dig, ...near('trenches', '2026-06-01') })).toBe(false)
})

test('what harms a tree together keeps its days to the day, in both directions', () => {
  const sprays = (active: string, other: string, on: string) =>
    closedBy({
      method: 'crown-spray',
      product: product('X1', active),
      cause: causeFacts('peach-leaf-curl', 'peach'),
      host: hostFacts('peach'),
      keeps: {},
      history: [{ ...used('X2', [other], on), method: 'crown-spray' }],
    }).includes('apart')
  for (const [one, other] of [
    ['horticultural oil', 'sulfur'],
    ['horticultural oil', 'captan'],
    ['copper', 'lime sulfur'],
  ] as const) {
    expect([one, other, sprays(one, other, '2026-05-30')]).toEqual([one, other, true])
    expect([one, other, sprays(one, other, '2026-05-29')]).toEqual([one, other, false])
    expect([other, one, sprays(other, one, '2026-06-25')]).toEqual([other, one, true])
    expect([other, one, sprays(other, one, '2026-06-26')]).toEqual([other, one, false])
  }
  expect(sprays('captan', 'sulfur', '2026-06-11')).toBe(false)
})

test('a product of another kind than the cause is closed where no way names it', () => {
  const refusal = (active: string) =>
    gate({ ...base, ...inject, product: product('X1', active), facts: { ...base.facts } }).closed.find(
      (r) => r.rule === 'cause',
    )?.why
  expect(refusal('emamectin benzoate')).toBeUndefined()
  expect(refusal('propiconazole')).toMatch(
    /^Not for this cause|^No injection for this cause|no such way|does nothing/,
  )
  const { refuses } = causeFacts('emerald-ash-borer', 'ash')
  expect(refusal('propiconazole')).toContain(refuses.fungicide)
})

test('a way by the flowers of the tree itself waits for them, or until they are gone', () => {
  const way = (bloom: 'open' | 'not open', facts: 'before' | 'open' | 'over') =>
    gate({
      ...base,
      method: 'crown-spray',
      product: product('X1', 'streptomycin'),
      host: hostFacts('apple'),
      cause: {
        ...causeFacts('fire-blight', 'apple'),
        refuses: {},
        ways: [
          {
            method: 'crown-spray',
            what: 'A cover',
            when: bloom === 'open' ? 'in bloom' : 'out of bloom',
            time: { bloom },
            well: 'holds it down',
            again: 'once',
          },
        ],
      },
      keeps: {},
      facts: { ...base.facts, bloom: facts, eaten: false },
    }).closed.filter((r) => r.rule === 'season').length
  expect([way('open', 'open'), way('open', 'before'), way('open', 'over')]).toEqual([0, 1, 1])
  expect([way('not open', 'open'), way('not open', 'before'), way('not open', 'over')]).toEqual([1, 0, 0])
})

test('before bloom and in bloom are told apart where bees visit', () => {
  const why = (bloom: 'before' | 'open') =>
    gate({
      ...base,
      host: hostFacts('maple'),
      cause: causeFacts('lecanium-scale', 'maple'),
      facts: { ...base.facts, bloom, eaten: false },
    }).closed.find((r) => r.rule === 'bees')?.why
  expect(why('open')).toMatch(/it is in bloom/)
  expect(why('before')).toMatch(/its bloom is still to come/)
})

test('line, axe and wood say what they wait for, and for how long', () => {
  const waits = (method: 'barrier' | 'fell' | 'wood') =>
    waitsFor({ method, product: null, cause: causeFacts('dutch-elm-disease', 'elm') })
  expect([waits('barrier'), waits('fell'), waits('wood')]).toEqual([
    null,
    { method: 'barrier', days: 7 },
    { method: 'fell', days: 0 },
  ])
})

test('what the cause refuses of the soil is a systemic: a feed, and what nobody knows by its way, stand or fall with the way', () => {
  const refuses = { soil: 'Nothing from the soil reaches it.' }
  const drench: Way = {
    method: 'soil-drench',
    what: 'A drench',
    when: 'always',
    time: {},
    kinds: ['unheard of'],
    well: 'holds it down',
    again: 'once',
  }
  const guarded = (p: ProductFacts, ways: readonly Way[]) =>
    gate({
      ...base,
      product: p,
      cause: { ...causeFacts('clearwing-borer', 'ash'), refuses, ways },
      keeps: {},
    }).closed.some((r) => r.why.includes(refuses.soil))
  expect(guarded(product('SD2', 'imidacloprid'), [drench])).toBe(true)
  expect(guarded({ ...product('FE1', 'iron'), feeds: true }, [drench])).toBe(false)
  expect(guarded({ ...product('X1', 'something new'), kind: null }, [drench])).toBe(false)
  // Of an unknown product without a way nothing speaks for it.
  expect(guarded({ ...product('X1', 'something new'), kind: null }, [])).toBe(true)
})
