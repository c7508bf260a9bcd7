import { fits, roundCost, SAME, type Shift, type WeekField } from './field'
import type { Plan } from './improve'
import { goodDays } from './goodDays'
import { bestDays, Memory } from './price'
import type { BeginProgram, Program } from './program'

/** Crew days on which the same jobs can be done at the same costs. */
interface Kind {
  shifts: number[]
  /** Made when it is first asked for. */
  memory: Memory | null
}

/** A day's jobs in their order, on a shift. */
export interface ShiftDay {
  shift: number
  jobs: readonly number[]
}

interface Day {
  kind: number
  cost: number
  jobs: number[]
}

/** How many days are grown in a look that ends the matter, and where every day is wanted. */
const [LONG, EVERY] = [40_000, 40_000]
/** Which part of the cost the bound may miss. */
const SLACK = 0.002
/** How many near jobs a day remembers at the beginning. */
const REMEMBERED = 8
/** How many days of a length are grown on in a quick look, and how many new ones are taken from one look, a quick and a whole one. */
const [NARROW, WIDEST, NEW, NEW_WHOLE] = [20, 40, 5, 20]
/** How many days are learned from plans; more make the program slow. */
const MOST_KNOWN = 1200
/** Of how many days a plan is chosen where not all are known. */
const CHOSEN = 1500
/** In how many goes a whole plan is taken, how often new days are looked for after each, and how many of a kind. */
const [GOES, LOOKS, NEW_LATER] = [30, 3, 4]
/** How many days are told to somebody who makes a whole plan of them. */
const MOST_TOLD = 4000
/** A day of which so much is taken is taken whole, so many at once. */
const [NEARLY, AT_ONCE] = [0.999, 10]
/** A pinned job cannot be left undone; in the program it can, at this many times the dearest of the others. */
const PINNED = 20
/** How much of the best prices so far is kept in the next ones. */
const KEPT = 0.5

/** Prices between new ones and the best so far. */
function mixed(prices: Float64Array, best: Float64Array): Float64Array {
  return prices.map((p, j) => (1 - KEPT) * p + KEPT * best[j]!)
}

/**
 * What no plan can cost less than: days are columns of a linear program, made as its prices ask for them (column generation). At any prices, the sum of all prices
 * less what the best day of each crew would gain is such a bound, whether the program is finished or not.
 */
export class Bounder {
  bound = 0
  private readonly kinds: Kind[] = []
  private readonly kindOf: number[] = []
  private readonly days: Day[] = []
  private readonly known = new Map<string, number>()
  private readonly undone: Float64Array
  private readonly program: Program
  /** Which days are columns of the program, in their order, and how many days were looked at for it. */
  private columns: number[] = []
  private added = 0
  private bestPrices: Float64Array | null = null
  private centre: Float64Array | null = null
  private guess = -Infinity
  private parts: Float64Array = new Float64Array(0)
  private width = NARROW

  constructor(
    private readonly field: WeekField,
    private readonly begin: BeginProgram,
  ) {
    const named = new Map<string, number>()
    for (const [s, shift] of field.shifts.entries()) {
      const name = `${shift.capacity}|${shift.late.join()}`
      let kind = named.get(name)
      if (kind === undefined) {
        kind = this.kinds.length
        named.set(name, kind)
        this.kinds.push({ shifts: [], memory: null })
      }
      this.kinds[kind]!.shifts.push(s)
      this.kindOf[s] = kind
    }
    const dearest = Math.max(1, ...field.undone.filter((u) => u < Infinity))
    this.undone = field.undone.map((u) => (u === Infinity ? PINNED * dearest : u))
    this.program = this.made()
  }

  private memoryOf(kind: Kind): Memory {
    return (kind.memory ??= new Memory(this.field, this.shiftOf(kind), REMEMBERED))
  }

  /** Any shift of a kind: its days cost the same on all of them. */
  private shiftOf(kind: Kind): Shift {
    return this.field.shifts[kind.shifts[0]!]!
  }

  /** Looks quickly for days of a kind that cost less than `below` at some prices and learns the best of them; what the best costs, and how many are new. */
  private quickly(k: number, prices: Float64Array, below: number, width: number, most: number) {
    const good = goodDays(this.field, this.shiftOf(this.kinds[k]!), prices, below - 1e-6, width)
    const fresh = good.slice(0, most).filter(({ day }) => this.learn(k, day)).length
    return { least: good[0]?.cost ?? 0, fresh }
  }

  private made(): Program {
    const program = this.begin([
      ...Array.from({ length: this.field.jobs }, () => ({ least: 1, most: Infinity })),
      ...this.kinds.map((k) => ({ least: 0, most: k.shifts.length })),
    ])
    program.add(Array.from(this.undone, (cost, j) => ({ cost, rows: [j] })))
    return program
  }

