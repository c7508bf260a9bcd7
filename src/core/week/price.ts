import { WEIGHTS, SAME, type Shift, type WeekField } from './field'
import type { Cuts } from './threes'

/** The best days that were found at some prices, and what no day can be better than. */
export interface Priced {
  /** No day of this shift costs less than this after its jobs' prices; 0 or below. */
  least: number
  /** True where `least` is reached or proven to the last; false where the search was cut short and `least` is a guess from below. */
  proven: boolean
  days: number[][]
}

const STEPS = 120
const NOTHING = 1e-9

/**
 * Days of one crew that cost less than `below` once each job's price is taken off, the best of them, and a bound for all.
 *
 * First, from behind: what a day can still gain from a place with so many minutes left, where jobs may come again but not by turns (rounded so that no real day
 * is cut off). Then, from the front: days are grown job by job; one that cannot come below `below` with the most it can still gain is dropped, and of two that end at the
 * same place the one that is later, dearer and remembers no fewer jobs. A day remembers what its jobs remember; where the best one holds a job twice, its jobs remember more
 * and it is looked for again. Without a memory days remember all, and are dropped only for others of the same jobs: every day below `below` is found.
 */
export function bestDays(
  field: WeekField,
  shift: Shift,
  prices: Float64Array,
  below: number,
  {
    most,
    memory = null,
    cuts,
    late = () => false,
  }: { most: number; memory?: Memory | null; cuts?: Cuts; late?: () => boolean },
): Priced {
  const { jobs, road, minutes } = field
  const row = jobs + 1
  // Taking a job out of a day makes its drive no longer: one that gains nothing is in no best day.
  const chosen: number[] = []
  const gains: number[] = []
  for (let j = 0; j < jobs; j++) {
    const gain = prices[j]! - shift.late[j]!
    if (memory ? gain > NOTHING : gain > -Infinity) {
      chosen.push(j)
      gains.push(gain)
    }
  }
  const m = chosen.length
  if (m === 0) return { least: 0, proven: true, days: [] }
  const { capacity } = shift
  const drive = new Float64Array((m + 1) * (m + 1))
  for (let i = 0; i <= m; i++)
    for (let k = 0; k <= m; k++)
      drive[i * (m + 1) + k] = road[(i === m ? jobs : chosen[i]!) * row + (k === m ? jobs : chosen[k]!)]!
  const work = Float64Array.from(chosen, (j) => minutes[j]!)
  const behind = gainBehind(m, drive, work, gains, capacity)
  const filled = gainFilled(m, drive, work, gains)

  const yard = m
  const place = new Int32Array(jobs).fill(-1)
  for (const [i, j] of chosen.entries()) place[j] = i
  const cutting = new Cutting(cuts, chosen)
  for (let look = 0; ; look++) {
    const found: { cost: number; day: number[]; twice: boolean }[] = []
    let least = Math.min(0, below)
    let cut = below
    const grown = new Grown(m, most, memory && { of: chosen.map((j) => memory.of(j)), place }, cutting)
    const grow = (from: number, end: number, spent: number, cost: number): boolean => {
      for (let k = 0; k < m; k++) {
        if (from >= 0 && grown.has(from, k)) continue
        const onRoad = drive[end * (m + 1) + k]!
        // At one place the order does not matter: one of all orders is enough.
        if (onRoad === 0 && k < end && end !== yard) continue
        const time = spent + onRoad + work[k]!
        const home = drive[k * (m + 1) + yard]!
        if (time + home > capacity + SAME) continue
        const costs = cost + WEIGHTS.perMinuteDriven * onRoad - gains[k]! + grown.cutBy(from, k)
        const ahead = costs + behind.after(k, capacity - time)
        if (ahead >= cut) continue
        const filling = costs - filled(k, capacity - time, grown, from, costs - cut)
        if (filling >= cut) continue
        const id = grown.add(from, k, time, costs, Math.max(ahead, filling))
        if (id === FULL) return false
        if (id < 0) continue
        const whole = costs + WEIGHTS.perMinuteDriven * home
        if (whole >= below - NOTHING) continue
        const day = grown.day(id)
        found.push({ cost: whole, day: day.map((i) => chosen[i]!), twice: new Set(day).size < day.length })
        least = Math.min(least, whole)
        // Enough are known that are good; better ones only.
        if (memory && found.length > 30) cut = Math.min(cut, (least + below) / 2)
      }
      return true
    }
    let proven = grow(-1, yard, 0, 0)
    if (!proven) least = Math.min(least, behind.fromYard())
    for (let l = 0; proven && l < grown.count; l++) {
      if (grown.dead[l] === 1) continue
      proven = !(l % 64 === 0 && late()) && grow(l, grown.end[l]!, grown.spent[l]!, grown.cost[l]!)
      // What is not grown to its end can gain no more than was foreseen.
      if (!proven)
        for (let open = l; open < grown.count; open++)
          if (grown.dead[open] === 0) least = Math.min(least, grown.foreseen[open]!)
    }
    found.sort((a, b) => a.cost - b.cost)
    const real = found.filter((f) => !f.twice)
    const better = found.filter((f) => f.twice && f.cost < (real[0]?.cost ?? below) - NOTHING)
    if (memory && proven && better.length > 0 && look < LOOKS_AGAIN && !late()) {
      for (const { day } of better.slice(0, 20)) memory.keep(day)
      continue
    }
    return { least, proven, days: real.map((f) => f.day) }
  }
}

