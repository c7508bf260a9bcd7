import fc from 'fast-check'
import type { Cause, Finding, FindingState } from './almanac'
import { explain, explanationsOf, healthyChance } from './explain'
import { feedersToFind, lookFirst } from './looks'
import { askedOf, canBeSeen, causesOf, HEALTHY, made, SOMETHING_ELSE, written } from './weigh'
import { weighing } from './weighing'

/** A small almanac of its own, so that the mechanism is tested and not the entries. */
const finding = (id: string, more: Partial<Finding> = {}): Finding => ({
  id,
  place: 'trunk',
  how: 'look',
  name: `The ${id}`,
  question: `${id}?`,
  minutes: 1,
  background: 0.02,
  ...more,
})
const findings = new Map(
  [
    finding('holes', { minutes: 2, background: 0.002 }),
    finding('thin', { place: 'crown', background: 0.12 }),
    finding('streaks', { minutes: 3, background: 0.002 }),
    finding('dry', { place: 'soil', background: 0.08 }),
    finding('wet', { place: 'soil', background: 0.03 }),
    finding('film', { place: 'leaf', background: 0.003 }),
    finding('sticky', { place: 'leaf' }),
    finding('bumps', { background: 0.003 }),
    finding('soft', { background: 0.003 }),
    finding('odd'),
    finding('pads', { months: [4, 5], onlyOn: ['ash'], background: 0.002 }),
    finding('bracket', { unsafe: true, background: 0.002 }),
    finding('proof', {
      place: 'lab',
      how: 'sample',
      minutes: 20,
      background: 0.003,
      settles: ['wilt'],
      misses: 0.15,
    }),
    finding('other-proof', {
      place: 'lab',
      how: 'sample',
      minutes: 20,
      background: 0.003,
      settles: ['borer'],
      misses: 0.05,
    }),
  ].map((f) => [f.id, f]),
)
const cause = (id: string, more: Partial<Cause>): Cause => ({
  id,
  name: id.toUpperCase(),
  kind: 'cause',
  hosts: ['ash', 'elm'],
  prior: 2,
  findings: {},
  action: 'water-care',
  refuses: {},
  oneLine: '',
  act: '',
  doNot: '',
  expect: '',
  spread: '',
  lookAlikes: [],
  ...more,
})
const causes: Cause[] = [
  cause('borer', {
    findings: { holes: 'usual', thin: 'usual' },
    defining: ['holes', 'other-proof'],
    action: 'protect-systemic',
    refuses: { fungicide: 'It is no fungus.', 'crown-spray': 'It is under the bark.' },
  }),
  cause('wilt', {
    findings: { streaks: 'always', thin: 'usual', pads: 'sometimes' },
    defining: ['streaks', 'proof'],
    months: [5, 6, 7, 8],
    action: 'laboratory',
    decision: 'contain-wilt',
    proof: 'first',
    refuses: { insecticide: 'It is no insect.', 'crown-spray': 'It is in the wood.' },
  }),
  cause('drought', {
    hosts: '*',
    findings: { dry: 'always', thin: 'sometimes', wet: 'never' },
    defining: ['dry'],
    decision: 'water',
    opens: ['borer'],
    refuses: { fungicide: 'Nothing is alive.', 'crown-spray': 'Nothing is alive.', injection: 'It is dry.' },
  }),
  cause('aphid', {
    findings: { sticky: 'usual', soft: 'always' },
    defining: ['soft'],
    action: 'sap-feeder-care',
    refuses: { fungicide: 'It is an insect.' },
  }),
  cause('scale', {
    findings: { sticky: 'usual', bumps: 'always' },
    defining: ['bumps'],
    action: 'sap-feeder-care',
    refuses: { fungicide: 'It is an insect.' },
  }),
  cause('mould', {
    findings: { film: 'always' },
    defining: ['film'],
    action: 'sap-feeder-care',
    decision: 'follow',
    livesOn: ['aphid', 'scale'],
    refuses: { fungicide: 'It only lives on drops.', insecticide: 'It is no insect.' },
  }),
]
const foliage = { ash: 'deciduous', elm: 'deciduous' } as const
const input = (seen: Record<string, FindingState>, month = 6, host = 'ash') => ({
  host,
  month,
  seen,
  causes,
  findings,
  foliage,
})
const chanceOf = (seen: Record<string, FindingState>, id: string, month = 6, host = 'ash') =>
  weighing(host, month, seen, { causes, findings, district: {}, foliage }).weighed.find(
    (w) => w.cause === id,
  )!.probability
