import type { OwnEntry } from '@/almanac/ownEntry'
import { ask } from '../calculators'

interface Answer {
  causes: { cause: string; probability: number }[]
  explanations: { causes: string[]; probability: number }[]
  next: { finding?: string; test?: string; worth: number; minutes: number }[]
  settled: boolean
  hold: { reason: string } | null
  flags: { cause: string; reason: string }[]
  refusedClasses: string[]
  chains: { cause: string; because: string[] }[]
}

const asked = (input: Record<string, unknown>) => ask('diagnose', { month: 6, ...input })
const answer = (input: Record<string, unknown>): Answer => {
  const result = asked(input)
  if (!result.ok) throw new Error(`${result.problem.field}: ${result.problem.message}`)
  return result.value as unknown as Answer
}
const problem = (input: Record<string, unknown>) => {
  const result = asked(input)
  return result.ok ? null : [result.problem.code, result.problem.field]
}

test('both causes of a tree that has two stand in one explanation', () => {
  const { causes, explanations } = answer({
    host: 'hemlock',
    month: 5,
    there: ['needle-wool-base', 'needle-scale-brown', 'needle-grey-thin'],
  })
  expect(explanations[0]!.causes.sort()).toEqual(['elongate-hemlock-scale', 'hemlock-woolly-adelgid'])
  expect(
    causes
      .slice(0, 2)
      .map((c) => c.cause)
      .sort(),
  ).toEqual(['elongate-hemlock-scale', 'hemlock-woolly-adelgid'])
})

test('a tree examined with nothing wrong is healthy, settled, and refuses nothing', () => {
  const { causes, settled, next, hold, refusedClasses, flags } = answer({
    host: 'beech',
    notThere: [
      'crown-thin-top',
      'crown-thin-even',
      'leaf-yellow-even',
      'leaf-chewed',
      'canker-sunken',
      'flare-hidden',
    ],
  })
  expect(causes[0]!.cause).toBe('healthy')
  expect({ settled, next, hold, refusedClasses, flags }).toEqual({
    settled: true,
    next: [],
    hold: null,
    refusedClasses: [],
    flags: [],
  })
})

test('the test of a wilt comes first and holds; its answer ends the hold, and it is not asked for again', () => {
  const oak = { host: 'oak-red-group', month: 7, there: ['leaf-bronze-green-drop', 'wilt-sudden-whole'] }
  const before = answer(oak)
  expect(before.next[0]).toMatchObject({ test: 'lab-oak-wilt', minutes: 20 })
  expect(before.hold).not.toBeNull()
  expect(before.flags.map((f) => f.cause)).toEqual(['oak-wilt'])
  const proved = answer({ ...oak, tests: [{ test: 'lab-oak-wilt', result: 'positive' }] })
  expect([proved.hold, proved.flags.length]).toEqual([null, 1])
  const negative = answer({ ...oak, tests: [{ test: 'lab-oak-wilt', result: 'negative' }] })
  expect(negative.next.map((n) => n.test)).not.toContain('lab-oak-wilt')
  const chance = (a: Answer) => a.causes.find((c) => c.cause === 'oak-wilt')!.probability
  expect(chance(negative)).toBeLessThan(chance(before))
  expect(chance(proved)).toBeGreaterThan(chance(before))
})

test('flags follow the jurisdiction', () => {
  const birch = { host: 'birch', there: ['exit-hole-d', 'bark-ridges'] }
  const flagged = (jurisdiction?: string) => answer({ ...birch, jurisdiction }).flags.map((f) => f.cause)
  expect([flagged(), flagged('US'), flagged('european-union')]).toEqual([[], [], ['bronze-birch-borer']])
})

test('a crown spray is refused for what lives under bark, a bark spray and a trunk injection are not', () => {
  const { refusedClasses } = answer({ host: 'ash', there: ['exit-hole-d', 'galleries-s'] })
  expect(refusedClasses).toEqual(expect.arrayContaining(['crown-spray', 'fungicide']))
  for (const cls of ['bark-spray', 'injection', 'soil', 'insecticide'])
    expect(refusedClasses).not.toContain(cls)
})

test('a film asks for what drips, and says what it lives on', () => {
  const { settled, next, chains } = answer({ host: 'linden', there: ['leaf-black-film', 'leaf-sticky'] })
  expect(settled).toBe(false)
  expect(next.map((n) => n.finding)).toEqual(expect.arrayContaining(['aphids-seen', 'twig-bumps-large-soft']))
  expect(chains.map((c) => c.cause)).toEqual(expect.arrayContaining(['aphids', 'lecanium-scale']))
})

test.each([
  [{ host: 'glitter' }, ['unknown', 'host']],
  [{ host: 'ash', month: 13 }, ['out-of-range', 'month']],
  [{ host: 'ash', month: 6.5 }, ['out-of-range', 'month']],
  [{ host: 'ash', there: ['glitter'] }, ['unknown', 'there[0]']],
  [{ host: 'ash', there: ['exit-hole-d'], notThere: ['exit-hole-d'] }, ['out-of-range', 'notThere[0]']],
  [{ host: 'ash', tests: [{ test: 'exit-hole-d', result: 'positive' }] }, ['unknown', 'tests[0].test']],
  [
    { host: 'oak-live', there: ['lab-oak-wilt'], tests: [{ test: 'lab-oak-wilt', result: 'negative' }] },
    ['out-of-range', 'tests[0].test'],
  ],
  [{ host: 'ash', jurisdiction: 'atlantis' }, ['unknown', 'jurisdiction']],
])('what makes no sense is refused where it stands: %j', (input, expected) => {
  expect(problem(input)).toEqual(expected)
})

test('what a firm has added to the almanac counts with the rest, for that firm', () => {
  const own: OwnEntry[] = [
    { kind: 'host', id: 'own-quay-palm', name: 'Quay palm', botanical: 'Palma portus', edible: false },
    {
      kind: 'cause',
      id: 'own-palm-blight',
      name: 'Palm blight',
      hosts: ['own-quay-palm'],
      findings: { 'leaf-spots-target': 'always' },
      oneLine: 'Ringed spots.',
      act: 'Rake it.',
      doNot: 'Do not spray.',
    },
    {
      kind: 'test',
      id: 'own-palm-dipstick',
      name: 'Palm dipstick',
      settles: ['own-palm-blight'],
      how: 'test',
      days: 0,
      minutes: 5,
      take: 'A leaf in water.',
      note: 'Weak on dry leaves.',
    },
  ]
  const palm = (more: object) => ask('diagnose', { host: 'own-quay-palm', month: 6, ...more }, { own })
  const positive = palm({
    there: ['leaf-spots-target'],
    tests: [{ test: 'own-palm-dipstick', result: 'positive' }],
  })
  if (!positive.ok) throw new Error(positive.problem.message)
  const { causes } = positive.value as unknown as Answer
  expect(causes[0]).toMatchObject({ cause: 'own-palm-blight' })
  expect(causes[0]!.probability).toBeGreaterThan(0.9)
  const before = palm({ there: ['leaf-spots-target'] })
  if (!before.ok) throw new Error(before.problem.message)
  expect((before.value as unknown as Answer).next.map((n) => n.test)).toContain('own-palm-dipstick')
  expect(problem({ host: 'own-quay-palm' })).toEqual(['unknown', 'host'])
})
