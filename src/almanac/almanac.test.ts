import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { commonOn, hasIt } from '@/core/diagnose/weigh'
import { CAUSES } from './causes'
import { FINDING_BY_ID, FINDINGS } from './findings'
import { HOSTS, host } from './hosts'
import { LOOKS } from './looks'
import { PRACTICE } from './practice'
import { WAYS } from './ways'
import { looksNeeded, PRODUCT, rehearse } from './rehearsal'
import { weighTree } from './weighing'
import { coverage, report } from './report'
import { Almanac, checkAlmanac } from './schema'
import { seeded } from '@/core/decide/random'

test('every entry points only at what exists', () => {
  const causes = new Set(CAUSES.map((c) => c.id))
  expect(causes.size).toBe(CAUSES.length)
  expect(FINDING_BY_ID.size).toBe(FINDINGS.length)
  for (const c of CAUSES) {
    for (const id of Object.keys(c.findings))
      expect([c.id, id, FINDING_BY_ID.has(id)]).toEqual([c.id, id, true])
    for (const h of c.hosts === '*' ? [] : c.hosts)
      expect([c.id, h, host(h) !== undefined]).toEqual([c.id, h, true])
    for (const l of c.livesOn ?? []) expect(causes.has(l)).toBe(true)
    for (const l of c.lookAlikes) expect([c.id, l.cause, causes.has(l.cause)]).toEqual([c.id, l.cause, true])
    expect(c.prior).toBeGreaterThan(0)
    expect([c.oneLine, c.act, c.doNot, c.expect, c.spread].every((t) => t.length > 4)).toBe(true)
  }
  for (const h of HOSTS) if (h.confusedWith) expect(host(h.confusedWith.host)).toBeDefined()
})

test('every entry is whole: the schema holds, every cause has its practice, every finding is spoken of', () => {
  expect(() => checkAlmanac()).not.toThrow()
  for (const table of [PRACTICE, LOOKS])
    expect(Object.keys(table).sort()).toEqual(CAUSES.map((c) => c.id).sort())
  const spoken = new Set(CAUSES.flatMap((c) => Object.keys(c.findings)))
  expect(FINDINGS.filter((f) => !spoken.has(f.id) && !f.unsafe && !f.settles)).toEqual([])
  expect([HOSTS.length, FINDINGS.length, CAUSES.length]).toEqual([63, 267, 145])
})

test('the report names what nothing parts, and it is known', () => {
  const c = coverage()
  expect(c.perHost.every((h) => h.causes >= 10)).toBe(true)
  expect(c.unparted).toEqual(['horse-chestnut-bleeding-canker and phytophthora-bleeding-canker'])
  expect(report()).toContain('every entry is whole')
})

test('a broken entry does not pass', () => {
  const whole = {
    hosts: HOSTS,
    findings: FINDINGS,
    causes: CAUSES,
    practice: PRACTICE,
    looks: LOOKS,
    ways: WAYS,
  }
  expect(Almanac.safeParse(whole).success).toBe(true)
  const first = CAUSES[0]!
  for (const broken of [
    { ...first, findings: { ...first.findings, glitter: 'usual' } },
    { ...first, hosts: ['glitter'] },
    { ...first, months: [13] },
    { ...first, doNot: '' },
    { ...first, findings: { 'exit-hole-d': 'seldom' } },
  ])
    expect(Almanac.safeParse({ ...whole, causes: [broken] }).success).toBe(false)
})

test('on made-up trees it leads right, knows the healthy ones, keeps its chances, and asks far less than chance would', () => {
  const c = rehearse(400, { looked: 1, wrong: 0.01, unsure: 0.02 }, seeded(41), { product: PRODUCT })[
    'product'
  ]!
  expect(c.leads).toBeGreaterThanOrEqual(0.84)
  expect(c.allInThree).toBeGreaterThanOrEqual(0.92)
  expect(c.healthy).toBeGreaterThanOrEqual(0.84)
  expect(c.error).toBeLessThanOrEqual(0.05)
  const n = looksNeeded(12, seeded(43))
  expect(n.asked).toBeLessThan(n.shuffled / 2)
}, 180_000)

test('everything there at once, which no tree shows, does not hold the process up', () => {
  const seen: Seen = Object.fromEntries(FINDINGS.map((f) => [f.id, 'there' as const]))
  const began = performance.now()
  expect(weighTree('apple', 6, seen).weighed.length).toBeGreaterThan(40)
  // Seconds before what is hopeless was left early; a tenth of one on a quiet machine.
  expect(performance.now() - began).toBeLessThan(2500)
})

interface Vignette {
  name: string
  host: string
  month: number
  there: string[]
  not?: string[]
  lead: string
  hold?: RegExp | null
  refused?: string[]
  chain?: string
  next?: string[]
}

