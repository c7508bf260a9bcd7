import type { Cause, Finding, FindingState } from './almanac'
import { weighing } from './weighing'
import { asksForReason, partOf, standsFirst, standWith } from './parts'

/** A kind with a borer, a scale whose honeydew grows a film, a wilt that is reported, and a stress. */
const finding = (id: string, more: Partial<Finding> = {}): Finding => ({
  id,
  place: 'trunk',
  how: 'look',
  name: `The ${id}`,
  question: `${id}?`,
  minutes: 1,
  background: 0.003,
  ...more,
})
const FINDINGS = new Map(
  [
    finding('holes'),
    finding('shells'),
    finding('film'),
    finding('trail', { background: 0.02 }),
    finding('dry', { background: 0.06, place: 'soil' }),
    finding('streaks'),
    finding('thin', { background: 0.12, place: 'crown' }),
    finding('bracket', { unsafe: true }),
    finding('test', {
      place: 'lab',
      how: 'sample',
      question: 'Culture: positive?',
      settles: ['wilt'],
      misses: 0.15,
      days: 10,
      minutes: 15,
    }),
    finding('drill', { place: 'lab', how: 'refer', settles: ['rot'], misses: 0.1, days: 20, minutes: 15 }),
    finding('pull', { place: 'lab', how: 'refer', settles: ['roots'], misses: 0.1, days: 20, minutes: 15 }),
  ].map((f) => [f.id, f]),
)
const cause = (id: string, more: Partial<Cause> = {}): Cause => ({
  id,
  name: id.toUpperCase(),
  kind: 'insect',
  hosts: ['ash'],
  prior: 2,
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
const BORER = cause('borer', {
  findings: { holes: 'usual', thin: 'usual' },
  defining: ['holes'],
  refuses: { fungicide: 'It is an insect.', 'crown-spray': 'It is under the bark.' },
})
const SCALE = cause('scale', {
  action: 'sap-feeder-care',
  findings: { shells: 'always' },
  defining: ['shells'],
  refuses: { fungicide: 'It is an insect.' },
})
const FILM = cause('film', {
  action: 'sap-feeder-care',
  decision: 'follow',
  livesOn: ['scale'],
  findings: { film: 'always' },
  defining: ['film'],
  refuses: { insecticide: 'The film is no insect.', fungicide: 'It goes with the honeydew.' },
})
const DROUGHT = cause('drought', {
  action: 'water-care',
  opens: ['borer'],
  findings: { dry: 'always' },
  defining: ['dry'],
  refuses: { fungicide: 'Nothing is alive.', injection: 'It is dry.', 'crown-spray': 'Nothing is alive.' },
})
const WILT = cause('wilt', {
  action: 'laboratory',
  decision: 'contain-wilt',
  proof: 'first',
  reportable: true,
  findings: { streaks: 'always', thin: 'usual' },
  defining: ['streaks', 'test'],
  refuses: { insecticide: 'It is a fungus.' },
})
const ROT = cause('rot', {
  action: 'remove-or-plan',
  decision: 'refer-watch',
  findings: { bracket: 'always' },
  defining: ['bracket'],
})
const CAUSES = [BORER, SCALE, FILM, DROUGHT, WILT, ROT]
const of = (
  seen: Record<string, FindingState>,
  causes: readonly Cause[] = CAUSES,
  reporting?: Parameters<typeof weighing>[4],
) => weighing('ash', 6, seen, { causes, findings: FINDINGS, district: {}, foliage: {} }, reporting)
const judged = (...args: Parameters<typeof of>) => of(...args).judgement

describe('a hold', () => {
  test('a sign of danger holds everything, whatever leads, and asks for the assessor’s test', () => {
    const { judgement, looks } = of({ holes: 'there', bracket: 'there' })
    expect(judgement.hold?.reason).toMatch(/^The bracket: a qualified risk assessor/)
    expect(looks[0]).toMatchObject({ finding: 'drill', proof: true })
    expect(of({ bracket: 'there', drill: 'there' }).looks.map((l) => l.finding)).not.toContain('drill')
  })
  test('what needs proof waits for its own test; a positive ends it, a negative says what it is worth', () => {
    expect(judged({ streaks: 'there' }).hold?.reason).toBe('WILT needs proof before any work: culture.')
    expect(judged({ streaks: 'there', test: 'there' }).hold).toBeNull()
    expect(judged({ streaks: 'there', thin: 'there', test: 'not-there' }).hold?.reason).toMatch(
      /came back negative.*only as good as its sample/,
    )
  })
  test('proof where it is new: only where the authority does not know it yet', () => {
    const causes = [{ ...BORER, proof: 'where new' as const }]
    const reporting = (isNew: boolean) => ({ rule: () => null, isNew: () => isNew })
    expect(judged({ holes: 'there' }, causes, reporting(true)).hold?.reason).toMatch(/needs proof/)
    expect(judged({ holes: 'there' }, causes, reporting(false)).hold).toBeNull()
  })
  test('danger asks for no reason at the signature; what is waited for does', () => {
    expect(asksForReason(of({ holes: 'there', thin: 'there', bracket: 'there' }), 'borer')).toBe(false)
    expect(asksForReason(of({ streaks: 'there' }), 'wilt')).toBe(true)
  })
  test('work that only comes on top of the borer’s holds nothing up', () => {
    const { judgement, explanations } = of({ holes: 'there', thin: 'there', dry: 'unsure' })
    expect(explanations.slice(0, 2).map((e) => e.causes.includes('borer'))).toEqual([true, true])
    expect(judgement.hold).toBeNull()
  })
  test('nothing holds a told borer', () => {
    expect(judged({ holes: 'there', thin: 'there', dry: 'not-there' }).hold).toBeNull()
  })
})

describe('what must be reported', () => {
  const reporting = { rule: (id: string) => (id === 'wilt' ? 'Call.' : null), isNew: () => false }
  test('is flagged on suspicion, and stays flagged once proved', () => {
    expect(judged({ streaks: 'there' }, CAUSES, reporting).flags).toEqual([
      {
        cause: 'wilt',
        reason: expect.stringMatching(/^WILT: report on suspicion\. Call\. Keep wood/) as string,
      },
    ])
    expect(judged({ streaks: 'there', test: 'there' }, CAUSES, reporting).flags[0]!.reason).toMatch(
      /^WILT is proved: report it\. Call\. Keep wood/,
    )
  })
  test('not where it does not stand, and not where nobody asks for it', () => {
    expect(judged({ holes: 'there', streaks: 'not-there' }, CAUSES, reporting).flags).toEqual([])
    expect(judged({ streaks: 'there' }, CAUSES, { rule: () => null, isNew: () => false }).flags).toEqual([])
  })
})

describe('what cannot work', () => {
  const classes = (seen: Record<string, FindingState>, causes = CAUSES as readonly Cause[]) =>
    judged(seen, causes).refused.map((r) => r.class)
  test('is refused with the reason of the cause, sorted by class', () => {
    expect(judged({ holes: 'there', thin: 'there', dry: 'not-there' }).refused).toEqual([
      { class: 'crown-spray', reason: 'It is under the bark.' },
      { class: 'fungicide', reason: 'It is an insect.' },
    ])
  })
  test('only by every explanation that counts: a drought beside the borer does not forbid what the borer needs', () => {
    const both = classes({ holes: 'there', dry: 'there' })
    expect(both).toContain('fungicide')
    expect(both).not.toContain('injection')
  })
  test('a film refuses no insecticide where its eater may be treated', () => {
    expect(classes({ film: 'there', shells: 'there' })).toEqual(['fungicide'])
  })
  test('a labelled practice on a kind is not refused there', () => {
    const causes = [{ ...BORER, bearsOn: { ash: ['crown-spray' as const] } }]
    expect(classes({ holes: 'there' }, causes)).toEqual(['fungicide'])
  })
  test('nothing where nothing is there', () => {
    expect(classes({ holes: 'not-there' })).toEqual([])
  })
})

test('what belongs together: what feeds, what lives on it, what opens the door', () => {
  const links = (seen: Record<string, FindingState>) =>
    judged(seen).chains.map((c) => `${c.cause} ${c.role} ${c.to}`)
  expect(links({ film: 'there', shells: 'there' })).toEqual(
    expect.arrayContaining(['scale feeds film', 'film tended scale']),
  )
  expect(links({ holes: 'there', dry: 'there' })).toContain('drought stress borer')
  expect(links({ holes: 'there', dry: 'not-there' })).toEqual([])
})

describe('signing', () => {
  test('parts are told by the almanac', () => {
    expect(partOf(BORER, DROUGHT)).toBe('opens the door')
    expect(partOf(SCALE, FILM)).toBe('lives on it')
    expect(partOf(FILM, SCALE)).toBe('feeds it')
    expect(partOf(BORER, SCALE)).toBe('beside it')
  })
  test('what stands with the main cause in the likeliest explanation is offered with it', () => {
    expect(standWith(of({ film: 'there', shells: 'there' }), 'scale', CAUSES)).toEqual([
      { cause: 'film', part: 'lives on it' },
    ])
    expect(standWith(of({ holes: 'there', dry: 'not-there' }), 'borer', CAUSES)).toEqual([])
  })
  test('every part of the likeliest explanation may be signed without a reason, others not', () => {
    const both = of({ film: 'there', shells: 'there' })
    expect(['scale', 'film', 'borer', 'something-else'].map((c) => standsFirst(both, c))).toEqual([
      true,
      true,
      false,
      false,
    ])
    const well = of({ holes: 'not-there', thin: 'not-there' })
    expect([standsFirst(well, 'healthy'), standsFirst(well, 'borer')]).toEqual([true, false])
  })
})
