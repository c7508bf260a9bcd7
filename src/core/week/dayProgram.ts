import { fits, roundCost, SAME, type Shift, type WeekField } from './field'
import { goodDays } from './goodDays'
import type { Plan } from './improve'
import type { BeginProgram, Program } from './program'
import { brokenThrees, holdsTwo, nameOf, pricedCuts, type Cuts, type Three } from './threes'

/** A day's jobs in their order, on a shift. */
export interface ShiftDay {
  shift: number
  jobs: readonly number[]
}

/** What is most worth making a whole plan of: days, and the threes that parts of days break. */
export interface Best {
  days: readonly ShiftDay[]
  threes: readonly Three[]
}

/** A day as a column. */
export interface Day {
  kind: number
  cost: number
  jobs: number[]
  /** The cuts that count it. */
  cuts: number[]
}

/** What the rows ask for a day: by job, and by cut. */
export interface Prices {
  jobs: Float64Array
  cuts: Float64Array
}

/** A pinned job cannot be left undone; in the program it can, at this many times the dearest of the others. */
const PINNED = 20
/** How many cuts there may be; of a day of which so much is taken it is said that it is liked. */
const [MOST_CUTS, LIKED] = [300, 0.05]
const NONE = 1e-6

/** What a day costs at some prices. */
export function reduced(day: Day, { jobs, cuts }: Prices): number {
  let cost = day.cost
  for (const j of day.jobs) cost -= jobs[j]!
  for (const c of day.cuts) cost += cuts[c] ?? 0
  return cost
}

/**
 * A week as a linear program of days: each day that is known is a column, each job and each kind of crew day a row, and each cut
 * one more. A kind is the crew days on which the same jobs can be done at the same costs.
 */
export class DayProgram {
  readonly kinds: { shifts: number[] }[] = []
  readonly days: Day[] = []
  readonly threes: Three[] = []
  private readonly kindOf: number[] = []
  private readonly known = new Map<string, number>()
  private readonly knownThrees = new Set<string>()
  private readonly undone: Float64Array
  private readonly program: Program
  /** How many of the days are columns; they are so in their order. */
  private added = 0
  private parts: Float64Array = new Float64Array(0)

  constructor(
    readonly field: WeekField,
    private readonly begin: BeginProgram,
  ) {
    const named = new Map<string, number>()
    for (const [s, shift] of field.shifts.entries()) {
      const name = `${shift.capacity}|${shift.late.join()}`
      let kind = named.get(name)
      if (kind === undefined) {
        kind = this.kinds.length
        named.set(name, kind)
        this.kinds.push({ shifts: [] })
      }
      this.kinds[kind]!.shifts.push(s)
      this.kindOf[s] = kind
    }
    const dearest = Math.max(1, ...field.undone.filter((u) => u < Infinity))
    this.undone = field.undone.map((u) => (u === Infinity ? PINNED * dearest : u))
    this.program = this.made()
  }

  /** Any shift of a kind: its days cost the same on all of them. */
  shiftOf(kind: number): Shift {
    return this.field.shifts[this.kinds[kind]!.shifts[0]!]!
  }

  private made(): Program {
    const program = this.begin([
      ...Array.from({ length: this.field.jobs }, () => ({ least: 1, most: Infinity })),
      ...this.kinds.map((k) => ({ least: 0, most: k.shifts.length })),
    ])
    program.add(Array.from(this.undone, (cost, j) => ({ cost, rows: [j] })))
    return program
  }

  /** Takes a day among those the program chooses from; false where it is known already, and no shorter. */
  learn(kind: number, jobs: readonly number[]): boolean {
    if (jobs.length === 0) return false
    const name = `${kind}:${[...jobs].sort((a, b) => a - b).join()}`
    const cost = roundCost(this.field, this.shiftOf(kind), jobs)
    const at = this.known.get(name)
    if (at !== undefined && this.days[at]!.cost <= cost + SAME) return false
    this.known.set(name, this.days.length)
    this.days.push({
      kind,
      cost,
      jobs: [...jobs],
      cuts: [...this.threes.keys()].filter((c) => holdsTwo(this.threes[c]!, jobs)),
    })
    return true
  }

  /** Takes the days of a plan among those the program chooses from. */
  know(plan: Plan): void {
    for (const [s, order] of plan.entries()) this.learn(this.kindOf[s]!, order)
  }

  /** Takes days and cuts as another program has found them. */
  knowBest({ days, threes }: Best): void {
    this.cutBy(threes)
    for (const { shift, jobs } of days) this.learn(this.kindOf[shift]!, jobs)
  }

  /** Looks quickly for days of a kind that cost less than `below` at some prices and learns the best of them; what the best costs, and how many are new. `cuts` are those of the prices. */
  quickly(kind: number, prices: Prices, cuts: Cuts, below: number, width: number, most: number) {
    const good = goodDays(this.field, this.shiftOf(kind), prices.jobs, below - 1e-6, width, cuts)
    const fresh = good.slice(0, most).filter(({ day }) => this.learn(kind, day)).length
    return { least: good[0]?.cost ?? 0, fresh }
  }