  private learn(kind: number, jobs: readonly number[]): boolean {
    if (jobs.length === 0) return false
    const name = `${kind}:${[...jobs].sort((a, b) => a - b).join()}`
    const cost = roundCost(this.field, this.shiftOf(this.kinds[kind]!), jobs)
    const at = this.known.get(name)
    if (at !== undefined && this.days[at]!.cost <= cost + SAME) return false
    this.known.set(name, this.days.length)
    this.days.push({ kind, cost, jobs: [...jobs] })
    return true
  }

  /** Takes the days of a plan among those the program chooses from. */
  know(plan: Plan): void {
    if (this.days.length > MOST_KNOWN + (this.guess > -Infinity ? MOST_KNOWN : 0)) return
    for (const [s, order] of plan.entries()) this.learn(this.kindOf[s]!, order)
  }

  /** The days that gain most at the prices of now, by the first shift of their kind. */
  best(): ShiftDay[] {
    const prices = this.centre ?? this.bestPrices
    if (!prices) return []
    const least = this.knownLeast(prices)
    const gain = (day: Day) => day.jobs.reduce((sum, j) => sum - prices[j]!, day.cost) - least[day.kind]!
    return this.days
      .map((day) => ({ day, gain: gain(day) }))
      .sort((a, b) => a.gain - b.gain)
      .slice(0, MOST_TOLD)
      .map(({ day }) => ({ shift: this.kinds[day.kind]!.shifts[0]!, jobs: day.jobs }))
  }

  /** Takes days among those the program chooses from, as `best` says them. */
  knowDays(days: readonly ShiftDay[]): void {
    for (const { shift, jobs } of days) this.learn(this.kindOf[shift]!, jobs)
  }

  private column(day: Day) {
    return { cost: day.cost, rows: [...day.jobs, this.field.jobs + day.kind] }
  }

  /** Asks the program anew, with the days learned since. */
  private asked(secondsLeft: () => number) {
    for (let i = this.added; i < this.days.length; i++) this.columns.push(i)
    this.program.add(this.days.slice(this.added).map((d) => this.column(d)))
    this.added = this.days.length
    const answer = this.program.relaxed(Math.max(0.05, secondsLeft()))
    if (answer) this.parts = answer.taken
    return answer
  }

  /** One turn: new prices, new days, a new bound. True when no day is left that would make the program cheaper. */
  turn(secondsLeft: () => number): boolean {
    const { kinds } = this
    const answer = this.asked(secondsLeft)
    if (!answer) return true
    const exact = this.pricesOf(answer.prices)
    const tries = this.centre ? [mixed(exact, this.centre), exact] : [exact]
    for (const prices of tries) {
      const least = this.knownLeast(prices)
      let guess = prices.reduce((sum, p) => sum + p, 0)
      let fresh = 0
      for (const [k, kind] of kinds.entries()) {
        if (secondsLeft() <= 0) return true
        const found = this.quickly(k, prices, least[k]!, this.width, NEW)
        guess += kind.shifts.length * Math.min(least[k]!, found.least)
        fresh += found.fresh
      }
      if (guess > this.guess + SAME) {
        this.guess = guess
        this.centre = prices
      }
      if (fresh >= kinds.length / 2) return false
      if (this.width < WIDEST) {
        this.width *= 2
        return false
      }
    }
    return true
  }

  /** A bound by looking at every day, at the prices of now or between them and the best so far. True when the program has ended: no day is left that would make it cheaper. */
  prove(cost: number, secondsLeft: () => number): boolean {
    const { field, kinds } = this
    const answer = this.asked(secondsLeft)
    if (!answer) return true
    const exact = this.pricesOf(answer.prices)
    for (const prices of this.bestPrices ? [mixed(exact, this.bestPrices), exact] : [exact]) {
      const least = this.knownLeast(prices)
      // What is looked for is more than a small part of the whole: less does not matter.
      const slack = 1e-7 + (SLACK * cost) / field.shifts.length
      let bound = prices.reduce((sum, p) => sum + p, 0)
      let fresh = 0
      let unproven = 0
      for (const [k, kind] of kinds.entries()) {
        const looked = bestDays(field, this.shiftOf(kind), prices, least[k]! - slack, {
          most: LONG,
          memory: this.memoryOf(kind),
          late: () => secondsLeft() <= 0,
        })
        bound += kind.shifts.length * looked.least
        if (!looked.proven) unproven++
        for (const day of looked.days.slice(0, NEW_WHOLE)) if (this.learn(k, day)) fresh++
      }
      if (bound > this.bound + SAME) {
        this.bound = bound
        this.bestPrices = prices
      }
      if (fresh > 0 || unproven > 0) return false
    }
    return true
  }

