import fc from 'fast-check'
import { planConflicts, type Application, type IntervalRules } from './planned'

const app = (date: string, product: string, part: Partial<Application> = {}): Application => ({
  date: `2026-${date}`,
  product,
  active: product.toLowerCase(),
  group: '3',
  kind: 'fungicide',
  ...part,
})
/** Conflicts in short: `05-06 A too-soon 05-01 A`. */
const found = (plan: Application[], history: Application[], rules: IntervalRules) => {
  const r = planConflicts({ plan, history, rules })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value.conflicts.map((c) =>
    [c.date.slice(5), c.product, c.rule, c.with && `${c.with.date.slice(5)} ${c.with.product}`]
      .filter(Boolean)
      .join(' '),
  )
}
const days = (n: number) => ({ minDays: new Map([['A', n]]) })

describe('too soon', () => {
  test('after a past one, before a past one, and the later of two planned ones', () => {
    expect(found([app('05-07', 'A')], [app('05-01', 'A')], days(7))).toEqual(['05-07 A too-soon 05-01 A'])
    expect(found([app('05-08', 'A')], [app('05-01', 'A')], days(7))).toEqual([])
    expect(found([app('05-01', 'A')], [app('05-05', 'A')], days(7))).toEqual(['05-01 A too-soon 05-05 A'])
    expect(found([app('05-05', 'A'), app('05-01', 'A')], [], days(7))).toEqual(['05-05 A too-soon 05-01 A'])
  })
  test('the nearest is named, of equally near ones the earlier', () => {
    expect(found([app('05-05', 'A')], [app('05-01', 'A'), app('05-07', 'A')], days(7))).toEqual([
      '05-05 A too-soon 05-07 A',
    ])
    expect(found([app('05-05', 'A')], [app('05-03', 'A'), app('05-07', 'A')], days(7))).toEqual([
      '05-05 A too-soon 05-03 A',
    ])
  })
  test('the same day is no days apart, across the new year too', () => {
    expect(found([app('05-01', 'A')], [app('05-01', 'A')], days(1))).toEqual(['05-01 A too-soon 05-01 A'])
    expect(found([app('01-02', 'A')], [{ ...app('12-30', 'A'), date: '2025-12-30' }], days(4))).toEqual([
      '01-02 A too-soon 12-30 A',
    ])
  })
  test('other products have their own interval or none', () => {
    expect(found([app('05-02', 'B')], [app('05-01', 'A'), app('05-01', 'B')], days(7))).toEqual([])
  })
})

test('too many: beyond the most of its calendar year, history counted', () => {
  const rules = { maxApplications: new Map([['A', 2]]) }
  const past = [app('03-01', 'A'), { ...app('11-01', 'A'), date: '2025-11-01' }]
  expect(found([app('04-01', 'A'), app('05-01', 'A'), app('06-01', 'A')], past, rules)).toEqual([
    '05-01 A too-many',
    '06-01 A too-many',
  ])
  expect(found([app('04-01', 'A')], [], { maxApplications: new Map([['A', 0]]) })).toEqual([
    '04-01 A too-many',
  ])
})

test('apart: one conflict for each other application that is too near', () => {
  const rules: IntervalRules = { apart: [{ actives: ['oil', 'sulfur'], days: 14 }] }
  const oil = (d: string) => app(d, 'O', { active: 'oil' })
  const sulfur = (d: string) => app(d, 'S', { active: 'sulfur' })
  expect(found([oil('05-20')], [sulfur('05-10'), sulfur('05-30'), sulfur('06-03')], rules)).toEqual([
    '05-20 O apart 05-10 S',
    '05-20 O apart 05-30 S',
  ])
  expect(found([sulfur('05-10'), oil('05-20')], [], rules)).toEqual(['05-20 O apart 05-10 S'])
  expect(found([oil('05-20'), oil('05-21')], [], rules)).toEqual([])
})

