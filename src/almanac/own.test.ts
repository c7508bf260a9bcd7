import { CAUSES, causeName } from './causes'
import { findingName } from './findings'
import { testOf, testsFor } from './laboratory'
import { withOwn } from './own'
import { ownId, type OwnEntry } from './ownEntry'
import { waysOf } from './ways'
import { weighTree } from './weighing'

const spot: OwnEntry = {
  kind: 'finding',
  id: 'own-blue-spot',
  name: 'Blue spot',
  question: 'Is there a blue spot on the leaf?',
  place: 'leaf',
  minutes: 1,
}
const blight: OwnEntry = {
  kind: 'cause',
  id: 'own-quay-blight',
  name: 'Quay blight',
  hosts: ['holly'],
  findings: { 'own-blue-spot': 'always', glitter: 'usual' },
  oneLine: 'Blue spots by the quay.',
  act: 'Wash it off.',
  doNot: 'Do not worry.',
}

test('an own cause with an own finding leads on its host and nowhere else', () => {
  const almanac = withOwn([spot, blight])
  const seen = { 'own-blue-spot': 'there' } as const
  expect(weighTree('holly', 6, seen, almanac).weighed[0]!.cause).toBe('own-quay-blight')
  expect(weighTree('ash', 6, seen, almanac).weighed.map((w) => w.cause)).not.toContain('own-quay-blight')
  expect(weighTree('holly', 6, seen).weighed.map((w) => w.cause)).not.toContain('own-quay-blight')
  expect(almanac.causes.find((c) => c.id === 'own-quay-blight')!.findings).not.toHaveProperty('glitter')
})

test('an own frequency moves the weight, and the common almanac stays as it is', () => {
  const seen = { 'leaf-sticky': 'there' } as const
  const of = (almanac?: ReturnType<typeof withOwn>) =>
    weighTree('linden', 6, seen, almanac).weighed.find((w) => w.cause === 'aphids')!.probability
  const before = of()
  expect(
    of(withOwn([{ kind: 'frequency', cause: 'aphids', finding: 'leaf-sticky', often: 'never' }])),
  ).toBeLessThan(before)
  expect(of(withOwn([{ kind: 'frequency', cause: 'no-such', finding: 'leaf-sticky', often: 'never' }]))).toBe(
    before,
  )
  expect(CAUSES.find((c) => c.id === 'aphids')!.findings['leaf-sticky']).toBe('usual')
})

test('what is known in the district begins with more weight, and is set by the firm alone', () => {
  const of = (almanac?: ReturnType<typeof withOwn>) =>
    weighTree('oak-red-group', 6, { 'crown-thin-top': 'there' }, almanac).weighed.find(
      (w) => w.cause === 'oak-wilt',
    )!.probability
  expect(of(withOwn([{ kind: 'district', cause: 'oak-wilt' }]))).toBeGreaterThan(of() * 1.5)
})

test('own ids say their name wherever the entry itself is not at hand', () => {
  expect(ownId('Quay leaf spot')).toBe('own-quay-leaf-spot')
  expect(ownId('Élan §§ !!')).toBe('own-elan')
  expect(ownId('🌳')).toBe('own-entry')
  expect(causeName('own-quay-leaf-spot')).toBe('Quay leaf spot (own)')
  expect(findingName('own-blue-spot')).toBe('Blue spot (own)')
  expect(findingName('exit-hole-d')).toBe('D-shaped exit holes')
})

test('an own cause has its months, and what its firm wrote of it', () => {
  const of = (over: object) =>
    withOwn([spot, { ...blight, ...over } as OwnEntry]).causes.find((c) => c.id === 'own-quay-blight')!
  expect(of({})).toMatchObject({ expect: 'Not written yet.', spread: 'Not written yet.' })
  expect(of({ months: [] }).months).toBeUndefined()
  expect(of({ months: [5, 6], expect: 'Clean by August.', spread: '' })).toMatchObject({
    months: [5, 6],
    expect: 'Clean by August.',
    spread: 'Not written yet.',
  })
  const weight = (month: number) =>
    weighTree(
      'holly',
      month,
      { 'own-blue-spot': 'there' },
      withOwn([spot, { ...blight, months: [5, 6] } as OwnEntry]),
    ).weighed.find((w) => w.cause === 'own-quay-blight')?.probability ?? 0
  expect(weight(12)).toBeLessThan(weight(6))
})

test('an own cause calls for what its firm says, and is waited on where it says nothing', () => {
  const actionOf = (entry: OwnEntry) =>
    withOwn([entry]).causes.find((c) => c.id === 'own-quay-blight')!.action
  expect(actionOf({ ...blight, action: 'sanitation' })).toBe('sanitation')
  expect(actionOf(blight)).toBe('wait')
})

const dipstick: OwnEntry = {
  kind: 'test',
  id: 'own-quay-dipstick',
  name: 'Quay dipstick',
  settles: ['oak-wilt'],
  how: 'test',
  days: 0,
  minutes: 5,
  take: 'A shaving of the streaked wood in water.',
  note: 'Weak on dry wood.',
}

test('an own test moves the weight either way, is offered, and is the firm’s alone', () => {
  const almanac = withOwn([dipstick])
  const seen = { 'flagging-limb': 'there', 'leaf-brown-from-edge': 'there' } as const
  const chance = (answered: Record<string, 'there' | 'not-there'>, of = almanac) =>
    weighTree('oak-red-group', 7, { ...seen, ...answered }, of).weighed.find((w) => w.cause === 'oak-wilt')!
      .probability
  expect(chance({ 'own-quay-dipstick': 'there' })).toBeGreaterThan(0.9)
  expect(chance({ 'own-quay-dipstick': 'not-there' })).toBeLessThan(chance({}))
  expect(weighTree('oak-red-group', 7, seen, almanac).looks.map((l) => l.finding)).toContain(
    'own-quay-dipstick',
  )
  expect(weighTree('oak-red-group', 7, seen).looks.map((l) => l.finding)).not.toContain('own-quay-dipstick')
  expect(testOf('own-quay-dipstick', [dipstick])?.take).toMatch(/shaving/)
  expect(testOf('own-quay-dipstick')).toBeUndefined()
  expect(testsFor('oak-wilt', [dipstick]).map((t) => t.id)).toEqual([
    'own-quay-dipstick',
    ...testsFor('oak-wilt').map((t) => t.id),
  ])
})

test('an own way stands among the others by how well it works', () => {
  const way: OwnEntry = {
    kind: 'way',
    id: 'own-singe-the-nests',
    cause: 'aphids',
    method: 'hands',
    what: 'Singe the nests',
    when: 'in May',
    well: 'ends it',
    again: 'once',
  }
  expect(waysOf('aphids', [way]).map((w) => w.what)).toContain('Singe the nests')
  expect(waysOf('aphids', [way])[0]!.well).toBe('ends it')
  expect(waysOf('aphids').map((w) => w.what)).not.toContain('Singe the nests')
  expect(waysOf('apple-scab', [way])).toEqual(waysOf('apple-scab'))
})