/** How often the same day is looked for again where one job came twice in it. */
const LOOKS_AGAIN = 2

/** Which jobs a day remembers at which of its jobs: those could come twice only after what forgets them. */
export class Memory {
  private readonly lists: number[][]

  constructor({ jobs, road }: WeekField, shift: Shift, size: number) {
    const possible = Array.from({ length: jobs }, (_, j) => j).filter((j) => shift.late[j]! < Infinity)
    this.lists = Array.from({ length: jobs }, () => [])
    for (const j of possible)
      this.lists[j] = [...possible]
        .sort((a, b) => road[j * (jobs + 1) + a]! - road[j * (jobs + 1) + b]!)
        .slice(0, size)
  }

  of(job: number): readonly number[] {
    return this.lists[job]!
  }

  /** So that none of the jobs of a day comes twice in it again. */
  keep(day: readonly number[]): void {
    for (let i = 0; i < day.length; i++)
      for (let k = i + 1; k < day.length; k++)
        if (day[k] === day[i]) {
          for (let between = i + 1; between < k; between++) {
            const list = this.lists[day[between]!]!
            if (!list.includes(day[i]!)) list.push(day[i]!)
          }
          break
        }
  }
}

const [NEEDLESS, FULL] = [-1, -2]

/** Cuts among the jobs of one crew's days: which a job is in, and what the second of its jobs on a day costs. */
class Cutting {
  readonly words: number
  readonly of: readonly (readonly number[])[]
  readonly price: number[] = []

  constructor(cuts: Cuts | undefined, chosen: readonly number[]) {
    this.of = []
    this.words = 0
    if (!cuts) return
    const held = new Int32Array(cuts.threes.length)
    for (const j of chosen) for (const c of cuts.of[j]!) held[c]!++
    const number = new Int32Array(cuts.threes.length).fill(-1)
    for (const [c, n] of held.entries())
      if (n >= 2) {
        number[c] = this.price.length
        this.price.push(cuts.price[c]!)
      }
    this.of = chosen.map((j) => cuts.of[j]!.filter((c) => number[c]! >= 0).map((c) => number[c]!))
    this.words = Math.ceil(this.price.length / 32)
  }
}

/** Days as they are grown, in columns: where each ends, its minutes and cost, from which it was grown, and which jobs are in it. */
class Grown {
  count = 0
  readonly end: Int16Array
  readonly spent: Float64Array
  readonly cost: Float64Array
  readonly dead: Uint8Array
  /** What it can cost at the least, grown to its end. */
  readonly foreseen: Float64Array
  private readonly from: Int32Array
  private readonly words: number
  private readonly sets: Int32Array
  private readonly own: Int32Array
  private readonly at: number[][]
  private readonly mask: Int32Array
  private readonly all: boolean
  /** Of which cuts a day holds one job, or three: the next one costs. */
  private readonly odd: Int32Array
  private readonly ownOdd: Int32Array

  constructor(
    jobs: number,
    private readonly most: number,
    memory: { of: readonly (readonly number[])[]; place: Int32Array } | null,
    private readonly cutting: Cutting,
  ) {
    this.words = Math.ceil(jobs / 32)
    this.end = new Int16Array(most)
    this.spent = new Float64Array(most)
    this.cost = new Float64Array(most)
    this.dead = new Uint8Array(most)
    this.foreseen = new Float64Array(most)
    this.from = new Int32Array(most)
    this.sets = new Int32Array(most * this.words)
    this.own = new Int32Array(this.words)
    this.odd = new Int32Array(most * cutting.words)
    this.ownOdd = new Int32Array(cutting.words)
    this.at = Array.from({ length: jobs }, () => [])
    this.all = memory === null
    this.mask = new Int32Array(jobs * this.words).fill(memory ? 0 : -1)
    memory?.of.forEach((list, k) => {
      for (const j of list) {
        const i = memory.place[j]!
        if (i >= 0) this.mask[k * this.words + (i >> 5)]! |= 1 << (i & 31)
      }
    })
  }

