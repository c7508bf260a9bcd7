import { causeFacts, hostFacts } from '@/almanac/gateFacts'
import type { Method } from '../card/card'
import { actsOn, feedsOnly, usedActives } from '../history/use'
import { gate } from './gate'
import type { Facts, Question } from './question'

/** What soil, snow, drought and bark close, for every kind of work: a matrix, so that no corner is left to chance. */
const WORKS = {
  drench: { method: 'soil-drench', active: 'imidacloprid' },
  'soil injection': { method: 'soil-injection', active: 'imidacloprid' },
  'trunk injection': { method: 'trunk-injection', active: 'emamectin benzoate' },
  'bark spray': { method: 'bark-spray', active: 'dinotefuran' },
  'crown spray': { method: 'crown-spray', active: 'captan' },
  oil: { method: 'crown-spray', active: 'horticultural oil' },
  feed: { method: 'feed', active: 'iron' },
  trenches: { method: 'trenches', active: null },
  collar: { method: 'collar', active: null },
  cut: { method: 'prune', active: null },
} as const satisfies Record<string, { method: Method; active: string | null }>
type Work = keyof typeof WORKS

function asked(work: Work, facts: Partial<Facts>) {
  const { method, active } = WORKS[work]
  const actives = active === null ? [] : usedActives([{ name: active }])
  const question: Question = {
    on: '2026-06-12',
    today: '2026-06-12',
    units: 'us',
    south: false,
    host: hostFacts('sycamore'),
    cause: { ...causeFacts('lace-bugs', 'sycamore'), refuses: {}, ways: [] },
    method,
    product:
      active === null
        ? null
        : { code: 'X1', name: 'Example X1', actives, kind: actsOn(actives), feeds: feedsOnly(actives) },
    card: null,
    keeps: {},
    facts: { leaf: 'out', bark: 'dry', crownLost: 10, water: null, unsafe: [], eaten: false, ...facts },
    history: [],
    again: null,
    onGround: true,
    rules: [],
    inWindow: () => ({ is: 'open' }),
    own: [],
  }
  const answer = gate(question)
  return {
    closed: answer.closed.filter((r) => r.rule === 'soil' || r.rule === 'weather').length > 0,
    asks: answer.asks.map((a) => a.field),
  }
}

const ALL = Object.keys(WORKS) as Work[]
test.each<[string, Partial<Facts>, readonly Work[]]>([
  ['moist soil', { soil: 'moist' }, []],
  ['saturated soil', { soil: 'saturated' }, ['drench', 'soil injection', 'feed', 'trenches', 'collar']],
  [
    'frozen soil',
    { soil: 'frozen' },
    ['drench', 'soil injection', 'trunk injection', 'feed', 'trenches', 'collar'],
  ],
  ['dry soil', { soil: 'dry' }, ['drench', 'soil injection', 'trunk injection', 'bark spray', 'feed']],
  ['snow', { soil: 'moist', snow: true }, ['drench', 'soil injection', 'feed']],
  ['drought', { soil: 'moist', drought: true }, ['trunk injection', 'feed', 'oil']],
  ['wet bark', { soil: 'moist', bark: 'wet' }, ['bark spray', 'cut']],
])('%s closes just what it must', (_, facts, closed) => {
  expect(ALL.filter((work) => asked(work, facts).closed).sort()).toEqual([...closed].sort())
})

test('what nobody looked at is asked of the work it bears on, and of no other', () => {
  const wanting = (field: 'soil' | 'bark') =>
    ALL.filter((work) => asked(work, { [field]: undefined }).asks.includes(field)).sort()
  expect(wanting('soil')).toEqual(['drench', 'feed', 'soil injection', 'trunk injection'])
  expect(wanting('bark')).toEqual(['bark spray'])
})
