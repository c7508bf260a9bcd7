import fc from 'fast-check'
import { addDays } from '../time/calendar'
import { nextTime } from './nextTime'

const GROWING = { from: '03-01', to: '11-15' }
const cover = { least: 7, most: 10, season: GROWING }
const guards = { least: 300, most: 430, yearly: { from: '10-01', to: '11-30', called: 'autumn' } }

test('a cover is due some days on, and ends with the season it went on in', () => {
  expect(nextTime(cover, '2026-06-12', false)).toEqual({
    dueFrom: '2026-06-19',
    dueTo: '2026-06-22',
    endsOn: '2026-11-15',
    over: false,
  })
  expect(nextTime(cover, '2026-11-10', false)).toMatchObject({ endsOn: '2026-11-15', over: true })
  // What goes on before the season is renewed within it.
  expect(nextTime(cover, '2027-02-20', false)).toMatchObject({ endsOn: '2027-11-15', over: false })
})

test('in the south the season ends half a year off', () => {
  const south = nextTime(cover, '2026-12-12', true)
  expect(south.over).toBe(false)
  expect(south.endsOn!.slice(0, 7)).toBe('2027-05')
})

test('guards come again each autumn, whenever they were put on', () => {
  for (const on of ['2026-10-05', '2026-12-20', '2027-01-15'])
    expect(nextTime(guards, on, false)).toEqual({
      dueFrom: '2027-10-01',
      dueTo: '2027-11-30',
      endsOn: '2028-01-29',
      over: false,
    })
  expect(nextTime(guards, '2027-04-15', true).dueFrom.slice(0, 7)).toBe('2028-04')
})

test('what has no season ends by nobody but a person', () => {
  expect(nextTime({ least: 3, most: 5 }, '2026-12-30', false)).toEqual({
    dueFrom: '2027-01-02',
    dueTo: '2027-01-04',
    endsOn: null,
    over: false,
  })
})

test('it is due after it was done, and before it ends unless its season is over', () => {
  const day = fc.integer({ min: 0, max: 1200 }).map((n) => addDays('2026-01-01', n))
  fc.assert(
    fc.property(
      day,
      fc.boolean(),
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: 0, max: 30 }),
      (on, south, least, more) => {
        for (const r of [
          { least, most: least + more, season: GROWING },
          { least, most: least + more, yearly: guards.yearly },
        ]) {
          const next = nextTime(r, on, south)
          expect(next.dueFrom > on && next.dueFrom <= next.dueTo).toBe(true)
          expect(next.over).toBe(next.dueFrom > next.endsOn!)
        }
      },
    ),
  )
})
