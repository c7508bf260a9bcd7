/**
 * Three jobs: no whole plan has two days that both hold two or more of them, as each job is done once. Plans in parts may, and
 * so cost less than any real one; a row of the program that forbids it is a subset-row cut.
 */
export type Three = readonly [number, number, number]

/** Cuts, what each costs a day that holds two or more of its jobs, and by job those that hold it and cost something. */
export interface Cuts {
  threes: readonly Three[]
  price: Float64Array
  of: readonly (readonly number[])[]
}

/** A cut is worth a row from so far over one on. */
const BROKEN = 0.02
/** How many cuts are taken at once, and how many of them may hold the same job. */
const [AT_ONCE, OF_A_JOB] = [30, 4]

/** True where a day holds two or more of three jobs. */
export function holdsTwo(three: Three, day: readonly number[]): boolean {
  let held = 0
  for (const j of three) if (day.includes(j)) held++
  return held >= 2
}

/** Cuts at their prices, for all looks at those; a cut that has no price yet costs nothing. */
export function pricedCuts(threes: readonly Three[], prices: Float64Array, jobs: number): Cuts {
  const price = new Float64Array(threes.length)
  price.set(prices)
  const of: number[][] = Array.from({ length: jobs }, () => [])
  for (const [c, three] of threes.entries()) if (price[c]! > 1e-9) for (const j of three) of[j]!.push(c)
  return { threes, price, of }
}

/**
 * The threes that a plan in parts breaks most: of the parts of all days that hold two or more of them, the sum is above one.
 * @example brokenThrees(3, [{ part: 0.5, jobs: [0, 1] }, { part: 0.5, jobs: [1, 2] }, { part: 0.5, jobs: [0, 2] }], new Set()) // [[0, 1, 2]]
 */
export function brokenThrees(
  jobs: number,
  days: readonly { part: number; jobs: readonly number[] }[],
  known: ReadonlySet<string>,
): Three[] {
  const together = new Float64Array(jobs * jobs)
  const mates: Set<number>[] = Array.from({ length: jobs }, () => new Set())
  const of: number[][] = Array.from({ length: jobs }, () => [])
  for (const [d, day] of days.entries())
    for (const a of day.jobs) {
      of[a]!.push(d)
      for (const b of day.jobs) {
        if (a === b) continue
        together[a * jobs + b]! += day.part
        mates[a]!.add(b)
      }
    }
  const broken: { three: Three; over: number }[] = []
  const seen = new Set<string>()
  for (let a = 0; a < jobs; a++)
    for (const b of mates[a]!)
      for (const c of new Set([...mates[a]!, ...mates[b]!])) {
        if (c === a || c === b) continue
        const three = [a, b, c].sort((x, y) => x - y) as [number, number, number]
        const pairs =
          together[three[0] * jobs + three[1]]! +
          together[three[0] * jobs + three[2]]! +
          together[three[1] * jobs + three[2]]!
        if (pairs <= 1 + BROKEN) continue
        const name = nameOf(three)
        if (seen.has(name)) continue
        seen.add(name)
        if (known.has(name)) continue
        // A day with all three was counted by each of its three pairs, and counts once.
        let all = 0
        for (const d of of[three[0]]!) {
          const day = days[d]!
          if (day.jobs.includes(three[1]) && day.jobs.includes(three[2])) all += day.part
        }
        const over = pairs - 2 * all - 1
        if (over > BROKEN) broken.push({ three, over })
      }
  broken.sort((x, y) => y.over - x.over)
  const taken: Three[] = []
  const held = new Int32Array(jobs)
  for (const { three } of broken) {
    if (taken.length >= AT_ONCE) break
    if (three.some((j) => held[j]! >= OF_A_JOB)) continue
    for (const j of three) held[j]!++
    taken.push(three)
  }
  return taken
}

/** One name for three jobs. */
export function nameOf(three: Three): string {
  return three.join()
}
