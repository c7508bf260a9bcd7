import fc from 'fast-check'
import { addDays, spokenDay } from '../time/calendar'
import { renewal, sayRenewal } from './renewal'

const due = { dueFrom: '2026-06-17', dueTo: '2026-06-20', left: 72 }
const say = (gone: string | null, school: 'need' | 'calendar' = 'need') =>
  sayRenewal(renewal({ ...due, gone }, school), spokenDay)

test('by need a cover is renewed when half of it is gone, within the days of its card', () => {
  expect(renewal({ ...due, gone: '2026-06-18' }, 'need')).toEqual({
    left: 72,
    by: '2026-06-18',
    why: 'washed or grown off',
    bare: false,
  })
  expect(renewal({ ...due, gone: '2026-06-14' }, 'need')).toMatchObject({ by: '2026-06-17', bare: true })
  expect(renewal({ ...due, gone: '2026-06-25' }, 'need')).toMatchObject({
    by: '2026-06-20',
    why: 'the longest its card allows',
  })
  expect(renewal({ ...due, gone: null }, 'need').by).toBe('2026-06-20')
})

test('by the calendar rain moves nothing, and what is bare is said all the same', () => {
  expect(renewal({ ...due, gone: '2026-06-14' }, 'calendar')).toMatchObject({ by: '2026-06-20', bare: true })
})

test('it is said with its reason', () => {
  expect(say('2026-06-18')).toBe('72 % of the cover left, renew by 18 Jun, when less than half is left')
  expect(say('2026-06-14')).toBe(
    '72 % of the cover left, gone before its card lets it go on again; renew on 17 Jun',
  )
  expect(say(null)).toBe('72 % of the cover left, renew by 20 Jun, the longest its card allows')
  expect(say('2026-06-18', 'calendar')).toBe(
    '72 % of the cover left, by the calendar, as chosen: until 20 Jun',
  )
  expect(sayRenewal(renewal({ ...due, left: null, gone: null }, 'need'), spokenDay)).toBe(
    'renew by 20 Jun, the longest its card allows',
  )
})

test('it is never renewed outside the days of its card', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 0, max: 20 }),
      fc.option(fc.integer({ min: -30, max: 60 })),
      fc.constantFrom('need' as const, 'calendar' as const),
      (start, long, gone, school) => {
        const dueFrom = addDays('2026-05-01', start)
        const dueTo = addDays(dueFrom, long)
        const { by } = renewal(
          { dueFrom, dueTo, left: null, gone: gone === null ? null : addDays('2026-05-01', gone) },
          school,
        )
        return by >= dueFrom && by <= dueTo
      },
    ),
  )
})