  has(day: number, job: number): boolean {
    return ((this.sets[day * this.words + (job >> 5)]! >>> (job & 31)) & 1) === 1
  }

  /** What cuts cost a day when a job is added. */
  cutBy(day: number, job: number): number {
    const { words, of, price } = this.cutting
    if (words === 0 || day < 0) return 0
    let sum = 0
    for (const c of of[job]!) if ((this.odd[day * words + (c >> 5)]! >>> (c & 31)) & 1) sum += price[c]!
    return sum
  }

  /** What cuts may still cost the one day and not the other, as far as `enough`. */
  private cutMore(
    one: Int32Array,
    oneAt: number,
    other: Int32Array,
    otherAt: number,
    enough: number,
  ): number {
    const { words, price } = this.cutting
    let sum = 0
    for (let w = 0; w < words; w++) {
      let bits = one[oneAt + w]! & ~other[otherAt + w]!
      while (bits !== 0) {
        const low = bits & -bits
        sum += price[w * 32 + 31 - Math.clz32(low)]!
        if (sum > enough) return sum
        bits ^= low
      }
    }
    return sum
  }

  /** Adds a day grown by one job; `NEEDLESS` where another is as good, `FULL` where there is no room. */
  add(from: number, job: number, spent: number, cost: number, foreseen: number): number {
    const { words, sets, own, at, all, dead } = this
    for (let w = 0; w < words; w++)
      own[w] = from < 0 ? 0 : sets[from * words + w]! & this.mask[job * words + w]!
    own[job >> 5]! |= 1 << (job & 31)
    const { odd, ownOdd, cutting } = this
    const cutWords = cutting.words
    for (let w = 0; w < cutWords; w++) ownOdd[w] = from < 0 ? 0 : odd[from * cutWords + w]!
    if (cutWords > 0) for (const c of cutting.of[job]!) ownOdd[c >> 5]! ^= 1 << (c & 31)
    const others = at[job]!
    let gone = 0
    for (const other of others) {
      const better = this.spent[other]! <= spent + SAME && this.cost[other]! <= cost + NOTHING
      const worse = !better && this.spent[other]! >= spent && this.cost[other]! >= cost
      if (!better && !worse) continue
      let within = true
      const base = other * words
      for (let w = 0; w < words && within; w++) {
        const o = sets[base + w]!
        within = all ? o === own[w]! : better ? (o & ~own[w]!) === 0 : (own[w]! & ~o) === 0
      }
      if (!within) continue
      if (cutWords > 0) {
        const spare = better ? cost + NOTHING - this.cost[other]! : this.cost[other]! - cost
        const more = better
          ? this.cutMore(odd, other * cutWords, ownOdd, 0, spare)
          : this.cutMore(ownOdd, 0, odd, other * cutWords, spare)
        if (more > spare) continue
      }
      if (better) return NEEDLESS
      dead[other] = 1
      gone++
    }
    if (gone > 0) at[job] = others.filter((o) => dead[o] === 0)
    const id = this.count
    if (id >= this.most) return FULL
    this.count++
    this.end[id] = job
    this.spent[id] = spent
    this.cost[id] = cost
    this.from[id] = from
    this.foreseen[id] = foreseen
    sets.set(own, id * words)
    odd.set(ownOdd, id * cutWords)
    at[job]!.push(id)
    return id
  }

  /** Its jobs in their order. */
  day(id: number): number[] {
    const jobs: number[] = []
    for (let b = id; b >= 0; b = this.from[b]!) jobs.push(this.end[b]!)
    return jobs.reverse()
  }
}

/**
 * What a day can still gain at the most with each job once, the last one in part: jobs by what they gain a minute, each with half of its two shortest roads; infinite as soon as it is more than `enough`.
 */
