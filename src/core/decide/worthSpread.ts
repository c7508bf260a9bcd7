import { checkWorth, type Way, type WorthInput } from './worth'
import { ok, type Result } from '../problem'

/** How far the figures a person gives may be off, as shares: 0.2 draws from 0.8 to 1.2 times. */
export interface Uncertainty {
  costs: number
  benefit: number
}

/** Where a tenth, half and nine tenths of the draws lie below. */
export interface Spread {
  low: number
  middle: number
  high: number
}

export interface WorthSpread {
  draws: number
  treat: Spread
  remove: Spread
  nothing: Spread
  /** Share of draws in which treating was worth at least as much as removing, and as doing nothing. */
  treatBeats: { remove: number; nothing: number }
  /** Counts of the worth of treating less that of removing, in equal steps. */
  histogram: { from: number; to: number; counts: number[] }
}

/** Draws done at a time, between which the caller may show progress or stop. */
const BATCH = 500
const BINS = 40

/**
 * What the money comes to when life is drawn instead of averaged: each draw gives the treated and the untreated tree a
 * year of death by its curve, the same luck for both, and lets costs and benefit be off by `uncertainty`.
 *
 * A generator: it yields how many draws are done, so that a worker can show progress and stop. `random` gives numbers
 * from 0 to below 1. Problems as {@link worth}.
 *
 * @example const steps = worthSpread(input, 10_000, random); for (const done of steps) show(done)
 */
export function* worthSpread(
  input: WorthInput,
  draws: number,
  random: () => number,
  uncertainty: Uncertainty = { costs: 0.2, benefit: 0.2 },
): Generator<number, Result<WorthSpread>> {
  const wrong = checkWorth(input)
  if (wrong) return wrong
  const values = {
    treat: new Float64Array(draws),
    remove: new Float64Array(draws),
    nothing: new Float64Array(draws),
  }
  const growth = 1 + input.discountPercent / 100
  const start = Float64Array.from({ length: input.years + 1 }, (_, y) => 1 / growth ** y)
  // Benefit of living through the first y years, and what the treated tree's visits in them cost, by year of death.
  const lived = new Float64Array(input.years + 1)
  for (let y = 0; y < input.years; y++) lived[y + 1] = lived[y]! + input.benefitPerYear * start[y + 1]!
  const removed = removedParts(input, start)
  for (let i = 0; i < draws; i++) {
    const luck = random()
    const about = (spread: number) => 1 + spread * (2 * random() - 1)
    const benefit = about(uncertainty.benefit)
    const visit = about(uncertainty.costs) * input.treat.costPerVisit
    const felling = about(uncertainty.costs)
    const emergency = about(uncertainty.costs) * input.nothing.emergencyCost
    const treatedDeath = yearOfDeath(input.treat.survival, input.years, luck)
    const untreatedDeath = yearOfDeath(input.nothing.survival, input.years, luck)
    let visits = 0
    for (let y = 0; y < input.years && y <= treatedDeath; y += input.treat.everyYears) visits += start[y]!
    const life = (death: number) =>
      lived[Math.min(death, input.years)]! * benefit -
      (death < input.years ? emergency * start[death + 1]! : 0)
    values.treat[i] = life(treatedDeath) - visits * visit
    values.nothing[i] = life(untreatedDeath)
    values.remove[i] = removed.benefit * benefit - removed.cost * felling
    if ((i + 1) % BATCH === 0) yield i + 1
  }
  return ok(summary(values, draws))
}

/** The year (0-based) in which the tree dies, or `years` when it outlives them. */
function yearOfDeath(survival: readonly number[], years: number, luck: number): number {
  for (let y = 0; y < years; y++) if (luck >= survival[y]!) return y
  return years
}

function removedParts(input: WorthInput, start: Float64Array): { benefit: number; cost: number } {
  const share = input.replacementBenefitShare
  const { year, cost, replace } = input.remove
  let benefit = 0
  for (let y = 0; y < input.years; y++)
    benefit +=
      (y < year ? 1 : share[Math.min(y - year, share.length - 1)]!) * input.benefitPerYear * start[y + 1]!
  return { benefit, cost: year < input.years ? (cost + replace) * start[year]! : 0 }
}

function summary(values: Record<Way, Float64Array>, draws: number): WorthSpread {
  const spread = (v: Float64Array): Spread => {
    const sorted = Float64Array.from(v).sort()
    const at = (share: number) => sorted[Math.min(draws - 1, Math.floor(share * draws))]!
    return { low: at(0.1), middle: at(0.5), high: at(0.9) }
  }
  const beats = (other: Float64Array) =>
    values.treat.reduce((n, t, i) => n + (t >= other[i]! ? 1 : 0), 0) / draws
  const gain = values.treat.map((t, i) => t - values.remove[i]!).sort()
  const from = gain[0]!
  const to = gain[draws - 1]!
  const counts = new Array<number>(BINS).fill(0)
  for (const g of gain) counts[Math.min(BINS - 1, Math.floor(((g - from) / (to - from || 1)) * BINS))]! += 1
  return {
    draws,
    treat: spread(values.treat),
    remove: spread(values.remove),
    nothing: spread(values.nothing),
    treatBeats: { remove: beats(values.remove), nothing: beats(values.nothing) },
    histogram: { from, to, counts },
  }
}