const VIGNETTES: Vignette[] = [
  {
    name: 'an ash thinning from the top with D-shaped holes',
    host: 'ash',
    month: 6,
    there: ['crown-thin-top', 'exit-hole-d', 'woodpecker-blond'],
    lead: 'emerald-ash-borer',
    hold: null,
    refused: ['fungicide', 'bactericide'],
  },
  {
    name: 'an ash with round holes and sawdust',
    host: 'ash',
    month: 6,
    there: ['exit-hole-round', 'frass-sap-base'],
    not: ['galleries-s', 'exit-hole-d'],
    lead: 'clearwing-borer',
  },
  {
    name: 'a true ash, dry, among other dry kinds',
    host: 'ash',
    month: 8,
    there: ['leaf-fold-crisp', 'soil-dry', 'many-kinds-affected', 'leaf-scorch-even'],
    not: ['exit-hole-d'],
    lead: 'drought-stress',
    refused: ['injection', 'fertiliser', 'insecticide'],
  },
  {
    name: 'a maple with one wilting limb',
    host: 'maple',
    month: 7,
    there: ['flagging-limb', 'crown-thin-one-side', 'sapwood-streaks'],
    lead: 'verticillium-wilt',
    hold: /needs proof/,
    refused: ['fungicide', 'injection'],
  },
  {
    name: 'a maple thought to wilt, with a girdling root',
    host: 'maple',
    month: 6,
    there: ['flagging-limb', 'crown-thin-one-side', 'flare-hidden', 'root-girdling'],
    not: ['sapwood-streaks'],
    lead: 'girdling-roots',
    hold: null,
    refused: ['fungicide', 'injection'],
  },
  {
    name: 'an oak that goes in like a post',
    host: 'oak-red-group',
    month: 6,
    there: ['crown-thin-even', 'flare-hidden', 'mulch-piled'],
    lead: 'buried-flare',
  },
  {
    name: 'an oak with banded scorch each summer',
    host: 'oak-red-group',
    month: 8,
    there: ['leaf-scorch-banded', 'returns-each-summer'],
    lead: 'bacterial-leaf-scorch',
    hold: /needs proof/,
    refused: ['fungicide', 'insecticide'],
  },
  {
    name: 'an oak that wilts within weeks after pruning',
    host: 'oak-red-group',
    month: 6,
    there: ['wilt-sudden-whole', 'leaf-bronze-green-drop', 'pruned-in-risk-season'],
    lead: 'oak-wilt',
    hold: /needs proof/,
  },
  {
    name: 'a linden with a black film over a café',
    host: 'linden',
    month: 6,
    there: ['leaf-black-film', 'leaf-sticky', 'ants-trail'],
    lead: 'sooty-mould',
    refused: ['fungicide', 'bactericide'],
    chain: 'aphids',
    next: ['twig-bumps-large-soft', 'aphids-seen', 'shoot-black-rubs-off'],
  },
  {
    name: 'a mountain ash with hooked black shoots',
    host: 'mountain-ash',
    month: 6,
    there: ['shoot-crook', 'leaf-hang-black'],
    lead: 'fire-blight',
    refused: ['fungicide', 'insecticide'],
  },
  {
    name: 'findings that nothing explains',
    host: 'ash',
    month: 6,
    there: ['leaf-spots-orange', 'fruit-cracked', 'silk-nests'],
    lead: 'something-else',
    hold: /Nothing in the almanac/,
  },
]

test.each(VIGNETTES.map((v) => [v.name, v] as const))('%s', (_, v) => {
  const seen: Seen = Object.fromEntries([
    ...v.there.map((f): [string, FindingState] => [f, 'there']),
    ...(v.not ?? []).map((f): [string, FindingState] => [f, 'not-there']),
  ])
  const { weighed, looks, judgement } = weighTree(v.host, v.month, seen)
  expect(weighed[0]!.cause).toBe(v.lead)
  if (v.hold === null) expect(judgement.hold).toBeNull()
  else if (v.hold) expect(judgement.hold?.reason).toMatch(v.hold)
  for (const c of v.refused ?? []) expect(judgement.refused.map((r) => r.class)).toContain(c)
  if (v.chain) expect(judgement.chains.map((c) => c.cause)).toContain(v.chain)
  if (v.next) expect(v.next).toContain(looks[0]!.finding)
})

test('a narrower kind has the causes of its wider one, save those that leave it alone, as common as they are on it', () => {
  const borer = CAUSES.find((c) => c.id === 'bronze-birch-borer')!
  expect([hasIt(borer, 'birch'), hasIt(borer, 'birch.river')]).toEqual([true, false])
  const shortage = CAUSES.find((c) => c.id === 'manganese-shortage')!
  expect(hasIt(shortage, 'maple.red')).toBe(true)
  expect(commonOn(shortage, 'maple.red')).toBeGreaterThan(commonOn(shortage, 'maple.norway'))
  expect(commonOn(shortage, 'maple.sugar')).toBe(shortage.prior)
})
