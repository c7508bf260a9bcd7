import { toSI } from '../quantity/units'
import { leftOf, refusedByGround } from './ground'
import { share, type ShareInput, type ShareWay } from './share'

/** Every bound of what is shared out: what lies on it is taken, what lies beyond it is refused at its field. */
const TEN_YEARS = 5_300_000
const way = (more: Partial<ShareWay>): ShareWay => ({
  way: 'drench',
  active: 0.01,
  minutes: 12,
  worth: 1,
  ...more,
})
const input = (more: Partial<ShareInput> = {}, own: Partial<ShareWay> = {}): ShareInput => ({
  limit: 1,
  applied: [],
  trees: [{ id: 'A', priority: 1, ways: [way(own)] }],
  ...more,
})
const fieldOf = (i: ShareInput) => {
  const r = share(i)
  return r.ok ? null : r.problem.field
}

test.each([
  [{}, { active: 0 }, null],
  [{}, { active: -1e-9 }, 'trees[0].ways[0].active'],
  [{}, { minutes: 0 }, null],
  [{}, { minutes: -1 }, 'trees[0].ways[0].minutes'],
  [{}, { minutes: TEN_YEARS }, null],
  [{}, { minutes: TEN_YEARS + 1 }, 'trees[0].ways[0].minutes'],
  [{}, { worth: 0 }, null],
  [{}, { worth: -1 }, 'trees[0].ways[0].worth'],
  [{}, { worth: 1e6 }, null],
  [{}, { worth: 1e6 + 1 }, 'trees[0].ways[0].worth'],
  [{ limit: 0 }, { active: 0 }, null],
  [{ limit: -1e-9 }, {}, 'limit'],
  [{ minutes: 0 }, {}, null],
  [{ minutes: -1 }, {}, 'minutes'],
  [{ minutes: TEN_YEARS }, {}, null],
  [{ minutes: TEN_YEARS + 1 }, {}, 'minutes'],
  [{ trees: [] }, {}, 'trees'],
] as [Partial<ShareInput>, Partial<ShareWay>, string | null][])('%j with %j', (more, own, field) => {
  expect(fieldOf(input(more, own))).toBe(field)
})

test('one way twice at a tree is one too many', () => {
  expect(fieldOf(input({ trees: [{ id: 'A', priority: 1, ways: [way({}), way({})] }] }))).toBe(
    'trees[0].ways[1].way',
  )
})

test('what ways are taken is said with their sums, and what is passed as passed', () => {
  const r = share(
    input({
      limit: 0.03,
      applied: [0.01],
      trees: ['A', 'B', 'C'].map((id) => ({ id, priority: 1, ways: [way({})] })),
    }),
  )
  if (!r.ok) throw new Error(r.problem.message)
  const lines = new Map(r.value.working.map((s) => [s.label, s]))
  const lb = (kg: number) => `${Math.round((kg / toSI(1, 'lb')) * 1e4) / 1e4} lb`
  expect(lines.get('Left of the limit')!.result).toBe(lb(0.02))
  expect(lines.get('By drench')).toMatchObject({ result: '2 trees', expression: `${lb(0.02)}, 24 min` })
  expect(lines.get('Left out')!.result).toBe('1 of 3 trees')
  const passed = share(input({ limit: 0.01, applied: [0.02] }))
  expect(passed.ok && passed.value.working[0]).toMatchObject({ label: 'Passed already by', result: lb(0.01) })
  const one = share(input({ limit: 0.01 }))
  expect(one.ok && one.value.working.find((s) => s.label === 'By drench')!.result).toBe('1 tree')
})

test('a ground says what stands against more, and only what there is of it', () => {
  const why = (use: Partial<Record<'applied' | 'others' | 'planned', number>>, wanted = 2) => {
    const all = { active: 'imidacloprid', applied: 0, others: 0, planned: 0, ...use }
    const r = refusedByGround(wanted, { allowed: 1, left: leftOf(1, all) }, all, '2026', 'us')
    return r === null || r.ok ? null : r.problem.message
  }
  expect(why({})).toMatch(/2\.205 lb allowed|4\.409 lb of imidacloprid is more than the 2\.205 lb/)
  expect(why({})).not.toMatch(/put on|by others|planned/)
  expect(why({ applied: 0.1 })).toMatch(/allowed, 0\.22 lb put on\. Leave/)
  expect(why({ others: 0.1, planned: 0.2 })).toMatch(/allowed, 0\.22 lb by others, 0\.441 lb planned\. Leave/)
  expect(why({ applied: 3 })).toMatch(/more than the 0 lb that the limit leaves/)
  // To the last of it, and no more.
  expect(why({}, 1)).toBeNull()
  expect(why({}, 1.0001)).not.toBeNull()
})
