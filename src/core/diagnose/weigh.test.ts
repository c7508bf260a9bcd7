import fc from 'fast-check'
import type { Cause, Finding, FindingState } from './almanac'
import { judge } from './judge'
import { causesOf, nextChecks, SOMETHING_ELSE, weigh, type WeighInput } from './weigh'

/** A small almanac of its own, so that the mechanism is tested and not the entries. */
const finding = (id: string, minutes = 1, background = 0.05, place: Finding['place'] = 'trunk'): Finding => ({
  id,
  place,
  how: 'look',
  name: id,
  question: `${id}?`,
  minutes,
  background,
})
const findings = new Map(
  [
    finding('holes', 2, 0.01),
    finding('thin', 1, 0.15),
    finding('streaks', 3, 0.01),
    finding('dry', 1, 0.15),
    finding('film'),
    finding('sticky'),
    finding('odd', 1, 0.02),
    { ...finding('proof', 30, 0.01, 'lab'), settles: ['wilt'] },
    { ...finding('other-proof', 30, 0.01, 'lab'), settles: ['borer'] },
  ].map((f) => [f.id, f]),
)

const plain = {
  kind: '',
  refuses: {},
  oneLine: '',
  act: '',
  doNot: '',
  expect: '',
  spread: '',
  lookAlikes: [],
}
const causes: Cause[] = [
  {
    ...plain,
    id: 'borer',
    name: 'Borer',
    hosts: ['ash'],
    prior: 3,
    findings: { holes: 'usual', thin: 'usual' },
    action: 'protect-systemic',
    refuses: { fungicide: 'not a fungus' },
  },
  {
    ...plain,
    id: 'wilt',
    name: 'Wilt',
    hosts: ['ash', 'elm'],
    prior: 2,
    months: [5, 6, 7, 8],
    findings: { streaks: 'always', thin: 'usual', proof: 'always' },
    action: 'laboratory',
    laboratory: 'send twigs.',
  },
  {
    ...plain,
    id: 'drought',
    name: 'Drought',
    hosts: '*',
    prior: 3,
    findings: { dry: 'always', thin: 'sometimes' },
    action: 'water-care',
    contributes: true,
  },
  {
    ...plain,
    id: 'mould',
    name: 'Mould',
    hosts: ['elm'],
    prior: 2,
    findings: { film: 'always', sticky: 'usual' },
    action: 'sap-feeder-care',
    livesOn: ['aphid'],
    refuses: { fungicide: 'feeds on drops' },
  },
  {
    ...plain,
    id: 'aphid',
    name: 'Aphid',
    hosts: ['elm'],
    prior: 1,
    findings: { sticky: 'usual' },
    action: 'sap-feeder-care',
  },
]
const input = (host: string, seen: Record<string, FindingState>, month = 6): WeighInput => ({
  host,
  month,
  seen,
  causes,
  findings,
})
const lead = (i: WeighInput) => weigh(i)[0]!
const of = (i: WeighInput, cause: string) => weigh(i).find((w) => w.cause === cause)!
const judged = (i: WeighInput) =>
  judge({ weighed: weigh(i), checks: nextChecks(i), seen: i.seen, causes, findings })

test('only what the host can have is weighed, and something else always', () => {
  expect(
    weigh(input('elm', {}))
      .map((w) => w.cause)
      .sort(),
  ).toEqual(['aphid', 'drought', 'mould', SOMETHING_ELSE, 'wilt'])
  expect(causesOf('oak', causes).map((c) => c.id)).toEqual(['drought'])
})

test('a finding there speaks for its cause, not there against it, unsure less', () => {
  const base = of(input('ash', {}), 'borer').probability
  const there = of(input('ash', { holes: 'there' }), 'borer').probability
  const unsure = of(input('ash', { holes: 'unsure' }), 'borer').probability
  const not = of(input('ash', { holes: 'not-there' }), 'borer').probability
  expect(there).toBeGreaterThan(unsure)
  expect(unsure).toBeGreaterThan(base)
  expect(not).toBeLessThan(base)
  expect(lead(input('ash', { holes: 'there' })).for[0]).toMatchObject({ finding: 'holes', state: 'there' })
})

test('not looked at is not the same as not there', () => {
  expect(weigh(input('ash', { holes: 'not-looked' }))).toEqual(weigh(input('ash', {})).map((w) => ({ ...w })))
})

