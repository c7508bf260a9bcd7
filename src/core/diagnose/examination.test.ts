import type { Finding } from './almanac'
import { knownBefore, nothingHere, sharedBySite, walkOf } from './examination'

const finding = (id: string, place: Finding['place'], more: Partial<Finding> = {}): Finding => ({
  id,
  place,
  how: 'look',
  name: id,
  question: `${id}?`,
  minutes: 1,
  background: 0.05,
  ...more,
})
const DRY = finding('dry', 'soil')
const FINDINGS = [
  DRY,
  finding('thin', 'crown', { onRing: { mark: 'thin', state: 'there' } }),
  finding('bracket', 'base', { unsafe: true }),
  finding('flare', 'base', { onRing: { mark: 'flare', state: 'not-there' } }),
  finding('girdled', 'base', { onRing: { mark: 'girdling', state: 'there' } }),
  finding('mine', 'leaf', { own: true }),
  finding('old', 'leaf', { retired: true }),
  finding('grown', 'lab'),
  finding('new-here', 'site', { oneTree: true }),
]
const BY_ID = new Map(FINDINGS.map((f) => [f.id, f]))
const mark = (kind: 'flare' | 'dead' | 'thin' | 'girdling' | 'hole', from: number, to: number) => ({
  kind,
  from,
  to,
  notedOn: '2026-06-12',
})

describe('the walk', () => {
  const ids = (all: boolean, seen = {}) =>
    walkOf(FINDINGS, ['dry', 'old'], seen, all).map((s) => [s.place, s.findings.map((f) => f.id)])
  test('asks what a cause makes, what is unsafe and what is the firm’s own, from afar to the soil', () => {
    expect(ids(false)).toEqual([
      ['leaf', ['mine']],
      ['base', ['bracket']],
      ['soil', ['dry']],
    ])
  })
  test('asks everything on request, but never what is retired', () => {
    expect(ids(true).flatMap(([, f]) => f)).toEqual([
      'new-here',
      'thin',
      'mine',
      'bracket',
      'flare',
      'girdled',
      'dry',
      'grown',
    ])
  })
  test('keeps what was noted, retired or not', () => {
    expect(ids(false, { old: 'there' })[0]).toEqual(['leaf', ['mine', 'old']])
  })
})

describe('a place where nothing is', () => {
  test('leaves what is set, dangerous or known to be there, and what a laboratory says', () => {
    const known = new Map(
      knownBefore([mark('thin', 0, 90), mark('flare', 0, 9)], [], FINDINGS).map((k) => [k.finding, k]),
    )
    expect(nothingHere(FINDINGS, { dry: 'unsure', girdled: 'not-looked' }, known)).toEqual([
      'flare',
      'girdled',
      'mine',
      'old',
      'new-here',
    ])
  })
})

describe('what a site shares', () => {
  test('is its site and soil, without what is said of one tree and what is looked at', () => {
    const noted = ['dry', 'thin', 'new-here', 'gone'].map((f) => ({ finding: f, state: 'there' as const }))
    expect(sharedBySite(noted, BY_ID, {}).map((n) => n.finding)).toEqual(['dry'])
    expect(sharedBySite(noted, BY_ID, { dry: 'not-there' })).toEqual([])
  })
})

describe('what is known already', () => {
  test('is read off the ring with its side, a visible flare as not hidden', () => {
    expect(knownBefore([mark('girdling', 350, 30), mark('flare', 80, 100)], [], FINDINGS)).toEqual([
      { finding: 'flare', state: 'not-there', by: 'ring' },
      { finding: 'girdled', state: 'there', detail: { bearing: 10 }, by: 'ring' },
    ])
  })
  test('and what was there last time, the ring before it', () => {
    const last = [
      { finding: 'thin', state: 'there' as const, detail: { amount: 'much' as const } },
      { finding: 'dry', state: 'there' as const, detail: { bearing: 0 } },
      { finding: 'mine', state: 'not-there' as const },
    ]
    expect(knownBefore([mark('thin', 0, 90)], last, FINDINGS)).toEqual([
      { finding: 'thin', state: 'there', detail: { bearing: 45 }, by: 'ring' },
      { finding: 'dry', state: 'there', detail: { bearing: 0 }, by: 'last' },
    ])
  })
})
