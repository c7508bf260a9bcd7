import { withEnvelopes } from './withEnvelopes'
import { nextBatch } from './sendEnvelopes'
import { sayOutbox } from './OutboxNotes'
import type { KeptEnvelope } from './deviceStore'

jest.mock('next/navigation', () => ({ useRouter: () => ({}) }))

const tree = (id: string, more = {}) => ({
  id,
  status: 'open',
  confirmedAt: null as number | null,
  releasedAt: null as number | null,
  found: null as string | null,
  seen: {},
  ...more,
})
const envelope = (
  step: KeptEnvelope['step'],
  trees: string[],
  content: Record<string, unknown> = {},
  at = 5,
): KeptEnvelope => ({
  id: `${step} ${trees.join()}`,
  person: 'maren',
  job: 'j',
  n: 0,
  at,
  away: true,
  step,
  content,
  trees,
})

describe('trees of a job with what was pressed here and nobody answered', () => {
  test('begun and released', () => {
    const waiting = [
      envelope('confirm-tree', ['a'], { seen: { soil: 'moist' } }),
      envelope('release-line', ['b'], { found: 'twelve larvae' }, 6),
    ]
    expect(withEnvelopes([tree('a'), tree('b'), tree('c')], waiting)).toMatchObject([
      { confirmedAt: 5, seen: { soil: 'moist' }, here: null },
      { releasedAt: 6, found: 'twelve larvae' },
      { confirmedAt: null, releasedAt: null, here: null },
    ])
  })

  test('signed and handed back stand until the server says so itself', () => {
    const waiting = [envelope('sign-record', ['a', 'b'], {}, 7), envelope('hand-back', ['c'], {}, 8)]
    expect(
      withEnvelopes([tree('a'), tree('b', { status: 'recorded' }), tree('c')], waiting).map((t) => t.here),
    ).toEqual([{ kind: 'signed', at: 7 }, null, { kind: 'handed back', at: 8 }])
  })

  test('what has come in since is as the server says', () => {
    const [begun] = withEnvelopes(
      [tree('a', { confirmedAt: 3, seen: { soil: 'dry' } })],
      [envelope('confirm-tree', ['a'], { seen: { soil: 'moist' } })],
    )
    expect(begun).toMatchObject({ confirmedAt: 3, seen: { soil: 'dry' } })
  })
})

describe('what goes out next', () => {
  const row = [envelope('mark-step', ['a']), envelope('mark-step', ['b']), envelope('hand-back', ['a', 'c'])]
  test('everything in its order, but what rests on a refusal', () => {
    expect(nextBatch(row, new Set())).toEqual(row)
    expect(nextBatch(row, new Set(['a']))).toEqual([row[1]])
  })
  test('no more than a batch holds, and one that is larger by itself', () => {
    const large = envelope('sign-record', ['d'], { words: 'x'.repeat(80_000) })
    expect(nextBatch([row[0]!, large, row[1]!], new Set())).toEqual([row[0]])
    expect(nextBatch([large, row[0]!], new Set())).toEqual([large])
    const many = Array.from({ length: 150 }, (_, i) => envelope('mark-step', [`${i}`]))
    expect(nextBatch(many, new Set())).toHaveLength(100)
  })
})

test('a few words say what waits, since when, and what wants somebody', () => {
  const at = Date.UTC(2026, 5, 12, 14, 42)
  const none = { waiting: [], refused: [], silentSince: null }
  const refused = {
    id: 'r',
    job: null,
    trees: [],
    stepIds: [],
    problem: { code: 'conflict', field: 'x', message: 'y' },
  } as const
  const say = (more: object) => sayOutbox({ ...none, ...more } as never, 'America/New_York')
  expect(say({})).toBeNull()
  expect(say({ waiting: [1] })).toBe('1 going out')
  expect(say({ waiting: [1, 2], silentSince: at })).toBe('2 kept here, no signal since 10:42')
  expect(say({ refused: [refused] })).toBe('1 needs you')
  expect(say({ waiting: [1], refused: [refused, refused] })).toBe('1 going out · 2 need you')
})
