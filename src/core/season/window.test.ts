import fc from 'fast-check'
import { addDays } from '../time/calendar'
import { openDays, sayRule, type WindowInput, type WindowRule } from './window'

const base: WindowInput = { from: '2026-01-01', to: '2026-12-31', rules: [] }
const value = (part: Partial<WindowInput>) => {
  const r = openDays({ ...base, ...part })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}

test('without a rule every day is open', () => {
  expect(value({})).toMatchObject({
    open: [{ from: '2026-01-01', to: '2026-12-31' }],
    days: 365,
    emptiedBy: null,
  })
})

test('by the calendar, over the turn of the year too', () => {
  expect(value({ rules: [{ kind: 'dates', from: '10-15', to: '02-28' }] }).open).toEqual([
    { from: '2026-01-01', to: '2026-02-28' },
    { from: '2026-10-15', to: '2026-12-31' },
  ])
  expect(value({ rules: [{ kind: 'dates', from: '05-01', to: '05-01' }] }).days).toBe(1)
})

test('by the running total, both ends; a day without a figure is closed', () => {
  const days = [100, 150, 151, 450, 451].map((degreeDays, i) => ({
    date: addDays('2026-05-01', i),
    degreeDays,
  }))
  expect(value({ days, rules: [{ kind: 'degree-days', from: 150, to: 450 }] }).open).toEqual([
    { from: '2026-05-02', to: '2026-05-04' },
  ])
  expect(value({ rules: [{ kind: 'degree-days', from: 150, to: 450 }] })).toMatchObject({
    open: [],
    emptiedBy: 0,
  })
})

test('in a stage or out of it, with days round it; a stage nobody knows opens nothing and closes nothing', () => {
  const stages = [{ stage: 'bloom', from: '2026-04-25', to: '2026-05-06' }]
  const rule = (kind: 'stage' | 'not-stage', more = {}): WindowRule[] => [{ kind, stage: 'bloom', ...more }]
  expect(value({ stages, rules: rule('stage', { daysBefore: 2, daysAfter: 1 }) }).open).toEqual([
    { from: '2026-04-23', to: '2026-05-07' },
  ])
  expect(value({ stages, rules: rule('not-stage') }).days).toBe(365 - 12)
  expect(value({ rules: rule('stage') }).days).toBe(0)
  expect(value({ rules: rule('not-stage') }).days).toBe(365)
})

test('after any such event, no later than within', () => {
  const events = [
    { event: 'leaf fall', date: '2026-11-01' },
    { event: 'rain', date: '2026-06-01' },
    { event: 'rain', date: '2026-06-20' },
  ]
  expect(value({ events, rules: [{ kind: 'after', event: 'leaf fall' }] }).open[0]!.from).toBe('2026-11-01')
  expect(value({ events, rules: [{ kind: 'after', event: 'rain', days: 1, within: 3 }] }).open).toEqual([
    { from: '2026-06-02', to: '2026-06-04' },
    { from: '2026-06-21', to: '2026-06-23' },
  ])
})

test('so many days away from a date, on either side', () => {
  expect(value({ rules: [{ kind: 'apart', from: '2026-05-20', days: 7 }] }).open).toEqual([
    { from: '2026-01-01', to: '2026-05-13' },
    { from: '2026-05-27', to: '2026-12-31' },
  ])
})

test('the first rule that leaves no day is named, whatever comes after', () => {
  const may: WindowRule = { kind: 'dates', from: '05-01', to: '05-31' }
  const june: WindowRule = { kind: 'dates', from: '06-01', to: '06-30' }
  expect(value({ rules: [may, may, june, may] })).toMatchObject({ days: 0, open: [], emptiedBy: 2 })
})

test('the runs are apart, in order, and count up to the days; more rules never open more', () => {
  const rule = fc.oneof(
    fc.record({
      kind: fc.constant('dates' as const),
      from: fc.constantFrom('01-10', '04-01', '10-15'),
      to: fc.constantFrom('02-28', '06-30', '12-31'),
    }),
    fc.record({
      kind: fc.constant('apart' as const),
      from: fc.constantFrom('2026-03-01', '2026-08-01'),
      days: fc.integer({ min: 0, max: 60 }),
    }),
  )
  fc.assert(
    fc.property(fc.array(rule, { maxLength: 4 }), (rules) => {
      const all = value({ rules })
      const runs = all.open.map((r) => (Date.parse(r.to) - Date.parse(r.from)) / 86_400_000 + 1)
      expect(runs.reduce((a, b) => a + b, 0)).toBe(all.days)
      all.open.forEach((r, i) => i > 0 && expect(r.from > addDays(all.open[i - 1]!.to, 1)).toBe(true))
      expect(all.days).toBeLessThanOrEqual(value({ rules: rules.slice(0, -1) }).days)
      expect(all.emptiedBy === null).toBe(all.days > 0)
      for (const r of rules) expect(sayRule(r)).not.toMatch(/undefined|NaN/)
    }),
  )
})

test.each([
  [{ to: '2025-12-31' }, 'out-of-range', 'to'],
  [{ from: 'spring' }, 'bad-quantity', 'from'],
  [{ to: '2099-01-01' }, 'out-of-range', 'to'],
  [{ rules: [{ kind: 'dates', from: '13-01', to: '02-28' }] }, 'bad-quantity', 'rules[0].from'],
  [{ rules: [{ kind: 'degree-days', from: 5, to: 1 }] }, 'out-of-range', 'rules[0].to'],
  [{ rules: [{ kind: 'stage', stage: 'bloom', daysBefore: -1 }] }, 'out-of-range', 'rules[0].daysBefore'],
  [{ rules: [{ kind: 'after', event: 'rain', within: 1.5 }] }, 'out-of-range', 'rules[0].within'],
  [{ rules: [{ kind: 'apart', from: 'May', days: 3 }] }, 'bad-quantity', 'rules[0].from'],
  [{ stages: [{ stage: 'bloom', from: '2026-05-06', to: '2026-05-01' }] }, 'out-of-range', 'stages[0].to'],
  [{ events: [{ event: 'rain', date: 'now' }] }, 'bad-quantity', 'events[0].date'],
  [
    {
      days: [
        { date: '2026-05-01', degreeDays: 1 },
        { date: '2026-05-01', degreeDays: 2 },
      ],
    },
    'out-of-range',
    'days[1].date',
  ],
] as [Partial<WindowInput>, string, string][])('%j is %s', (part, code, field) => {
  expect(openDays({ ...base, ...part })).toMatchObject({ ok: false, problem: { code, field } })
})
