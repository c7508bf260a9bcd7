import { ACTIONS } from './propose'
import { daysUntil, FOLLOWS, promisedBy, type PlainAction } from './promised'

const today = '2026-06-12'
const PLAIN = ACTIONS.filter((a): a is PlainAction => a !== 'treat')

test.each(PLAIN)('%s leads to a dated question', (action) => {
  const r = promisedBy(action, { today, due: '2026-06-30' })
  expect(r).toMatchObject({ ok: true, value: { dueOn: '2026-06-30', expectation: { againDays: 18 } } })
  if (r.ok) expect(r.value.expectation.question).toMatch(/\?$/)
})

test('today is a day, and what is then looked at again comes after the usual time', () => {
  const r = promisedBy('watch', { today, due: today })
  expect(r).toMatchObject({ ok: true, value: { expectation: { againDays: FOLLOWS.watch.days } } })
})

test('a threshold makes a count of it', () => {
  expect(
    promisedBy('watch', {
      today,
      due: '2026-06-26',
      watch: { count: 'live mites on ten leaves', threshold: 10 },
    }),
  ).toMatchObject({
    ok: true,
    value: {
      what: 'Count: live mites on ten leaves',
      expectation: { kind: 'count', expected: 10, watch: { againDays: 14 } },
    },
  })
})

test('whose answer it is stands in the calendar', () => {
  expect(promisedBy('refer', { today, due: '2026-06-19', whom: 'Odile Ferrant' })).toMatchObject({
    value: { what: 'The risk assessor’s answer (Odile Ferrant)' },
  })
})

test.each([
  [null, 'missing', /choose a day/],
  ['2026-06-11', 'out-of-range', /in the past/],
  ['2031-06-12', 'out-of-range', /three years/],
] as const)('a day of %s is refused', (due, code, message) => {
  expect(promisedBy('watch', { today, due })).toMatchObject({
    ok: false,
    problem: { code, field: 'due', message: expect.stringMatching(message) },
  })
})

test('what carries a wilt to its neighbours is down within two weeks', () => {
  expect(daysUntil('remove', { carries: true })).toBe(14)
  expect(daysUntil('remove', { carries: false })).toBe(30)
  expect(daysUntil('watch', { carries: true })).toBe(FOLLOWS.watch.days)
})