test('same group: a run longer than allowed, broken by another group and by many-site products', () => {
  const rules = { maxRunOfGroup: 2, rotate: ['fungicide'] }
  const g = (d: string, group: string, kind = 'fungicide') => app(d, `P${d}`, { group, kind })
  const plan = [g('05-01', '3'), g('05-08', '3'), g('05-15', '3'), g('05-22', '3')]
  expect(found(plan, [], rules)).toEqual([
    '05-15 P05-15 same-group 05-08 P05-08',
    '05-22 P05-22 same-group 05-15 P05-15',
  ])
  expect(found([plan[0]!, plan[1]!, g('05-10', '11'), plan[2]!], [], rules)).toEqual([])
  expect(found([plan[0]!, plan[1]!, g('05-10', 'M02'), plan[2]!], [], rules)).toEqual([])
  expect(
    found(
      ['05-01', '05-02', '05-03', '05-04'].map((d) => g(d, 'M04')),
      [],
      rules,
    ),
  ).toEqual([])
  expect(found([plan[0]!, plan[1]!, g('05-10', '11', 'insecticide'), plan[2]!], [], rules)).toEqual([
    '05-15 P05-15 same-group 05-08 P05-08',
  ])
  expect(found([plan[2]!], [plan[0]!, plan[1]!], rules)).toEqual(['05-15 P05-15 same-group 05-08 P05-08'])
  expect(found(plan, [], { maxRunOfGroup: 2 })).toEqual([])
})

test('harvest counts back from picking; after it nothing is asked', () => {
  const rules = { harvest: '2026-08-20', harvestDays: new Map([['A', 14]]) }
  expect(
    found(
      ['08-06', '08-07', '08-20', '08-21'].map((d) => app(d, 'A')),
      [],
      rules,
    ),
  ).toEqual(['08-07 A harvest', '08-20 A harvest'])
})

test('bloom holds on its first and last day, for the products listed', () => {
  const rules = { bloom: { from: '2026-04-25', to: '2026-05-06' }, notInBloom: ['A'] }
  expect(
    found(
      ['04-24', '04-25', '05-06', '05-07'].map((d) => app(d, 'A')),
      [],
      rules,
    ),
  ).toEqual(['04-25 A bloom', '05-06 A bloom'])
  expect(found([app('05-01', 'B')], [], rules)).toEqual([])
})

test('sorted by date, product, rule, other’s date', () => {
  const rules: IntervalRules = {
    ...days(30),
    maxApplications: new Map([['A', 1]]),
    bloom: { from: '2026-05-01', to: '2026-05-31' },
    notInBloom: ['A', 'B'],
    apart: [{ actives: ['a', 'b'], days: 90 }],
  }
  expect(found([app('05-09', 'B'), app('05-09', 'A')], [app('05-01', 'A')], rules)).toEqual([
    '05-09 A apart 05-09 B',
    '05-09 A bloom',
    '05-09 A too-many',
    '05-09 A too-soon 05-01 A',
    '05-09 B apart 05-01 A',
    '05-09 B bloom',
  ])
})

test('what has been done is never in conflict, and without rules nothing is', () => {
  const date = fc.integer({ min: 1, max: 28 }).map((d) => `05-${String(d).padStart(2, '0')}`)
  const list = fc
    .array(fc.tuple(date, fc.constantFrom('A', 'B')), { maxLength: 8 })
    .map((l) => l.map(([d, p]) => app(d, p)))
  fc.assert(
    fc.property(list, list, (plan, history) => {
      expect(found([], history, { ...days(7), maxApplications: new Map([['A', 1]]) })).toEqual([])
      expect(found(plan, history, {})).toEqual([])
      const soon = found(plan, history, days(7)).length
      expect(soon).toBeLessThanOrEqual(plan.length)
      expect(found(plan, history, days(3)).length).toBeLessThanOrEqual(soon)
    }),
  )
})

test.each([
  [{ plan: [{ ...app('05-01', 'A'), date: '2026-13-01' }] }, 'plan[0].date'],
  [{ history: [{ ...app('05-01', 'A'), date: 'May' }] }, 'history[0].date'],
  [{ rules: { harvest: '2026-02-30' } }, 'rules.harvest'],
  [{ rules: { bloom: { from: '2026-05-09', to: '2026-05-01' } } }, 'rules.bloom.to'],
  [{ rules: { maxRunOfGroup: 0 } }, 'rules.maxRunOfGroup'],
  [{ rules: { minDays: new Map([['A', -1]]) } }, 'rules.minDays.A'],
  [{ rules: { apart: [{ actives: ['a', 'b'], days: -1 }] } }, 'rules.apart[0].days'],
] as [object, string][])('%j is refused at %s', (input, field) => {
  expect(planConflicts({ plan: [], history: [], rules: {}, ...input })).toMatchObject({
    ok: false,
    problem: { field },
  })
})