test('what no cause explains ends in something else, and holds', () => {
  const i = input('ash', { odd: 'there', film: 'there', sticky: 'there' })
  expect(lead(i).cause).toBe(SOMETHING_ELSE)
  expect(judged(i).hold?.reason).toMatch(/Nothing in the almanac/)
})

test('out of its months a cause weighs less and says so', () => {
  const summer = of(input('ash', {}, 6), 'wilt')
  const winter = of(input('ash', {}, 1), 'wilt')
  expect(winter.probability).toBeLessThan(summer.probability / 3)
  expect([summer.outOfSeason, winter.outOfSeason]).toEqual([false, true])
})

test('what is known in the district raises a cause', () => {
  const i = input('ash', {})
  expect(of({ ...i, district: { borer: 5 } }, 'borer').probability).toBeGreaterThan(
    of(i, 'borer').probability,
  )
})

test('the next check is the one that settles most for its minutes', () => {
  const checks = nextChecks(input('ash', { thin: 'there' }))
  expect(checks.map((c) => c.finding)).not.toContain('thin')
  expect(checks.map((c) => c.finding)).not.toContain('proof')
  for (let i = 1; i < checks.length; i++)
    expect(checks[i]!.perMinute).toBeLessThanOrEqual(checks[i - 1]!.perMinute)
  const holes = checks.find((c) => c.finding === 'holes')!
  expect(holes.ifThere.cause).toBe('borer')
  expect(holes.ifThere.probability).toBeGreaterThan(0.8)
})

test('a laboratory cause is held until the laboratory has spoken', () => {
  expect(judged(input('ash', { streaks: 'there' })).hold?.reason).toMatch(/Only a laboratory can tell wilt/)
  expect(judged(input('ash', { streaks: 'there', proof: 'there' })).hold).toBeNull()
  // The test of another organism lifts nothing.
  expect(judged(input('ash', { streaks: 'there', 'other-proof': 'there' })).hold).not.toBeNull()
})

test('leaders that call for different work are held while one check would part them', () => {
  const i = input('ash', { thin: 'there' })
  expect(judged(i).hold?.reason).toMatch(/call for different work/)
})

test('classes that cannot work are refused with the reason', () => {
  expect(judged(input('ash', { holes: 'there' })).refused).toEqual([
    { class: 'fungicide', reason: 'not a fungus' },
  ])
})

test('the film chains to what feeds it; a stress only by its own sign', () => {
  const chains = judged(input('elm', { film: 'there', sticky: 'there' })).chains
  expect(chains).toEqual([{ cause: 'aphid', role: 'feeds', because: ['sticky', 'mould'] }])
  expect(judged(input('ash', { holes: 'there', dry: 'there' })).chains).toContainEqual({
    cause: 'drought',
    role: 'stress',
    because: ['dry'],
  })
  expect(judged(input('ash', { holes: 'there', thin: 'there' })).chains).toEqual([])
})

test('it is settled when no check would change what to do', () => {
  expect(judged(input('ash', {})).settled).toBe(false)
  expect(
    judged(input('ash', { holes: 'there', thin: 'there', streaks: 'not-there', dry: 'not-there' })).settled,
  ).toBe(true)
})

test('probabilities sum to one, whatever was seen, and order of seeing changes nothing', () => {
  const state = fc.constantFrom<FindingState>('there', 'not-there', 'unsure', 'not-looked')
  fc.assert(
    fc.property(
      fc.constantFrom('ash', 'elm', 'oak'),
      fc.integer({ min: 1, max: 12 }),
      fc.array(fc.tuple(fc.constantFrom(...findings.keys()), state), { maxLength: 8 }),
      (host, month, pairs) => {
        const seen = Object.fromEntries(pairs)
        const w = weigh({ ...input(host, seen), month })
        expect(w.reduce((s, x) => s + x.probability, 0)).toBeCloseTo(1, 12)
        expect(w.every((x) => x.probability >= 0 && Number.isFinite(x.probability))).toBe(true)
        const turned = weigh({ ...input(host, Object.fromEntries(Object.entries(seen).reverse())), month })
        expect(turned.map((x) => x.cause)).toEqual(w.map((x) => x.cause))
      },
    ),
  )
})
