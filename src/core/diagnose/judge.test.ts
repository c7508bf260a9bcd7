import type { Cause, Finding, Seen } from './almanac'
import { judge } from './judge'
import { SOMETHING_ELSE, type Check, type Weighed } from './weigh'

/** Three made-up causes of one kind: a borer, a scale whose honeydew grows a film, and a stress. */
const cause = (id: string, more: Partial<Cause> = {}): Cause => ({
  id,
  name: id.toUpperCase(),
  kind: 'insect',
  hosts: ['ash'],
  prior: 1,
  findings: {},
  action: 'protect-systemic',
  refuses: {},
  oneLine: '',
  act: '',
  doNot: '',
  expect: '',
  spread: '',
  lookAlikes: [],
  ...more,
})
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
const BORER = cause('borer', { refuses: { fungicide: 'It is an insect.' } })
const SCALE = cause('scale', { action: 'sap-feeder-care', findings: { shells: 'always' } })
const FILM = cause('film', {
  action: 'wait',
  livesOn: ['scale'],
  refuses: { insecticide: 'The film is no insect.', fungicide: 'It goes with the honeydew.' },
})
const ANTS = cause('ants', { action: 'none', livesOn: ['scale'], findings: { trail: 'always' } })
const DROUGHT = cause('drought', { action: 'water-care', contributes: true, findings: { dry: 'always' } })
const CAUSES = [BORER, SCALE, FILM, ANTS, DROUGHT]
const FINDINGS = new Map(
  [
    finding('shells'),
    finding('trail'),
    finding('dry', { background: 0.15 }),
    finding('test', { place: 'lab', settles: ['borer'] }),
    finding('long', { minutes: 11 }),
  ].map((f) => [f.id, f]),
)
const weighed = (...pairs: [string, number][]): Weighed[] =>
  pairs.map(([id, probability]) => ({
    cause: id,
    probability,
    for: [],
    against: [],
    notLooked: [],
    outOfSeason: false,
  }))
const check = (more: Partial<Check> = {}): Check => ({
  finding: 'shells',
  gain: 0.5,
  perMinute: 0.3,
  chanceThere: 0.5,
  ifThere: { cause: 'borer', probability: 0.9 },
  ifNot: { cause: 'borer', probability: 0.6 },
  ...more,
})
const judged = (
  w: Weighed[],
  { checks = [] as Check[], seen = {} as Seen, causes = CAUSES as readonly Cause[] } = {},
) => judge({ weighed: w, checks, seen, causes, findings: FINDINGS })

describe('a hold', () => {
  test('two leaders that call for different work are parted first, where a short look can do it', () => {
    const two = weighed(['borer', 0.7], ['scale', 0.2])
    expect(judged(two, { checks: [check()] }).hold?.reason).toBe(
      'BORER and scale call for different work, and one check would help to part them: the shells.',
    )
    // The look must tell something, and be short.
    expect(judged(two, { checks: [check({ gain: 0.05 })] }).hold).toBeNull()
    expect(judged(two, { checks: [check({ gain: 0.051 })] }).hold).not.toBeNull()
    expect(judged(two, { checks: [check({ finding: 'long' })] }).hold).toBeNull()
    expect(judged(two).hold).toBeNull()
  })
  test.each([
    [0.79, 0.15, true],
    [0.8, 0.15, false],
    [0.79, 0.149, false],
  ])('a leader of %d beside one of %d: held %s', (first, second, held) => {
    const w = weighed(['borer', first], ['scale', second])
    expect(judged(w, { checks: [check()] }).hold !== null).toBe(held)
  })
  test('leaders that call for the same work need not be parted', () => {
    const twin = cause('twin')
    const w = weighed(['borer', 0.5], ['twin', 0.4])
    expect(judged(w, { checks: [check()], causes: [...CAUSES, twin] }).hold).toBeNull()
  })
  test('something else first is looked into, whatever follows', () => {
    expect(judged(weighed([SOMETHING_ELSE, 0.4], ['borer', 0.3])).hold?.reason).toMatch(
      /^Nothing in the almanac/,
    )
  })
  test('what only a laboratory can tell waits for its own test, and for no other', () => {
    const wilt = cause('wilt', { laboratory: 'send a twig.' })
    const with_ = (seen: Seen) =>
      judged(weighed(['wilt', 0.9]), { seen, causes: [...CAUSES, wilt] }).hold?.reason
    expect(with_({})).toBe('Only a laboratory can tell wilt for certain: send a twig.')
    expect(with_({ test: 'there' })).toMatch(/Only a laboratory/)
    const borer = { ...BORER, laboratory: 'send a grub.' }
    expect(judged(weighed(['borer', 0.9]), { seen: { test: 'there' }, causes: [borer] }).hold).toBeNull()
    expect(
      judged(weighed(['borer', 0.9]), { seen: { test: 'not-there' }, causes: [borer] }).hold,
    ).not.toBeNull()
  })
  test('nothing weighed holds nothing', () => {
    expect(judged([])).toMatchObject({ hold: null, report: null, refused: [], chains: [], settled: false })
  })
})