const of = (seen: Record<string, FindingState>, month = 6) =>
  weighing('ash', month, seen, { causes, findings, district: {}, foliage })

test('every cause of the host is weighed, with something else and healthy, and only those', () => {
  expect(
    of({})
      .weighed.map((w) => w.cause)
      .sort(),
  ).toEqual(['aphid', 'borer', 'drought', HEALTHY, 'mould', 'scale', SOMETHING_ELSE, 'wilt'].sort())
  expect(causesOf('oak', causes).map((c) => c.id)).toEqual(['drought'])
})

test('a sign there speaks for its cause, not there against it, unsure less, not looked at nothing', () => {
  const base = chanceOf({}, 'borer')
  expect(chanceOf({ holes: 'there' }, 'borer')).toBeGreaterThan(chanceOf({ holes: 'unsure' }, 'borer'))
  expect(chanceOf({ holes: 'unsure' }, 'borer')).toBeGreaterThan(base)
  expect(chanceOf({ holes: 'not-there' }, 'borer')).toBeLessThan(base)
  expect(chanceOf({ holes: 'not-looked' }, 'borer')).toBeCloseTo(base, 12)
  expect(of({ holes: 'there' }).weighed[0]!.for[0]).toMatchObject({ finding: 'holes', state: 'there' })
})

test('two causes that are both there both stand high, as one explanation', () => {
  const { explanations, weighed } = of({ holes: 'there', dry: 'there', thin: 'there' })
  expect(explanations[0]!.causes.sort()).toEqual(['borer', 'drought'])
  expect(
    weighed
      .slice(0, 2)
      .map((w) => w.cause)
      .sort(),
  ).toEqual(['borer', 'drought'])
  expect(weighed[0]!.probability + weighed[1]!.probability).toBeGreaterThan(1.2)
})

test('what lives on others rises with them, hardly without, and never passes nine in ten', () => {
  const seen = { film: 'there', sticky: 'there', bumps: 'there' } as const
  expect(of(seen).explanations[0]!.causes).toEqual(['scale', 'mould'])
  expect(chanceOf(seen, 'mould')).toBeLessThanOrEqual(0.9 + 1e-9)
  expect(of(seen).weighed[0]!.cause).toBe('scale')
  // The film alone raises what it lives on, though nothing of those was seen.
  expect(chanceOf({ film: 'there' }, 'scale')).toBeGreaterThan(5 * chanceOf({}, 'scale'))
})

test('a film is not settled while what drips is not found', () => {
  const film = of({ film: 'there' })
  expect(film.judgement.settled).toBe(false)
  expect(film.looks.map((l) => l.finding)).toEqual(expect.arrayContaining(['bumps', 'soft']))
  expect(film.judgement.hold?.reason).toMatch(/What drips is not found/)
  expect(feedersToFind(explain(input({ film: 'there', bumps: 'there' })))).toEqual([])
})

test('a stress raises what it opens the door for', () => {
  const thin = { thin: 'there' } as const
  expect(chanceOf({ ...thin, dry: 'there' }, 'borer')).toBeGreaterThan(
    chanceOf({ ...thin, dry: 'not-there' }, 'borer') * 0.9,
  )
  const alone = explain({
    ...input({ dry: 'there' }),
    causes: causes.map((c) => ({ ...c, opens: undefined })),
  })
  const opened = explain(input({ dry: 'there' }))
  const borer = opened.switches.findIndex((s) => s.id === 'borer')
  expect(opened.chances[borer]!).toBeGreaterThan(1.5 * alone.chances[borer]!)
})

test('without a defining sign no cause passes six in ten', () => {
  const many = explain({
    ...input({ thin: 'there', odd: 'there' }),
    causes: [
      cause('one', {
        prior: 10,
        findings: { thin: 'always', odd: 'always', holes: 'usual' },
        defining: ['holes'],
      }),
    ],
  })
  expect(many.chances[0]).toBeCloseTo(0.6, 6)
  expect(chanceOf({ holes: 'there', thin: 'there' }, 'borer')).toBeGreaterThan(0.9)
})

