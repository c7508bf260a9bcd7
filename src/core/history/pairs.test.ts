import fc from 'fast-check'
import { addDays, daysBetween } from '../time/calendar'
import {
  apartProblem,
  atWork,
  countProblem,
  daysApart,
  dueAfter,
  firstFree,
  intervalProblem,
  rotationProblem,
  type Candidate,
} from './pairs'
import { dueAgain } from './dueAgain'
import { usedActives } from './use'
import { used } from './use.testing'

const on = (day: string, more = {}) => used('CP4', ['captan'], day, { method: 'crown-spray', ...more })
const captan = (day: string, leastDays = 7): Candidate => ({
  on: day,
  code: 'CP4',
  actives: usedActives([{ name: 'Captan' }]),
  keeps: { leastDays },
})

test('every use is looked at, not the newest only, and both ways in time', () => {
  const history = [on('2026-05-01'), on('2026-05-31')]
  expect(intervalProblem(history, captan('2026-05-04'))?.use.on).toBe('2026-05-01')
  expect(intervalProblem(history, captan('2026-05-26'))).toMatchObject({ until: '2026-06-07' })
  expect(intervalProblem(history, captan('2026-05-08'))).toBeNull()
  expect(
    firstFree('2026-06-15', [
      { use: on('2026-06-12'), days: 7 },
      { use: on('2026-06-24'), days: 7 },
    ]),
  ).toBe('2026-07-01')
})

test('what is promised keeps its distance where none of its days would, and counts in the year in which all of them lie', () => {
  const promised = on('2026-06-19', { to: '2026-07-03', state: 'promised' })
  expect(daysApart(promised, '2026-06-20')).toBe(13)
  expect(daysApart(on('2026-06-19'), '2026-06-20')).toBe(1)
  // A week from either end there is room for it; fourteen days from both there is none.
  expect(intervalProblem([promised], captan('2026-06-20'))).toBeNull()
  expect(intervalProblem([promised], captan('2026-06-26', 8))).toMatchObject({ until: '2026-06-27' })
  const oil: Candidate = {
    on: '2026-06-22',
    code: 'HO1',
    actives: usedActives([{ name: 'horticultural oil' }]),
    keeps: {},
  }
  expect(apartProblem([promised], oil)).toMatchObject({ days: 14, other: 'captan', until: '2026-07-03' })
  expect(apartProblem([promised], { ...oil, on: '2026-06-19' })).toBeNull()
  expect(countProblem([promised], captan('2026-08-01'), 1)).toHaveLength(1)
  const winter = on('2026-12-28', { to: '2027-01-11', state: 'promised' })
  expect(countProblem([winter], captan('2026-08-01'), 1)).toBeNull()
})

const day = fc.integer({ min: 0, max: 500 }).map((n) => addDays('2026-01-01', n))
const uses = fc.array(fc.tuple(day, fc.constantFrom('captan', 'Captan ', 'sulfur', 'oil', 'myclobutanil')), {
  maxLength: 12,
})
const historyOf = (rows: [string, string][]) =>
  rows.map(([d, active], i) => used(`C${i}`, [active], d, { method: 'crown-spray' }))
const problems = (rows: [string, string][], c: Candidate) => {
  const history = historyOf(rows)
  return [
    intervalProblem(history, c)?.until ?? null,
    apartProblem(history, c)?.until ?? null,
    countProblem(history, c, 3)?.length ?? null,
    rotationProblem(history, { ...c, kind: 'fungicide' })?.row.length ?? null,
  ]
}

test('the order of rows changes nothing', () =>
  fc.assert(
    fc.property(uses, day, (rows, d) => {
      expect(problems([...rows].reverse(), captan(d))).toEqual(problems(rows, captan(d)))
    }),
  ))

test('one more use never opens what was closed', () =>
  fc.assert(
    fc.property(uses, day, day, fc.constantFrom('captan', 'sulfur', 'oil'), (rows, d, later, active) => {
      const c = captan(d)
      const [first, more] = [problems(rows, c), problems([...rows, [later, active]], c)]
      first.slice(0, 3).forEach((closed, i) => {
        if (closed !== null) expect([i, more[i]]).not.toEqual([i, null])
      })
    }),
  ))

