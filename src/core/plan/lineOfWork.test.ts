import fc from 'fast-check'
import { daysBetween } from '../time/calendar'
import { daysOfLine, MOST_DAYS_APART, moveStep, type Waits } from './lineOfWork'

/** Clear and bait, feed in a week, spray four weeks after the feed; the client waters a week after the first. */
const LINE: Waits[] = [
  { after: null },
  { after: { item: 0, days: 7 } },
  { after: { item: 1, days: 28 } },
  { after: { item: 0, days: 7 } },
]
const DAY = { onDate: '2026-06-12', today: '2026-06-10' }

test('every step falls so many days after the one it waits for', () => {
  expect(daysOfLine(LINE, '2026-06-12')).toEqual(['2026-06-12', '2026-06-19', '2026-07-17', '2026-06-19'])
})

test.each([
  ['a step that waits', 1, 3, { onDate: '2026-06-12', days: 10 }],
  ['not before what it waits for', 1, -30, { onDate: '2026-06-12', days: 0 }],
  ['not years away', 2, 5000, { onDate: '2026-06-12', days: MOST_DAYS_APART }],
  ['the first moves the day', 0, 5, { onDate: '2026-06-17', days: null }],
  ['and not into the past', 0, -5, { onDate: '2026-06-10', days: null }],
])('%s', (_, n, by, moved) => {
  expect(moveStep(LINE, n, by, DAY)).toEqual(moved)
})

test('what waits for a moved step moves as far as it does, and nothing else moves', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 3 }), fc.integer({ min: -40, max: 40 }), (n, by) => {
      const { onDate, days } = moveStep(LINE, n, by, DAY)
      const line = LINE.map((s, i) =>
        i === n && s.after !== null ? { after: { ...s.after, days: days! } } : s,
      )
      const [before, now] = [daysOfLine(LINE, DAY.onDate), daysOfLine(line, onDate)]
      const shift = before.map((d, i) => daysBetween(d, now[i]!))
      const waitsFor = (i: number): boolean =>
        i === n || (LINE[i]!.after !== null && waitsFor(LINE[i]!.after!.item))
      expect(shift).toEqual(LINE.map((_, i) => (waitsFor(i) ? shift[n] : 0)))
    }),
  )
})
