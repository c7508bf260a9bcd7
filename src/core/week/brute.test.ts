import { weekField, type WeekField, type WeekInput } from './field'
import { bestDays, Memory } from './price'
import { goodDays } from './goodDays'
import { bestOrder, drawn, shortOrder } from './improve'
import { planWeek } from './planWeek'

/** Every order of some things. */
function orders<T>(things: readonly T[]): T[][] {
  if (things.length === 0) return [[]]
  return things.flatMap((t, i) =>
    orders([...things.slice(0, i), ...things.slice(i + 1)]).map((rest) => [t, ...rest]),
  )
}

function driven(field: WeekField, order: readonly number[]): number {
  const stops = [field.jobs, ...order, field.jobs]
  return order.length === 0
    ? 0
    : stops.slice(1).reduce((sum, to, i) => sum + field.road[stops[i]! * (field.jobs + 1) + to]!, 0)
}

/** Every set of jobs that a shift can do, with the least it drives. */
function days(field: WeekField, s: number): { jobs: number[]; cost: number }[] {
  const shift = field.shifts[s]!
  const found = []
  for (let set = 0; set < 1 << field.jobs; set++) {
    const jobs = Array.from({ length: field.jobs }, (_, j) => j).filter((j) => (set >> j) & 1)
    if (jobs.some((j) => shift.late[j] === Infinity)) continue
    const road = Math.min(...orders(jobs).map((o) => driven(field, o)))
    const work = jobs.reduce((sum, j) => sum + field.minutes[j]!, 0)
    if (jobs.length > 0 && work + road > shift.capacity + 1e-9) continue
    found.push({
      jobs,
      cost: jobs.reduce((sum, j) => sum + shift.late[j]!, 0) + (jobs.length > 0 ? 0.02 * road : 0),
    })
  }
  return found
}

/** What the best of all plans costs. */
function bestOfAll(field: WeekField): number {
  const of = field.shifts.map((_, s) => days(field, s))
  let best = Infinity
  const choose = (s: number, done: Set<number>, cost: number) => {
    if (s === of.length) {
      let whole = cost
      for (let j = 0; j < field.jobs; j++) if (!done.has(j)) whole += field.undone[j]!
      best = Math.min(best, whole)
      return
    }
    for (const day of of[s]!)
      if (day.jobs.every((j) => !done.has(j))) choose(s + 1, new Set([...done, ...day.jobs]), cost + day.cost)
  }
  choose(0, new Set(), 0)
  return best
}

/** A small week, drawn. */
export function smallWeek(seed: number, jobs = 5): WeekInput {
  const random = drawn(seed)
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1))
  const dates = ['2026-06-15', '2026-06-16']
  return {
    days: dates,
    yard: { x: 0, y: 0 },
    speed: 30,
    detour: 1.3,
    crews: [
      { id: 'a', skills: ['spray'], minutes: { '2026-06-15': 240, '2026-06-16': 300 } },
      { id: 'b', minutes: { '2026-06-15': 200 } },
    ],
    jobs: Array.from({ length: jobs }, (_, j) => ({
      id: `j${j}`,
      x: whole(-9, 9),
      y: whole(-9, 9),
      minutes: whole(6, 24) * 5,
      skills: random() < 0.3 ? ['spray'] : [],
      days: dates.filter(() => random() < 0.8),
      due: dates[whole(0, 1)]!,
      priority: whole(0, 4),
    })),
  }
}

function fieldOf(input: WeekInput): WeekField {
  const read = weekField(input)
  if (!read.ok) throw new Error(read.problem.message)
  return read.value
}

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