test('a tree with nothing wrong ends in healthy, and asking stops', () => {
  const seen = { holes: 'not-there', thin: 'not-there', dry: 'not-there', bumps: 'not-there' } as const
  const { weighed, judgement, looks, explanations } = of(seen)
  expect(weighed[0]!.cause).toBe(HEALTHY)
  expect([judgement.settled, judgement.hold, judgement.refused, looks]).toEqual([true, null, [], []])
  expect(explanations[0]!.causes).toEqual([])
  expect(healthyChance(explain(input(seen)))).toBe(weighed[0]!.probability)
})

test('nothing looked at is not settled: the walk asks', () => {
  const { judgement, looks } = of({})
  expect(judgement.settled).toBe(false)
  expect(looks.length).toBeGreaterThan(0)
})

test('what no cause of the kind makes ends in something else, more so where the kind has few causes', () => {
  const { weighed, judgement } = of({ odd: 'there' })
  expect(weighed[0]!.cause).toBe(SOMETHING_ELSE)
  expect(judgement.hold?.reason).toMatch(/Nothing in the almanac/)
  expect(judgement.refused).toEqual([])
  expect(chanceOf({}, SOMETHING_ELSE, 6, 'oak')).toBeGreaterThan(chanceOf({}, SOMETHING_ELSE))
})

test('out of its months a cause weighs less and says so; a sign out of its months says nothing when absent', () => {
  expect(chanceOf({}, 'wilt', 1)).toBeLessThan(chanceOf({}, 'wilt', 6) / 3)
  expect(of({}, 1).weighed.find((w) => w.cause === 'wilt')!.outOfSeason).toBe(true)
  expect(chanceOf({ pads: 'not-there' }, 'wilt', 7)).toBeCloseTo(chanceOf({}, 'wilt', 7), 12)
  expect(chanceOf({ pads: 'not-there' }, 'wilt', 5)).toBeLessThan(chanceOf({}, 'wilt', 5))
})

test('a sign is seen in its months, on its hosts, and on leaves while there are any', () => {
  const pads = findings.get('pads')!
  expect(canBeSeen(pads, 'ash', 4, 'deciduous')).toBe(true)
  expect(canBeSeen(pads, 'elm', 4, 'deciduous')).toBe(false)
  expect(canBeSeen(pads, 'ash', 6, 'deciduous')).toBe(false)
  const film = findings.get('film')!
  expect(canBeSeen(film, 'ash', 1, 'deciduous')).toBe(false)
  expect(canBeSeen(film, 'holly', 1, 'evergreen')).toBe(true)
  expect(canBeSeen({ ...film, conifers: true }, 'holly', 7, 'evergreen')).toBe(false)
  expect(canBeSeen({ ...film, months: [1], monthsOn: { ash: [7] } }, 'ash', 7, 'deciduous')).toBe(true)
})

test('a test lifts and lowers only what it settles, by what it misses', () => {
  const proof = findings.get('proof')!
  expect(made(causes[1]!, proof, 'ash')).toBeCloseTo(0.85)
  expect(made(causes[0]!, proof, 'ash')).toBe(0)
  const seen = { streaks: 'there' } as const
  expect(chanceOf({ ...seen, proof: 'there' }, 'wilt')).toBeGreaterThan(0.98)
  expect(chanceOf({ ...seen, proof: 'not-there' }, 'wilt')).toBeLessThan(chanceOf(seen, 'wilt') - 0.05)
  expect(chanceOf({ ...seen, 'other-proof': 'not-there' }, 'wilt')).toBeCloseTo(chanceOf(seen, 'wilt'), 1)
})

test('what needs proof has its test asked for first and holds, until the answer', () => {
  const before = of({ streaks: 'there' })
  expect(before.looks[0]).toMatchObject({ finding: 'proof', proof: true })
  expect(before.judgement.hold?.reason).toMatch(/^WILT needs proof before any work/)
  const positive = of({ streaks: 'there', proof: 'there' })
  expect([positive.judgement.hold, positive.looks.map((l) => l.finding)]).toEqual([null, []])
  const negative = of({ streaks: 'there', proof: 'not-there' })
  expect(negative.looks.map((l) => l.finding)).not.toContain('proof')
})

