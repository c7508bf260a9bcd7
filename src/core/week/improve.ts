import {
  fits,
  roadMinutes,
  roundCost,
  roundMinutes,
  WEIGHTS,
  SAME,
  workMinutes,
  type WeekField,
} from './field'

/** Jobs by shift, each day's in their order. */
export type Plan = number[][]

/** A number from 0 to 1, the same row of them for the same beginning. */
export function drawn(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * The order of some jobs that drives least, as far as moving one and turning stretches round finds it; exact for three or fewer.
 * Used where a set is given and its order is not.
 */
export function shortOrder(field: WeekField, jobs: readonly number[]): number[] {
  let best: number[] = []
  for (const job of jobs) {
    let cheapest = Infinity
    let place = 0
    for (let i = 0; i <= best.length; i++) {
      const before = i === 0 ? field.jobs : best[i - 1]!
      const after = i === best.length ? field.jobs : best[i]!
      const more =
        roadMinutes(field, before, job) + roadMinutes(field, job, after) - roadMinutes(field, before, after)
      if (more < cheapest) [cheapest, place] = [more, i]
    }
    best.splice(place, 0, job)
  }
  for (let found = true; found;) {
    found = false
    const now = roundMinutes(field, best)
    for (let i = 0; i < best.length && !found; i++)
      for (let k = i + 1; k <= best.length && !found; k++) {
        const turned = [...best.slice(0, i), ...best.slice(i, k).reverse(), ...best.slice(k)]
        const rest = [...best.slice(0, i), ...best.slice(k)]
        const tries = [turned]
        if (k - i <= 3)
          for (let at = 0; at <= rest.length; at++)
            tries.push([...rest.slice(0, at), ...best.slice(i, k), ...rest.slice(at)])
        for (const order of tries)
          if (roundMinutes(field, order) < now - SAME) {
            best = order
            found = true
            break
          }
      }
  }
  return best
}

/** Up to so many jobs the best of all orders is found; 2¹² sets of twelve. */
const EXACT = 12

/** The order of some jobs that drives least: exact up to twelve jobs, as far as `shortOrder` finds it beyond. */
export function bestOrder(field: WeekField, jobs: readonly number[]): number[] {
  const n = jobs.length
  if (n > EXACT) return shortOrder(field, jobs)
  if (n < 2) return [...jobs]
  // The shortest way from the yard through each set of jobs to each of its jobs.
  const sets = 1 << n
  const length = new Float64Array(sets * n).fill(Infinity)
  const before = new Int8Array(sets * n)
  for (let k = 0; k < n; k++) length[(1 << k) * n + k] = roadMinutes(field, field.jobs, jobs[k]!)
  for (let set = 1; set < sets; set++)
    for (let k = 0; k < n; k++) {
      const here = length[set * n + k]!
      if (here === Infinity) continue
      for (let next = 0; next < n; next++) {
        if ((set >> next) & 1) continue
        const to = (set | (1 << next)) * n + next
        const there = here + roadMinutes(field, jobs[k]!, jobs[next]!)
        if (there < length[to]!) {
          length[to] = there
          before[to] = k
        }
      }
    }
  let set = sets - 1
  let last = 0
  let least = Infinity
  for (let k = 0; k < n; k++) {
    const round = length[set * n + k]! + roadMinutes(field, jobs[k]!, field.jobs)
    if (round < least) [least, last] = [round, k]
  }
  const order: number[] = []
  while (set > 0) {
    order.push(jobs[last]!)
    const from = before[set * n + last]!
    set &= ~(1 << last)
    last = from
  }
  return order.reverse()
}

/** Pinned jobs on their days; the number of the first job that finds no room there, or the plan. */
export function pinnedPlan(field: WeekField): { plan: Plan } | { noRoom: number } {
  const plan: Plan = field.shifts.map(() => [])
  for (let j = 0; j < field.jobs; j++) {
    const s = field.pinned[j]!
    if (s < 0) continue
    plan[s] = bestOrder(field, [...plan[s]!, j])
    if (!fits(field, field.shifts[s]!, plan[s])) return { noRoom: j }
  }
  return { plan }
}

/**
 * How often room is made for a job that is open; how many jobs are taken out at the most, and how many of the open ones tried, at a time; how often a day is
 * taken as the program likes it.
 */
const [ROOM, MUCH, TRIED, LIKED] = [0.3, 12, 4, 0.35]
/** How new jobs are taken first when a plan is filled. */
const BY = ['random', 'long first', 'dear first', 'far first', 'near first'] as const

/**
 * A plan that is taken apart in places and put together again, over and over: jobs near one another, or any, are taken out and put back where they
 * cost least. What is worse is sometimes kept, less and less.
 */
export class Improver {
  plan: Plan
  cost: number
  best: Plan
  bestCost: number
  private readonly where: Int32Array
  private readonly used: Float64Array
  private readonly near: Int32Array[]
  /** Days that are worth trying as they are, with the shifts they can stand on. */
  liked: readonly { shifts: readonly number[]; day: readonly number[] }[] = []

  constructor(
    private readonly field: WeekField,
    start: Plan,
    private readonly random: () => number,
  ) {
    const { jobs, shifts } = field
    this.plan = start.map((o) => [...o])
    this.where = new Int32Array(jobs).fill(-1)
    this.used = new Float64Array(shifts.length)
    this.near = Array.from({ length: jobs }, (_, j) =>
      Int32Array.from(
        Array.from({ length: jobs }, (_, k) => k).sort(
          (a, b) => roadMinutes(field, j, a) - roadMinutes(field, j, b),
        ),
      ).subarray(0, 60),
    )
    this.cost = 0
    this.take(start)
    this.best = this.plan.map((o) => [...o])
    this.bestCost = this.cost
  }

  /** Begins anew from a plan. */
  take(plan: Plan): void {
    const { field } = this
    this.plan = plan.map((o) => [...o])
    this.where.fill(-1)
    for (const [s, order] of this.plan.entries()) {
      this.used[s] = workMinutes(field, order) + roundMinutes(field, order)
      for (const j of order) this.where[j] = s
    }
    this.cost = 0
    for (const [s, order] of this.plan.entries()) this.cost += roundCost(field, field.shifts[s]!, order)
    for (let j = 0; j < field.jobs; j++) if (this.where[j]! < 0) this.cost += field.undone[j]!
    if (this.best && this.cost < this.bestCost - SAME) this.keep()
  }

  private keep(): void {
    this.best = this.plan.map((o) => [...o])
    this.bestCost = this.cost
  }

  /** Fills what is open, dearest first. */
  fill(): void {
    const open = [...this.where.keys()].filter((j) => this.where[j]! < 0)
    this.order(open, 'dear first')
    this.cost += this.insert(open, 0)
    if (this.cost < this.bestCost - SAME) this.keep()
  }

  /** Takes the plan apart and puts it together once; `heat` is how much worse may be kept. True where the plan is another one now. */
  step(heat: number): boolean {
    const { field, random, where } = this
    const { jobs } = field
    if (jobs === 0) return false
    const out: number[] = []
    const touched = new Map<number, { order: number[]; used: number }>()
    const touch = (s: number) => {
      if (!touched.has(s)) touched.set(s, { order: [...this.plan[s]!], used: this.used[s]! })
    }
    let change = 0
    const remove = (j: number) => {
      const s = where[j]!
      if (s < 0 || field.pinned[j]! >= 0) return
      touch(s)
      const order = this.plan[s]!
      const i = order.indexOf(j)
      const before = i === 0 ? jobs : order[i - 1]!
      const after = i === order.length - 1 ? jobs : order[i + 1]!
      const less =
        roadMinutes(field, before, j) + roadMinutes(field, j, after) - roadMinutes(field, before, after)
      order.splice(i, 1)
      this.used[s]! -= less + field.minutes[j]!
      change += field.undone[j]! - field.shifts[s]!.late[j]! - WEIGHTS.perMinuteDriven * less
      where[j] = -1
      out.push(j)
    }
    const seed = Math.floor(random() * jobs)
    const kind = random()
    let first = -1
    let liked: { shift: number; day: readonly number[] } | null = null
    const much = 1 + Math.floor(random() * Math.min(MUCH, 2 + jobs / 3))
    const waiting = kind < ROOM ? this.anyOpen() : -1
    if (this.liked.length > 0 && random() < LIKED) {
      // A day that the program takes in part, as it is; what stood there, and its jobs where they stood, go.
      const { shifts, day } = this.liked[Math.floor(random() * this.liked.length)]!
      const shift = shifts[Math.floor(random() * shifts.length)]!
      for (const k of [...this.plan[shift]!]) remove(k)
      // Out for good: an open job of the day may have stood nowhere.
      for (const k of day) {
        if (where[k]! >= 0) remove(k)
        else if (!out.includes(k)) out.push(k)
      }
      if (this.plan[shift]!.length === 0 && day.every((k) => where[k]! < 0)) liked = { shift, day }
    } else if (waiting >= 0) {
      // A day on which a job that is open could be done, less a stretch.
      const s = Math.floor(random() * field.shifts.length)
      if (field.shifts[s]!.late[waiting]! < field.undone[waiting]!) {
        const order = this.plan[s]!
        const length = 1 + Math.floor(random() * Math.min(order.length, 3))
        const from = Math.floor(random() * Math.max(1, order.length - length + 1))
        for (const k of order.slice(from, from + length)) remove(k)
        first = waiting
      }
    } else if (kind < 0.6) {
      // Stretches of days near one place.
      const days = new Set<number>()
      for (const j of this.near[seed]!) {
        if (out.length >= much) break
        const s = where[j]!
        if (s < 0 || days.has(s)) continue
        days.add(s)
        const order = this.plan[s]!
        const length = 1 + Math.floor(random() * Math.min(order.length, 6))
        const at = order.indexOf(j)
        const from = Math.max(0, Math.min(order.length - length, at - Math.floor(random() * length)))
        for (const k of order.slice(from, from + length)) remove(k)
      }
    } else if (kind < 0.7) {
      // Whole days.
      const count = 1 + Math.floor(random() * 2)
      for (let i = 0; i < count; i++)
        for (const k of [...this.plan[Math.floor(random() * this.plan.length)]!]) remove(k)
    } else for (let i = 0; i < much; i++) remove(Math.floor(random() * jobs))
    if (liked) {
      touch(liked.shift)
      this.plan[liked.shift] = [...liked.day]
      this.used[liked.shift] = workMinutes(field, liked.day) + roundMinutes(field, liked.day)
      change += roundCost(field, field.shifts[liked.shift]!, liked.day)
      for (const j of liked.day) {
        change -= field.undone[j]!
        where[j] = liked.shift
      }
    }
    const taken = new Set(out)
    const open = out.filter((j) => where[j]! < 0)
    // Of what is open some are tried at a time; that is quicker than all.
    const left: number[] = []
    for (let j = 0; j < jobs; j++) if (where[j]! < 0 && j !== first && !taken.has(j)) left.push(j)
    for (let i = 0; i < TRIED && left.length > 0; i++) {
      const at = Math.floor(random() * left.length)
      open.push(left[at]!)
      left[at] = left.at(-1)!
      left.pop()
    }
    this.order(open, BY[Math.floor(random() * BY.length)]!)
    if (first >= 0) open.unshift(first)
    change += this.insert(open, 0.015, touch)
    if (change < heat * -Math.log(random() || 1e-12) && change < 1e12) {
      const other = Math.abs(change) > SAME
      this.cost += change
      if (this.cost < this.bestCost - SAME) this.keep()
      return other
    }
    for (const j of out) where[j] = -1
    for (const j of open) where[j] = -1
    for (const [s, was] of touched) {
      this.plan[s] = was.order
      this.used[s] = was.used
      for (const j of was.order) where[j] = s
    }
    return false
  }

  /** Any job that stands on no day; -1 where there is none. */
  private anyOpen(): number {
    const from = Math.floor(this.random() * this.field.jobs)
    for (let i = 0; i < this.field.jobs; i++) {
      const j = (from + i) % this.field.jobs
      if (this.where[j]! < 0) return j
    }
    return -1
  }

  private order(open: number[], by: (typeof BY)[number]): void {
    const { field, random } = this
    const key = new Float64Array(field.jobs)
    for (const j of open)
      key[j] =
        by === 'random'
          ? random()
          : by === 'long first'
            ? -field.minutes[j]!
            : by === 'dear first'
              ? -field.undone[j]! / field.minutes[j]!
              : (by === 'far first' ? -1 : 1) * roadMinutes(field, j, field.jobs)
    open.sort((a, b) => key[a]! - key[b]!)
  }

  /** Puts jobs where they cost least, in their order; a place is sometimes passed over. What the cost changes by. */
  private insert(open: readonly number[], passOver: number, touch: (s: number) => void = () => {}): number {
    const { field, where, used, random, plan } = this
    const { jobs, shifts, road } = field
    const n = jobs + 1
    let change = 0
    for (const j of open) {
      let least = field.undone[j]!
      let at = -1
      let place = 0
      let more = 0
      const own = j * n
      for (let s = 0; s < shifts.length; s++) {
        const shift = shifts[s]!
        const late = shift.late[j]!
        if (late >= least) continue
        const room = shift.capacity + SAME - used[s]! - field.minutes[j]!
        if (room < 0) continue
        const order = plan[s]!
        let before = jobs
        for (let i = 0; i <= order.length; i++) {
          const after = i === order.length ? jobs : order[i]!
          const extra = road[own + before]! + road[own + after]! - road[before * n + after]!
          before = after
          if (extra > room) continue
          const cost = late + WEIGHTS.perMinuteDriven * extra
          if (cost < least && (passOver === 0 || random() >= passOver)) {
            least = cost
            at = s
            place = i
            more = extra
          }
        }
      }
      if (at < 0) continue
      touch(at)
      plan[at]!.splice(place, 0, j)
      used[at]! += more + field.minutes[j]!
      where[j] = at
      change += least - field.undone[j]!
    }
    return change
  }
}