  private column(day: Day) {
    const { jobs } = this.field
    return {
      cost: day.cost,
      rows: [...day.jobs, jobs + day.kind, ...day.cuts.map((c) => jobs + this.kinds.length + c)],
    }
  }

  /** Asks the program anew, with the days learned since. What it costs, and the prices of jobs, cuts and kinds; null where it takes longer. */
  asked(secondsLeft: () => number): { cost: number; prices: Prices; kinds: Float64Array } | null {
    this.program.add(this.days.slice(this.added).map((d) => this.column(d)))
    this.added = this.days.length
    const answer = this.program.relaxed(Math.max(0.05, secondsLeft()))
    if (!answer) return null
    this.parts = answer.taken
    const { jobs } = this.field
    const cutsFrom = jobs + this.kinds.length
    return {
      cost: answer.cost,
      prices: {
        jobs: answer.prices.slice(0, jobs).map((p, j) => Math.min(Math.max(0, p), this.undone[j]!)),
        cuts: answer.prices.slice(cutsFrom).map((p) => Math.max(0, -p)),
      },
      kinds: answer.prices.slice(jobs, cutsFrom),
    }
  }

  /** What the program took of days when it was asked last. */
  taken(): { day: Day; number: number; part: number }[] {
    return this.days.flatMap((day, number) => {
      const part = this.parts[this.field.jobs + number] ?? 0
      return part > NONE ? [{ day, number, part }] : []
    })
  }

  /** Takes a day once from now on, or leaves that open again. */
  fix(number: number, taken: boolean): void {
    this.program.fix(this.field.jobs + number, taken)
  }

  /** Days that the program takes, at least in part, with the shifts they can stand on. */
  likes(): { shifts: readonly number[]; day: readonly number[] }[] {
    return this.taken()
      .filter(({ part }) => part > LIKED)
      .map(({ day }) => ({ shifts: this.kinds[day.kind]!.shifts, day: day.jobs }))
  }

  /** What the days known so far gain at some prices, the best of each kind. */
  knownLeast(prices: Prices): Float64Array {
    const least = new Float64Array(this.kinds.length)
    for (const day of this.days) least[day.kind] = Math.min(least[day.kind]!, reduced(day, prices))
    return least
  }

  /** The cuts, each with its price. */
  cutsAt(prices: Prices): Cuts {
    return pricedCuts(this.threes, prices.cuts, this.field.jobs)
  }

  /** Threes that what the program takes now breaks. */
  broken(): Three[] {
    if (this.threes.length >= MOST_CUTS) return []
    const taken = this.taken().map(({ day, part }) => ({ part, jobs: day.jobs }))
    return brokenThrees(this.field.jobs, taken, this.knownThrees)
  }

  /** Takes threes as cuts. */
  cutBy(threes: readonly Three[]): void {
    for (const three of threes) {
      const c = this.threes.length
      this.threes.push(three)
      this.knownThrees.add(nameOf(three))
      const counted: number[] = []
      for (const [number, day] of this.days.entries()) {
        if (!holdsTwo(three, day.jobs)) continue
        day.cuts.push(c)
        if (number < this.added) counted.push(this.field.jobs + number)
      }
      this.program.addRow({ least: -Infinity, most: 1 }, counted)
    }
  }

  /** The best choice among some days, taken whole, and what no choice among them costs less than; null where none is found in the time. */
  choose(days: readonly Day[], seconds: number): { plan: Plan; bound: number } | null {
    const program = this.made()
    try {
      for (let c = 0; c < this.threes.length; c++) program.addRow({ least: -Infinity, most: 1 }, [])
      program.add(days.map((d) => this.column(d)))
      const answer = program.whole(seconds)
      if (!answer) return null
      const taken = days.filter((_, i) => answer.taken[this.field.jobs + i]! > 0.5)
      return { plan: this.planOf(taken), bound: answer.bound }
    } finally {
      program.end()
    }
  }

  /** Days on the shifts of their kind, each job once. */
  planOf(days: readonly Day[]): Plan {
    const plan: Plan = this.field.shifts.map(() => [])
    const free = this.kinds.map((k) => [...k.shifts])
    const done = new Set<number>()
    for (const day of days) {
      const s = free[day.kind]!.pop()
      if (s === undefined) continue
      plan[s] = day.jobs.filter((j) => !done.has(j))
      for (const j of plan[s]) done.add(j)
      // Fewer jobs drive no longer, so the day still has room.
      if (!fits(this.field, this.field.shifts[s]!, plan[s])) plan[s] = []
    }
    return plan
  }

  end(): void {
    this.program.end()
  }
}
