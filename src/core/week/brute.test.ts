import { days, driven, fieldOf, bestOfAll, orders, smallWeek } from './brute.testing'
import type { WeekInput } from './field'
import { bestDays, Memory } from './price'
import { goodDays } from './goodDays'
import { bestOrder, drawn, shortOrder } from './improve'
import { planWeek } from './planWeek'
import { brokenThrees, holdsTwo, pricedCuts, type Three } from './threes'

describe('a small week beside every plan there is', () => {
  test.each([1, 2, 3, 4, 5, 6, 7, 8])('the plan of week %i costs no more than the best', (seed) => {
    const input = smallWeek(seed)
    const best = bestOfAll(fieldOf(input))
    const plan = planWeek(input, { seconds: 0.3 })
    if (!plan.ok) throw new Error(plan.problem.message)
    expect(plan.value.objective).toBeCloseTo(best, 6)
    expect(plan.value.bound).toBeLessThanOrEqual(best + 1e-6)
  })

  test.each([21, 22, 23, 24])(
    'the shortest order of a day is found, and what is pinned fits where it can, week %i',
    (seed) => {
      const input = smallWeek(seed, 7)
      const field = fieldOf(input)
      const all = input.jobs.map((_, j) => j)
      const least = Math.min(...orders(all).map((o) => driven(field, o)))
      expect(driven(field, bestOrder(field, all))).toBeCloseTo(least, 9)
      expect(driven(field, shortOrder(field, all))).toBeGreaterThanOrEqual(least - 1e-9)
      const date = '2026-06-15'
      const work = input.jobs.reduce((sum, j) => sum + j.minutes, 0)
      const pinned = (minutes: number): WeekInput => ({
        ...input,
        crews: [{ id: 'a', skills: ['spray'], minutes: { [date]: minutes } }],
        jobs: input.jobs.map((j) => ({ ...j, days: [date], pinned: { crew: 'a', date } })),
      })
      const plan = planWeek(pinned(work + least + 1e-6), { seconds: 0.05 })
      expect(plan.ok && plan.value.assignments).toHaveLength(7)
      expect(planWeek(pinned(work + least - 0.01), { seconds: 0.05 }).ok).toBe(false)
    },
  )

  test.each([31, 32, 33, 34, 35, 36])('the best day is found where cuts cost, week %i', (seed) => {
    const field = fieldOf(smallWeek(seed, 6))
    const random = drawn(seed)
    const prices = Float64Array.from({ length: field.jobs }, () => random() * 20)
    const threes = Array.from({ length: 7 }, () =>
      [0, 1, 2, 3, 4, 5].sort(() => random() - 0.5).slice(0, 3),
    ) as unknown as Three[]
    const price = Float64Array.from(threes, () => (random() < 0.3 ? 0 : random() * 8))
    const cuts = pricedCuts(threes, price, field.jobs)
    const cost = (d: { jobs: readonly number[]; cost: number }) =>
      d.jobs.reduce((sum, j) => sum - prices[j]!, d.cost) +
      threes.reduce((sum, t, c) => sum + (holdsTwo(t, d.jobs) ? cuts.price[c]! : 0), 0)
    for (const [s, shift] of field.shifts.entries()) {
      const all = days(field, s)
      const best = Math.min(...all.map(cost))
      const looked = bestDays(field, shift, prices, 0, {
        most: 10_000,
        memory: new Memory(field, shift, 6),
        cuts,
      })
      expect(looked.proven).toBe(true)
      expect(looked.least).toBeCloseTo(best, 9)
      const short = bestDays(field, shift, prices, 0, { most: 8, memory: new Memory(field, shift, 2), cuts })
      expect(short.least).toBeLessThanOrEqual(best + 1e-9)
      const every = bestDays(field, shift, prices, -3, { most: 10_000, cuts })
      expect(new Set(every.days.map((d) => [...d].sort((a, b) => a - b).join())).size).toBe(
        all.filter((d) => cost(d) < -3 - 1e-9).length,
      )
      const costs = new Map(all.map((d) => [d.jobs.join(), cost(d)]))
      for (const good of goodDays(field, shift, prices, 0, 4, cuts)) {
        const least = costs.get([...good.day].sort((a, b) => a - b).join())!
        expect(good.cost).toBeGreaterThanOrEqual(least - 1e-9)
        // Another order of the same day drives farther, and differs in nothing else.
        expect(good.cost - least).toBeCloseTo(
          0.02 * (driven(field, good.day) - driven(field, bestOrder(field, good.day))),
          9,
        )
      }
    }
  })

  test('three jobs that half days share are told, and whole days break none', () => {
    const half = (...jobs: number[]) => ({ part: 0.5, jobs })
    expect(brokenThrees(4, [half(0, 1), half(1, 2), half(0, 2), half(3)], new Set())).toEqual([[0, 1, 2]])
    expect(brokenThrees(4, [half(0, 1), half(1, 2), half(0, 2)], new Set(['0,1,2']))).toEqual([])
    // All three on one day count once.
    expect(brokenThrees(3, [half(0, 1, 2), half(0, 1)], new Set())).toEqual([])
    expect(
      brokenThrees(
        5,
        [
          { part: 1, jobs: [0, 1, 2] },
          { part: 1, jobs: [3, 4] },
        ],
        new Set(),
      ),
    ).toEqual([])
  })

  test.each([11, 12, 13, 14, 15, 16])('the best day at drawn prices is found and proven, week %i', (seed) => {
    const input = smallWeek(seed, 6)
    const field = fieldOf(input)
    const random = drawn(seed)
    const prices = Float64Array.from({ length: field.jobs }, () => random() * 20)
    for (const [s, shift] of field.shifts.entries()) {
      const gain = (d: { jobs: number[]; cost: number }) =>
        d.jobs.reduce((sum, j) => sum - prices[j]!, d.cost)
      const all = days(field, s).map(gain)
      const best = Math.min(...all)
      // With little memory, and with none to begin with.
      for (const size of [0, 2, 6]) {
        const looked = bestDays(field, shift, prices, 0, {
          most: 10_000,
          memory: new Memory(field, shift, size),
        })
        expect(looked.least).toBeLessThanOrEqual(best + 1e-9)
        if (size === 6) {
          expect(looked.proven).toBe(true)
          expect(looked.least).toBeCloseTo(best, 9)
        }
      }
      // Cut short it may only say less.
      for (const most of [1, 3, 8]) {
        const short = bestDays(field, shift, prices, 0, { most, memory: new Memory(field, shift, 6) })
        expect(short.least).toBeLessThanOrEqual(best + 1e-9)
      }
      // Every day that costs less than something.
      const every = bestDays(field, shift, prices, -3, { most: 10_000 })
      const sets = new Set(every.days.map((d) => [...d].sort((a, b) => a - b).join()))
      expect(sets.size).toBe(all.filter((cost) => cost < -3 - 1e-9).length)
      // What is found quickly is a day that can be done, and no better than the best.
      for (const { cost } of goodDays(field, shift, prices, 0, 4))
        expect(cost).toBeGreaterThanOrEqual(best - 1e-9)
    }
  })
})
