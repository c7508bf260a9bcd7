import { weekField, type WeekField, type WeekInput } from './field'
import { drawn } from './improve'

/** Every order of some things. */
export function orders<T>(things: readonly T[]): T[][] {
  if (things.length === 0) return [[]]
  return things.flatMap((t, i) =>
    orders([...things.slice(0, i), ...things.slice(i + 1)]).map((rest) => [t, ...rest]),
  )
}

export function driven(field: WeekField, order: readonly number[]): number {
  const stops = [field.jobs, ...order, field.jobs]
  return order.length === 0
    ? 0
    : stops.slice(1).reduce((sum, to, i) => sum + field.road[stops[i]! * (field.jobs + 1) + to]!, 0)
}

/** Every set of jobs that a shift can do, with the least it drives. */
export function days(field: WeekField, s: number): { jobs: number[]; cost: number }[] {
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
export function bestOfAll(field: WeekField): number {
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

export function fieldOf(input: WeekInput): WeekField {
  const read = weekField(input)
  if (!read.ok) throw new Error(read.problem.message)
  return read.value
}
