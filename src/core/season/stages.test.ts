import { stageDays, stageOn, type StageTable } from './stages'
import type { Warmth } from './year'

/** Ten degree days a day. */
const steady = (days: number, from = 0): Warmth => Array.from({ length: days }, (_, i) => from + i * 10)
const past = [steady(200), steady(200)]
const table: StageTable = {
  stages: [
    { stage: 'green tip', low: 90, high: 110 },
    { stage: 'bloom', low: 380, high: 420 },
    { stage: 'petal fall', low: 490, high: 510 },
  ],
}
const days = (seen = [] as { stage: string; day: number }[], today = 20, t = table) =>
  stageDays(t, seen, steady(today + 1), today, past)

test('a stage begins where its sum is come to, with the range of its sums', () => {
  expect(days()).toEqual([
    { stage: 'green tip', begins: { day: 10, earliest: 9, latest: 11, by: 'measured' }, seen: false },
    { stage: 'bloom', begins: { day: 40, earliest: 38, latest: 42, by: 'past years' }, seen: false },
    { stage: 'petal fall', begins: { day: 50, earliest: 49, latest: 51, by: 'past years' }, seen: false },
  ])
})

test('what was seen moves what follows by as much', () => {
  const seen = days([{ stage: 'green tip', day: 15 }])
  expect(seen[0]).toMatchObject({ begins: { day: 15 }, seen: true })
  expect(seen.map((s) => s.begins.day)).toEqual([15, 45, 55])
  // A later stage that was seen holds for what follows it.
  const both = days(
    [
      { stage: 'bloom', day: 38 },
      { stage: 'green tip', day: 15 },
    ],
    40,
  )
  expect(both.map((s) => s.begins.day)).toEqual([15, 38, 48])
})

test('a stage before one that was seen does not come after it', () => {
  expect(days([{ stage: 'bloom', day: 8 }])[0]!.begins).toEqual({
    day: 7,
    earliest: 7,
    latest: 7,
    by: 'measured',
  })
})

test('a kind that is earlier comes earlier, and seen it is measured at its own warmth', () => {
  const peach = { ...table, daysBefore: 10 }
  expect(days([], 20, peach).map((s) => s.begins.day)).toEqual([0, 30, 40])
  expect(days([{ stage: 'green tip', day: 2 }], 20, peach).map((s) => s.begins.day)).toEqual([2, 32, 42])
})

test('a stage of another table, or one that is never come to, is left out', () => {
  expect(days([{ stage: 'crawlers', day: 3 }])).toHaveLength(3)
  expect(stageDays(table, [], steady(21), 20, [])).toHaveLength(1)
})

test('a day lies in the last stage that has begun', () => {
  expect(stageOn(days(), 9)).toBeNull()
  expect(stageOn(days(), 10)).toBe('green tip')
  expect(stageOn(days(), 400)).toBe('petal fall')
})