test('a sign that excludes a cause is hardly there with it', () => {
  const both = { dry: 'there', wet: 'there' } as const
  expect(chanceOf(both, 'drought')).toBeLessThan(chanceOf({ dry: 'there' }, 'drought') - 0.1)
})

test('a look says what would be done after each answer, and stops below three hundredths', () => {
  const { looks } = of({ thin: 'there' })
  const holes = looks.find((l) => l.finding === 'holes')!
  expect(holes.ifThere).toContain('protect-systemic')
  expect(looks.every((l) => l.worth >= 0.03)).toBe(true)
  for (let i = 1; i < looks.length; i++) expect(looks[i]!.worth).toBeLessThanOrEqual(looks[i - 1]!.worth)
})

test('what an explanation leaves unexplained is named', () => {
  const { explanations } = of({ holes: 'there', dry: 'there' })
  const alone = explanations.find((e) => e.causes.join() === 'borer')
  expect(alone?.leaves).toEqual(['dry'])
  expect(explanations[0]).toMatchObject({ leaves: [] })
})

test('a sign that hardly stands without its cause is hardly taken for there', () => {
  expect(written(findings.get('holes')!, 0)).toBe(0.002)
  expect(written(findings.get('thin')!, 0)).toBe(0.01)
  expect(written(findings.get('thin')!, 1)).toBe(0.99)
})

test('what is known in the district raises a cause', () => {
  const at = (district: Record<string, number>) => explain({ ...input({}), district }).chances[0]!
  expect(at({ borer: 3 })).toBeGreaterThan(2 * at({}))
})

test('chances are chances, explanations at most one in all, and the order of seeing changes nothing', () => {
  const state = fc.constantFrom<FindingState>('there', 'not-there', 'unsure', 'not-looked')
  fc.assert(
    fc.property(
      fc.constantFrom('ash', 'elm', 'oak'),
      fc.integer({ min: 1, max: 12 }),
      fc.array(fc.tuple(fc.constantFrom(...findings.keys()), state), { maxLength: 9 }),
      (host, month, pairs) => {
        const seen = Object.fromEntries(pairs)
        const know = { causes, findings, district: {}, foliage }
        const { weighed, explanations, looks } = weighing(host, month, seen, know)
        expect(weighed.every((w) => w.probability >= 0 && w.probability <= 1 + 1e-9)).toBe(true)
        expect(explanations.reduce((s, e) => s + e.probability, 0)).toBeLessThanOrEqual(1 + 1e-9)
        expect(
          explanationsOf(explain({ host, month, seen, ...know }), 1e6).reduce((s, e) => s + e.probability, 0),
        ).toBeCloseTo(1, 9)
        for (let i = 1; i < weighed.length; i++)
          expect(weighed[i]!.probability).toBeLessThanOrEqual(weighed[i - 1]!.probability)
        expect(looks.every((l) => seen[l.finding] === undefined || seen[l.finding] === 'not-looked')).toBe(
          true,
        )
        const turned = weighing(host, month, Object.fromEntries(Object.entries(seen).reverse()), know)
        expect(turned.weighed.map((w) => w.cause)).toEqual(weighed.map((w) => w.cause))
      },
    ),
    { numRuns: 60 },
  )
})

test('at each place at most three looks stand first, those that could change the work, and no test', () => {
  const first = lookFirst(explain(input({ thin: 'there' })))
  expect(first.get('trunk')).toContain('holes')
  expect([...first.values()].every((ids) => ids.length <= 3)).toBe(true)
  expect(first.has('lab')).toBe(false)
  expect(lookFirst(explain(input({ holes: 'there', thin: 'there', dry: 'not-there' }))).size).toBe(0)
})

test('asked of a kind is what its causes make and what can be seen now, with the tests that settle them', () => {
  const asked = (month: number, host = 'ash') =>
    askedOf({ host, month, causes, findings, foliage }).map((f) => f.id)
  expect(asked(4)).toContain('pads')
  expect(asked(7)).not.toContain('pads')
  expect(asked(7)).toEqual(expect.arrayContaining(['holes', 'film', 'proof', 'other-proof']))
  expect(asked(1)).not.toContain('film')
  // Only the drought grows on an oak; nothing is asked that no cause of it makes.
  expect(asked(7, 'oak')).toEqual(['thin', 'dry', 'wet'])
})