describe('what must be reported', () => {
  const borer = { ...BORER, reportable: true }
  const report = (p: number, seen: Seen = {}) => judged(weighed(['borer', p]), { seen, causes: [borer] })
  test('is reported on suspicion, held until it is proved, and still reported then', () => {
    expect(report(0.15).report?.reason).toMatch(/on suspicion already/)
    expect(report(0.149).report).toBeNull()
    expect(report(0.9).hold?.reason).toMatch(/must be reported/)
    expect(report(0.9, { test: 'there' }).hold).toBeNull()
    expect(report(0.9, { test: 'there' }).report?.reason).toMatch(/^BORER is proved and must be reported/)
  })
  test('another leader is not reported for it', () => {
    expect(judged(weighed(['scale', 0.6], ['borer', 0.3]), { causes: [borer, SCALE] }).report).toBeNull()
  })
})

describe('what cannot work', () => {
  test('is refused once the leader is told, sorted by class', () => {
    expect(judged(weighed(['film', 0.3])).refused).toEqual([
      { class: 'fungicide', reason: 'It goes with the honeydew.' },
      { class: 'insecticide', reason: 'The film is no insect.' },
    ])
    expect(judged(weighed(['film', 0.299])).refused).toEqual([])
  })
  test('what feeds the leader may be treated, where it lives on this kind of tree', () => {
    const refused = judged(weighed(['film', 0.6], ['scale', 0.2])).refused
    // The scale itself refuses neither, so neither is refused.
    expect(refused).toEqual([])
    const shy = { ...SCALE, refuses: { fungicide: 'It is an insect.' } }
    expect(judged(weighed(['film', 0.6], ['scale', 0.2]), { causes: [FILM, shy] }).refused).toEqual([
      { class: 'fungicide', reason: 'It goes with the honeydew.' },
    ])
  })
})

describe('chains', () => {
  const chains = (seen: Seen, first: [string, number] = ['film', 0.6]) =>
    judged(weighed(first, ['scale', 0.2], ['ants', 0.1], ['drought', 0.05]), { seen }).chains
  test('what feeds the leader shows with its sign; without one it is no link', () => {
    expect(chains({ shells: 'there' })).toEqual([
      { cause: 'scale', role: 'feeds', because: ['shells', 'film'] },
    ])
    expect(chains({ shells: 'not-there' })).toEqual([])
    expect(chains({})).toEqual([])
  })
  test('what tends it, and what weakens the tree', () => {
    expect(chains({ trail: 'there', dry: 'there' }, ['scale', 0.6])).toEqual([
      { cause: 'ants', role: 'tended', because: ['trail'] },
      { cause: 'drought', role: 'stress', because: ['dry'] },
    ])
  })
  test('nothing is chained to a leader that is not told yet', () => {
    expect(chains({ shells: 'there' }, ['film', 0.299])).toEqual([])
    expect(chains({ shells: 'there' }, ['film', 0.3])).toHaveLength(1)
  })
  test('what is no cause of this kind of tree is in no chain', () => {
    expect(judged(weighed(['film', 0.6]), { seen: { shells: 'there' } }).chains).toEqual([])
  })
})

describe('settled', () => {
  const settled = (p: number, checks: Check[], first = 'borer') =>
    judged(weighed([first, p]), { checks }).settled
  test('when no answer would change the work, and the leader is likely', () => {
    expect(settled(0.6, [check()])).toBe(true)
    expect(settled(0.599, [check()])).toBe(false)
    expect(settled(0.9, [])).toBe(true)
    expect(settled(0.9, [], SOMETHING_ELSE)).toBe(false)
  })
  test('not while one answer that may well come would change it', () => {
    const other = { cause: 'scale', probability: 0.5 }
    expect(settled(0.9, [check({ ifThere: other })])).toBe(false)
    expect(settled(0.9, [check({ ifNot: other })])).toBe(false)
    expect(settled(0.9, [check({ ifThere: other, chanceThere: 0.049 })])).toBe(true)
    expect(settled(0.9, [check({ ifThere: other, chanceThere: 0.05 })])).toBe(false)
    expect(settled(0.9, [check({ ifNot: other, chanceThere: 0.96 })])).toBe(true)
    expect(settled(0.9, [check({ ifNot: other, chanceThere: 0.94 })])).toBe(false)
  })
})
