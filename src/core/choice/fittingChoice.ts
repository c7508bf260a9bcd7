import type { Figures } from './prices'

/** A choice for every tree, by index into its ways. */
export type Choice = number[]

/** The cheapest choice brought within its bounds by the changes that cost least for what they free; null where it fails. */
export function repaired(
  figures: Figures,
  priced: readonly (readonly number[])[],
  start: Choice,
  bounds: readonly [number, number],
): Choice | null {
  const choice = [...start]
  const over: [number, number] = [-bounds[0], -bounds[1]]
  choice.forEach((o, i) => {
    over[0] += figures[i]![o]![1]
    over[1] += figures[i]![o]![2]
  })
  for (let round = 0; round < 4 * choice.length && (over[0] > 0 || over[1] > 0); round++) {
    let best: { i: number; o: number; rate: number } | null = null
    for (const [i, own] of figures.entries())
      for (const [o, to] of own.entries()) {
        const from = own[choice[i]!]!
        const relief = [0, 1].reduce((sum, k) => {
          if (over[k as 0 | 1] <= 0) return sum
          return (
            sum + Math.min(over[k as 0 | 1], from[(k + 1) as 1 | 2] - to[(k + 1) as 1 | 2]) / over[k as 0 | 1]
          )
        }, 0)
        if (relief <= 1e-12) continue
        const rate = (priced[i]![o]! - priced[i]![choice[i]!]!) / relief
        if (!best || rate < best.rate) best = { i, o, rate }
      }
    if (!best) return null
    const from = figures[best.i]![choice[best.i]!]!
    const to = figures[best.i]![best.o]!
    over[0] += to[1] - from[1]
    over[1] += to[2] - from[2]
    choice[best.i] = best.o
  }
  return over[0] > 0 || over[1] > 0 ? null : choice
}

/** A choice bettered one tree at a time, as long as that goes. */
export function improved(
  figures: Figures,
  given: Choice | null,
  bounds: readonly [number, number],
): Choice | null {
  if (!given) return null
  const choice = [...given]
  let [r, s] = [0, 0]
  choice.forEach((o, i) => {
    r += figures[i]![o]![1]
    s += figures[i]![o]![2]
  })
  for (let better = true; better;) {
    better = false
    for (const [i, own] of figures.entries())
      for (const [o, to] of own.entries()) {
        const from = own[choice[i]!]!
        if (to[0] >= from[0] || r - from[1] + to[1] > bounds[0] || s - from[2] + to[2] > bounds[1]) continue
        r += to[1] - from[1]
        s += to[2] - from[2]
        choice[i] = o
        better = true
      }
  }
  return choice
}
