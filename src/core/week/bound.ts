import { DayProgram, reduced, type Best, type Day, type Prices } from './dayProgram'
import { SAME, type WeekField } from './field'
import type { Plan } from './improve'
import { bestDays, Memory } from './price'
import type { BeginProgram } from './program'

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
/** How many days are told to somebody who makes a whole plan of them. */
const MOST_TOLD = 4000
/** From how near to its program on the bound asks for cuts, as a part of it. */
const CALM = 0.01
/** How much of the best prices so far is kept in the next ones. */
const KEPT = 0.5

/** Prices between new ones and the best so far; a cut that is new cost nothing then. */
function mixed(prices: Prices, best: Prices): Prices {
  const mix = (now: Float64Array, then: Float64Array) =>
    now.map((p, i) => (1 - KEPT) * p + KEPT * (then[i] ?? 0))
  return { jobs: mix(prices.jobs, best.jobs), cuts: mix(prices.cuts, best.cuts) }
}

/** What all rows together give at some prices. */
function given({ jobs, cuts }: Prices): number {
  const sum = (all: Float64Array) => all.reduce((s, p) => s + p, 0)
  return sum(jobs) - sum(cuts)
}

/**
 * What no plan can cost less than: days are columns of a linear program, made as its prices ask for them (column generation). At any prices, the sum of all prices
 * less what the best day of each crew would gain is such a bound, whether the program is finished or not. Where parts of days break what whole ones cannot, the
 * program is cut.
 */
export class Bounder {
  bound = 0
  readonly program: DayProgram
  private readonly memories: (Memory | null)[]
  private bestPrices: Prices | null = null
  private centre: Prices | null = null
  private calm = false
  private guess = -Infinity
  private width = NARROW

  constructor(
    private readonly field: WeekField,
    begin: BeginProgram,
  ) {
    this.program = new DayProgram(field, begin)
    this.memories = this.program.kinds.map(() => null)
  }

  private memoryOf(kind: number): Memory {
    return (this.memories[kind] ??= new Memory(this.field, this.program.shiftOf(kind), REMEMBERED))
  }

  /** Takes the days of a plan among those the program chooses from, while they are not too many. */
  know(plan: Plan): void {
    const { days } = this.program
    if (days.length <= MOST_KNOWN + (this.guess > -Infinity ? MOST_KNOWN : 0)) this.program.know(plan)
  }

  /** The days that gain most at the prices of now, by the first shift of their kind, and the cuts. */
  best(): Best {
    const { program } = this
    const prices = this.centre ?? this.bestPrices
    if (!prices) return { days: [], threes: [] }
    const days = this.byGain(prices)
      .slice(0, MOST_TOLD)
      .map(({ day }) => ({ shift: program.kinds[day.kind]!.shifts[0]!, jobs: day.jobs }))
    return { days, threes: [...program.threes] }
  }

  /** The days known, by how much more each costs than the best of its kind. */
  private byGain(prices: Prices): { day: Day; more: number }[] {
    const least = this.program.knownLeast(prices)
    return this.program.days
      .map((day) => ({ day, more: reduced(day, prices) - least[day.kind]! }))
      .sort((a, b) => a.more - b.more)
  }