test('two that are signed together are held against each other, whichever is asked', () =>
  fc.assert(
    fc.property(day, day, (a, b) => {
      const one = intervalProblem([on(a, { keeps: { leastDays: 7 } })], captan(b, 0))
      const other = intervalProblem([on(b)], captan(a, 7))
      expect(one === null).toBe(other === null)
      expect(one === null).toBe(Math.abs(daysBetween(a, b)) >= 7)
    }),
  ))

test('the first free day keeps its distance from all', () =>
  fc.assert(
    fc.property(
      fc.array(day, { maxLength: 10 }),
      day,
      fc.integer({ min: 1, max: 40 }),
      (days, from, least) => {
        const held = days.map((d) => ({ use: on(d), days: least }))
        const free = firstFree(from, held)
        expect(free >= from).toBe(true)
        for (const d of days) expect(Math.abs(daysBetween(d, free))).toBeGreaterThanOrEqual(least)
      },
    ),
  ))

test('as often a year as the card says, by product or active, counted in the year of the day', () => {
  const history = [on('2026-05-01'), used('CX1', ['CAPTAN'], '2026-06-01'), on('2025-06-01')]
  expect(countProblem(history, captan('2026-09-01'), 2)?.map((u) => u.code)).toEqual(['CP4', 'CX1'])
  expect(countProblem(history, captan('2026-09-01'), 3)).toBeNull()
  expect(countProblem(history, captan('2025-09-01'), 2)).toBeNull()
  expect(countProblem(history, captan('2026-09-01'), undefined)).toBeNull()
})

test('not more than two in a row of a group that is grown used to', () => {
  const my = (d: string) => used('MY3', ['myclobutanil'], d, { method: 'crown-spray' })
  const c = { ...captan('2026-06-12'), actives: usedActives([{ name: 'difenoconazole' }]), kind: 'fungicide' }
  expect(rotationProblem([my('2026-05-20'), my('2026-06-01')], c)?.group).toBe('3')
  expect(rotationProblem([my('2026-06-01'), my('2026-06-20')], c)?.row).toHaveLength(2)
  expect(rotationProblem([my('2026-06-01')], c)).toBeNull()
  // A product of many sites between ends the row; last season’s is another row.
  expect(rotationProblem([my('2026-05-20'), on('2026-05-28'), my('2026-06-01')], c)).toBeNull()
  expect(rotationProblem([my('2025-07-20'), my('2026-06-01')], c)).toBeNull()
  expect(rotationProblem([my('2026-05-20'), my('2026-06-01')], { ...c, kind: 'insecticide' })).toBeNull()
  const m = { ...captan('2026-06-12'), kind: 'fungicide' }
  expect(rotationProblem([on('2026-05-20'), on('2026-06-01')], m)).toBeNull()
})

test('what is at work is let work, and a little early is the next visit', () => {
  const ash = { on: '2026-06-12', actives: [], cause: 'emerald-ash-borer', lastsDays: 365 }
  const eb = (d: string, more = {}) =>
    used('EB4', ['emamectin benzoate'], d, { method: 'trunk-injection', lastsDays: 730, ...more })
  expect(dueAfter(365)).toBe(328)
  expect(dueAfter(1825)).toBe(1734)
  expect(dueAfter(730)).toBe(657)
  expect(atWork([eb('2024-08-25')], ash)?.until).toBe('2026-06-13')
  expect(atWork([eb('2024-08-24')], ash)).toBeNull()
  expect(atWork([eb('2024-06-12')], ash)).toBeNull()
  expect(atWork([eb('2025-08-20')], { ...ash, lastsDays: 0 })).toBeNull()
  expect(atWork([eb('2025-08-20', { method: 'crown-spray' })], ash)).toBeNull()
  // The same active against something else only while both would be at work.
  const aphids = { ...ash, cause: 'aphids', actives: usedActives([{ name: 'Emamectin' }]) }
  expect(atWork([eb('2025-12-20')], aphids)).not.toBeNull()
  expect(atWork([eb('2025-06-20')], aphids)).toBeNull()
})

test('due again by the shorter of card and cause, never before the card’s least', () => {
  const use = (retreatYears: number, leastDays?: number) => ({
    terms: { retreatYears } as never,
    limits: { leastDays },
  })
  expect(dueAgain(use(5, 300), 365)).toBe(365)
  expect(dueAgain(use(5, 400), 365)).toBe(400)
  expect(dueAgain(use(2), 1825)).toBe(730)
  expect(dueAgain(use(2), null)).toBe(730)
  expect(dueAgain({ terms: {} as never, limits: undefined }, null)).toBeNull()
})