describe('many applications', () => {
  const one = fc.record({
    date: fc.integer({ min: 1, max: 60 }).map((n) => {
      const d = new Date(Date.UTC(2026, 3, n))
      return d.toISOString().slice(0, 10)
    }),
    product: fc.constantFrom('A', 'B', 'C'),
    active: fc.constantFrom('a', 'b', 'c'),
    group: fc.constantFrom('3', 'M1'),
    kind: fc.constantFrom('fungicide', 'insecticide'),
  })
  const DAY = 86_400_000
  const far = (x: Application, y: Application) => Math.abs(Date.parse(x.date) - Date.parse(y.date)) / DAY

  /** Every pair looked at, the plain way. */
  function plainly(plan: Application[], history: Application[], rules: IntervalRules) {
    const all = [...history.map((a) => ({ a, planned: false })), ...plan.map((a) => ({ a, planned: true }))]
      .map((x, given) => ({ ...x, given }))
      .sort((x, y) => (x.a.date < y.a.date ? -1 : x.a.date > y.a.date ? 1 : x.given - y.given))
    const said: string[] = []
    all.forEach((x, i) => {
      if (!x.planned) return
      const others = all.filter((y, j) => j !== i && (!y.planned || j < i))
      const days = rules.minDays?.get(x.a.product)
      const same = others.filter((y) => y.a.product === x.a.product)
      const least = Math.min(...same.map((y) => far(x.a, y.a)))
      const nearest = same.find((y) => far(x.a, y.a) === least)
      if (days !== undefined && nearest && least < days)
        said.push(`${x.a.date} ${x.a.product} too-soon ${nearest.a.date} ${nearest.a.product}`)
      for (const y of others)
        for (const { actives, days: d } of rules.apart ?? [])
          if ([x.a.active, y.a.active].sort().join() === [...actives].sort().join() && far(x.a, y.a) < d)
            said.push(`${x.a.date} ${x.a.product} apart ${y.a.date} ${y.a.product}`)
    })
    return said.sort()
  }

  test('looked at by product and date, they are the same as looked at pair by pair', () => {
    fc.assert(
      fc.property(
        fc.array(one, { maxLength: 25 }),
        fc.array(one, { maxLength: 25 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        (plan, history, least, apart) => {
          const rules: IntervalRules = {
            minDays: new Map([
              ['A', least],
              ['B', 3],
            ]),
            apart: [
              { actives: ['a', 'b'], days: apart },
              { actives: ['c', 'c'], days: 4 },
            ],
          }
          const r = planConflicts({ plan, history, rules })
          if (!r.ok) throw new Error(r.problem.message)
          const said = r.value.conflicts.map(
            (c) => `${c.date} ${c.product} ${c.rule} ${c.with!.date} ${c.with!.product}`,
          )
          expect(said.sort()).toEqual(plainly(plan, history, rules))
        },
      ),
      { numRuns: 300 },
    )
  })

  test('two thousand planned beside two thousand past answer at once, or say that it is too much', () => {
    const many = (year: number) =>
      Array.from({ length: 2000 }, (_, i) => ({
        ...app('05-01', 'A'),
        date: new Date(Date.UTC(year, 0, 1) + (i % 360) * DAY).toISOString().slice(0, 10),
      }))
    const began = performance.now()
    const soon = planConflicts({
      plan: many(2026),
      history: many(2026),
      rules: { minDays: new Map([['A', 7]]) },
    })
    expect(soon.ok && soon.value.conflicts.length).toBe(2000)
    const apart = planConflicts({
      plan: many(2026),
      history: many(2026),
      rules: { apart: [{ actives: ['a', 'a'], days: 400 }] },
    })
    expect(apart).toMatchObject({ ok: false, problem: { code: 'out-of-range', field: 'plan' } })
    // Pair by pair this took 39 s.
    expect(performance.now() - began).toBeLessThan(3000)
  })
})

test('an active is one however it is written, and so is a group', () => {
  const at = (date: string, active: string, group = '3'): Application => ({
    date,
    product: active,
    active,
    group,
    kind: 'fungicide',
  })
  const apart = { apart: [{ actives: ['Oil', 'sulphur'] as const, days: 14 }] }
  const found = planConflicts({
    history: [at('2026-05-01', 'Sulfur ')],
    plan: [at('2026-05-06', 'horticultural oil')],
    rules: apart,
  })
  expect(found.ok && found.value.conflicts.map((c) => c.rule)).toEqual(['apart'])
  const run = planConflicts({
    history: [at('2026-05-01', 'a', '4a'), at('2026-05-08', 'b', ' 4A')],
    plan: [at('2026-05-15', 'c', '4A')],
    rules: { maxRunOfGroup: 2, rotate: ['fungicide'] },
  })
  expect(run.ok && run.value.conflicts.map((c) => c.rule)).toEqual(['same-group'])
})