  /** One turn: new prices, new days, a new bound. True when no day is left that would make the program cheaper. */
  turn(secondsLeft: () => number): boolean {
    const { program } = this
    const { kinds } = program
    const answer = program.asked(secondsLeft)
    if (!answer) return true
    const exact = answer.prices
    // No bound is above what parts of days cost: the days looked at were too few for that guess.
    if (this.guess > answer.cost + SAME) {
      this.guess = -Infinity
      this.centre = null
    }
    const tries = this.centre ? [mixed(exact, this.centre), exact] : [exact]
    for (const prices of tries) {
      const least = program.knownLeast(prices)
      const cuts = program.cutsAt(prices)
      let guess = given(prices)
      let fresh = 0
      for (const [k, kind] of kinds.entries()) {
        if (secondsLeft() <= 0) return true
        const found = program.quickly(k, prices, cuts, least[k]!, this.width, NEW)
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
    const { field, program } = this
    const { kinds } = program
    // Looking at every day takes long: what a quick look finds is found first.
    if (this.calm ? this.cut() : this.bestPrices) while (secondsLeft() > 0 && !this.turn(secondsLeft));
    const answer = program.asked(secondsLeft)
    if (!answer) return true
    const exact = answer.prices
    const near = this.bestPrices ?? this.centre
    for (const prices of near ? [mixed(exact, near), exact] : [exact]) {
      const least = program.knownLeast(prices)
      const cuts = program.cutsAt(prices)
      // What is looked for is more than a small part of the whole: less does not matter.
      const slack = 1e-7 + (SLACK * cost) / field.shifts.length
      let bound = given(prices)
      let fresh = 0
      let unproven = 0
      for (const [k, kind] of kinds.entries()) {
        const looked = bestDays(field, program.shiftOf(k), prices.jobs, least[k]! - slack, {
          most: LONG,
          cuts,
          memory: this.memoryOf(k),
          late: () => secondsLeft() <= 0,
        })
        bound += kind.shifts.length * looked.least
        if (!looked.proven) unproven++
        for (const day of looked.days.slice(0, NEW_WHOLE)) if (program.learn(k, day)) fresh++
      }
      if (bound > this.bound + SAME) {
        this.bound = bound
        this.bestPrices = prices
      }
      this.calm = answer.cost - this.bound < CALM * answer.cost
      if (fresh > 0 || unproven > 0) return false
    }
    return program.broken().length === 0
  }

  /** Takes broken threes as cuts; true where there were any. */
  private cut(): boolean {
    const broken = this.program.broken()
    this.program.cutBy(broken)
    this.calm = false
    if (broken.length === 0) return false
    this.guess = -Infinity
    this.width = NARROW
    return true
  }

  /** Every day that could be part of a plan cheaper than `cost`; false where there are too many to know them all. */
  learnAll(cost: number, secondsLeft: () => number): boolean {
    const { program, bestPrices: prices } = this
    if (!prices) return false
    const gap = cost - this.bound
    const cuts = program.cutsAt(prices)
    let many = 0
    for (const k of program.kinds.keys()) {
      if (secondsLeft() <= 0) return false
      const shift = program.shiftOf(k)
      const { least, proven } = bestDays(this.field, shift, prices.jobs, 0, {
        most: LONG,
        cuts,
        memory: this.memoryOf(k),
        late: () => secondsLeft() <= 0,
      })
      if (!proven) return false
      const every = bestDays(this.field, shift, prices.jobs, least + gap + 1e-6, {
        most: EVERY,
        cuts,
        late: () => secondsLeft() <= 0,
      })
      many += every.days.length
      if (!every.proven || many > EVERY) return false
      for (const day of every.days) program.learn(k, day)
    }
    return true
  }

  /** The best choice among the days known, taken whole; where those are all that matter, its bound is one for every plan. */
  choose(cost: number, seconds: number, allKnown: boolean): Plan | null {
    const prices = this.bestPrices ?? this.centre
    if (!prices) return null
    // Where not all days are known the choice is a good one at best: then a guess at the bound will do.
    const gap = cost - (allKnown ? this.bound : Math.max(this.bound, this.guess)) + 1e-6
    const near = this.byGain(prices).filter(({ more }) => more <= gap)
    const chosen = this.program.choose(
      near.slice(0, allKnown ? near.length : CHOSEN).map(({ day }) => day),
      seconds,
    )
    if (chosen && allKnown && chosen.bound > this.bound) this.bound = Math.min(chosen.bound, cost)
    return chosen?.plan ?? null
  }

  end(): void {
    this.program.end()
  }
}
