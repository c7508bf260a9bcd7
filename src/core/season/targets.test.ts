import { targetDays } from './targets'

/** Ten a day, a hundred days known; the years before came a week later. */
const known = Array.from({ length: 200 }, (_, i) => (i <= 100 ? i * 10 : null))
const past = [Array.from({ length: 200 }, (_, i) => Math.max(0, (i - 7) * 10))]
const q = { known, day: 90, past }

test('a sum is counted from the beginning of the year', () => {
  expect(targetDays({ from: 300, to: 500 }, q)).toMatchObject({
    begins: { day: 30, by: 'measured' },
    ends: { day: 50 },
    low: 300,
  })
})

test('one that begins at a catch is counted from that day on, and until then from where the catch is looked for', () => {
  const since = { from: 200, seenDay: null }
  expect(targetDays({ from: 250, to: 500, since }, q)).toMatchObject({
    begins: { day: 45 },
    low: 450,
    high: 700,
  })
  // The first moth was caught on day 40, at 400: twenty days later than it was looked for.
  expect(targetDays({ from: 250, to: 500, since: { ...since, seenDay: 40 } }, q)).toMatchObject({
    begins: { day: 65, by: 'measured' },
    ends: { day: 90 },
    low: 650,
  })
})

test('what lies beyond what is known goes by past years, and a day of which nothing is known by the sum', () => {
  expect(targetDays({ from: 1100, to: 1200 }, q).begins).toMatchObject({ day: 110, by: 'past years' })
  expect(targetDays({ from: 250, to: 500, since: { from: 200, seenDay: 150 } }, q).low).toBe(450)
})