function gainFilled(m: number, drive: Float64Array, work: Float64Array, gains: readonly number[]) {
  const row = m + 1
  const half = new Float64Array(m + 1)
  const shortest = new Float64Array(m + 1)
  for (let k = 0; k <= m; k++) {
    let [first, second] = [Infinity, Infinity]
    for (let i = 0; i <= m; i++) {
      if (i === k) continue
      const d = drive[k * row + i]!
      if (d < first) [first, second] = [d, first]
      else if (d < second) second = d
    }
    shortest[k] = first
    half[k] = m > 1 ? (first + second) / 2 : first
  }
  const takes = Float64Array.from({ length: m }, (_, k) => work[k]! + half[k]!)
  const gives = Float64Array.from({ length: m }, (_, k) => gains[k]! - WEIGHTS.perMinuteDriven * half[k]!)
  const order = Int32Array.from(
    [...takes.keys()]
      .filter((k) => gives[k]! > 0)
      .sort((a, b) => gives[b]! / takes[b]! - gives[a]! / takes[a]!),
  )
  return (end: number, left: number, grown: Grown, from: number, enough: number): number => {
    let rest = left + SAME - (shortest[end]! + shortest[m]!) / 2
    let sum = -WEIGHTS.perMinuteDriven * ((shortest[end]! + shortest[m]!) / 2)
    for (let i = 0; i < order.length && rest > 0; i++) {
      const k = order[i]!
      if (k === end || (from >= 0 && grown.has(from, k))) continue
      const takesNow = takes[k]!
      if (takesNow <= rest) {
        rest -= takesNow
        sum += gives[k]!
        if (sum > enough) return Infinity
      } else {
        sum += (gives[k]! * rest) / takesNow
        break
      }
    }
    return Math.max(0, sum)
  }
}

/** What a day can still cost at the least, behind a job with so many minutes left. */
function gainBehind(
  m: number,
  drive: Float64Array,
  work: Float64Array,
  gains: readonly number[],
  capacity: number,
) {
  const size = capacity / STEPS
  const row = m + 1
  // Jobs shorter than a step would cost no time: they are taken as done for nothing.
  let free = 0
  const kept: number[] = []
  for (let k = 0; k < m; k++) {
    if (gains[k]! <= 0) continue
    if (work[k]! < size) free += gains[k]!
    else kept.push(k)
  }
  const q = kept.length
  // Rounded down what a job takes, up what is left: no day that is possible is cut off.
  const steps = (minutes: number) => Math.floor(minutes / size)
  const width = STEPS + 1
  const best = new Float64Array(q * width)
  const second = new Float64Array(q * width)
  const then = new Int16Array(q * width)
  const takes = new Int16Array(q * q)
  const adds = new Float64Array(q * q)
  for (let i = 0; i < q; i++)
    for (let k = 0; k < q; k++) {
      const d = drive[kept[i]! * row + kept[k]!]!
      takes[i * q + k] = i === k ? STEPS + 1 : Math.min(STEPS + 1, steps(d + work[kept[k]!]!))
      adds[i * q + k] = WEIGHTS.perMinuteDriven * d - gains[kept[k]!]!
    }
  for (let b = 0; b < width; b++)
    for (let i = 0; i < q; i++) {
      const home = drive[kept[i]! * row + m]!
      let first = steps(home) <= b ? WEIGHTS.perMinuteDriven * home : Infinity
      let other = Infinity
      let to = -1
      const base = i * q
      for (let k = 0; k < q; k++) {
        const left = b - takes[base + k]!
        if (left < 0) continue
        const cell = k * width + left
        const value = adds[base + k]! + (then[cell] === i ? second[cell]! : best[cell]!)
        if (value < first) {
          other = first
          first = value
          to = k
        } else if (value < other) other = value
      }
      const cell = i * width + b
      best[cell] = first
      second[cell] = other
      then[cell] = to
    }
  const place = new Int32Array(m).fill(-1)
  for (const [i, k] of kept.entries()) place[k] = i
  /** One step on from a place that is not among those kept, the yard or a job. */
  const stepFrom = (from: number, b: number) => {
    let least = 0
    for (let n = 0; n < q; n++) {
      const d = drive[from * row + kept[n]!]!
      const rest = b - steps(d + work[kept[n]!]!)
      if (rest < 0) continue
      const value = WEIGHTS.perMinuteDriven * d - gains[kept[n]!]! + best[n * width + rest]!
      if (value < least) least = value
    }
    return least
  }
  return {
    after: (k: number, left: number) => {
      const b = Math.min(STEPS, steps(left + 2 * SAME))
      const i = place[k]!
      return (i >= 0 ? best[i * width + b]! : stepFrom(k, b)) - free
    },
    fromYard: () => stepFrom(m, STEPS) - free,
  }
}