  /** A whole plan out of the parts the program takes: what is nearly whole is taken, and the program asked again. */
  dive(secondsLeft: () => number): Plan | null {
    const { field, kinds } = this
    const taken: number[] = []
    const room = kinds.map((k) => k.shifts.length)
    const done = new Set<number>()
    const began = secondsLeft()
    try {
      for (let pace = 0, last = began; secondsLeft() > 0; pace = last - secondsLeft(), last = secondsLeft()) {
        const answer = this.asked(secondsLeft)
        if (!answer) return null
        const parts = this.columns
          .map((d, i) => ({
            day: this.days[d]!,
            column: field.jobs + i,
            part: answer.taken[field.jobs + i]!,
          }))
          .filter(({ column, part }) => part > 1e-6 && !taken.includes(column))
          .sort((a, b) => b.part - a.part)
        if (parts.length === 0) break
        // As many at once as it takes to end in time, at the pace of the last turn.
        const now = secondsLeft()
        const least = Math.max(
          Math.ceil(field.shifts.length / GOES),
          Math.ceil((room.reduce((sum, r) => sum + r, 0) * pace) / Math.max(0.01, now)),
        )
        let more = 0
        for (const { day, column, part } of parts) {
          if (more >= least && (part < NEARLY || more >= AT_ONCE)) break
          if (room[day.kind]! <= 0 || (more > 0 && day.jobs.some((j) => done.has(j)))) continue
          this.program.fix(column, true)
          taken.push(column)
          room[day.kind]!--
          for (const j of day.jobs) done.add(j)
          more++
        }
        if (more === 0) break
        // What is left of the jobs asks for days of its own.
        for (let look = 0, fresh = 1; look < LOOKS && fresh > 0 && secondsLeft() > 0; look++) {
          const answered = this.asked(secondsLeft)
          if (!answered) break
          const prices = this.pricesOf(answered.prices)
          fresh = 0
          for (let k = 0; k < kinds.length; k++)
            if (room[k]! > 0)
              fresh += this.quickly(k, prices, answered.prices[field.jobs + k]!, NARROW, NEW_LATER).fresh
        }
      }
      return this.planOf(taken.map((column) => this.days[this.columns[column - field.jobs]!]!))
    } finally {
      for (const column of taken) this.program.fix(column, false)
    }
  }

  /** Days that the program takes now, at least in part. */
  likes(): { shifts: readonly number[]; day: readonly number[] }[] {
    return this.columns
      .filter((_, i) => (this.parts[this.field.jobs + i] ?? 0) > 0.05)
      .map((d) => this.days[d]!)
      .map((day) => ({ shifts: this.kinds[day.kind]!.shifts, day: day.jobs }))
  }

  private pricesOf(rows: Float64Array): Float64Array {
    return rows.slice(0, this.field.jobs).map((p, j) => Math.min(Math.max(0, p), this.undone[j]!))
  }

  /** What the days known so far gain at some prices, the best of each kind. */
  private knownLeast(prices: Float64Array): Float64Array {
    const least = new Float64Array(this.kinds.length)
    for (const day of this.days) {
      let cost = day.cost
      for (const j of day.jobs) cost -= prices[j]!
      if (cost < least[day.kind]!) least[day.kind] = cost
    }
    return least
  }

  /** Every day that could be part of a plan cheaper than `cost`; false where there are too many to know them all. */
  learnAll(cost: number, secondsLeft: () => number): boolean {
    const prices = this.bestPrices
    if (!prices) return false
    const gap = cost - this.bound
    let many = 0
    for (const [k, kind] of this.kinds.entries()) {
      if (secondsLeft() <= 0) return false
      const shift = this.shiftOf(kind)
      const { least, proven } = bestDays(this.field, shift, prices, 0, {
        most: LONG,
        memory: this.memoryOf(kind),
        late: () => secondsLeft() <= 0,
      })
      if (!proven) return false
      const every = bestDays(this.field, shift, prices, least + gap + 1e-6, {
        most: EVERY,
        late: () => secondsLeft() <= 0,
      })
      many += every.days.length
      if (!every.proven || many > EVERY) return false
      for (const day of every.days) this.learn(k, day)
    }
    return true
  }

  /** The best choice among the days known, taken whole; where those are all that matter, its bound is one for every plan. */
  choose(cost: number, seconds: number, allKnown: boolean): Plan | null {
    const prices = this.bestPrices ?? this.centre
    if (!prices) return null
    const least = this.knownLeast(prices)
    const gain = (day: Day) => day.jobs.reduce((sum, j) => sum - prices[j]!, day.cost)
    // Where not all days are known the choice is a good one at best: then a guess at the bound will do.
    const gap = cost - (allKnown ? this.bound : Math.max(this.bound, this.guess)) + 1e-6
    let chosen = this.days.filter((d) => gain(d) - least[d.kind]! <= gap)
    if (!allKnown && chosen.length > CHOSEN)
      chosen = chosen.sort((a, b) => gain(a) - least[a.kind]! - (gain(b) - least[b.kind]!)).slice(0, CHOSEN)
    const program = this.made()
    try {
      program.add(chosen.map((d) => this.column(d)))
      const answer = program.whole(seconds)
      if (!answer) return null
      if (allKnown && answer.bound > this.bound) this.bound = Math.min(answer.bound, cost)
      return this.planOf(chosen.filter((_, i) => answer.taken[this.field.jobs + i]! > 0.5))
    } finally {
      program.end()
    }
  }

  /** Days on the shifts of their kind, each job once. */
  private planOf(days: readonly Day[]): Plan {
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
