/** How well probabilities were kept: one answer each. */
export interface Outcome {
  /** Probability given to the leading cause. */
  probability: number
  /** Rank of the true cause, from 1. */
  rank: number
}

export interface Calibration {
  cases: number
  top1: number
  top3: number
  /** Expected calibration error over ten equal steps of probability. */
  error: number
}

/**
 * Top-1, top-3 and expected calibration error: in each tenth of probability, how far the share that was right lies from
 * the probability that was said, weighted by how many there were.
 *
 * @example calibrate([{ probability: 0.9, rank: 1 }, { probability: 0.9, rank: 2 }]).error // 0.4
 */
export function calibrate(outcomes: readonly Outcome[]): Calibration {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, said: 0, right: 0 }))
  for (const o of outcomes) {
    const bin = bins[Math.min(9, Math.floor(o.probability * 10))]!
    bin.n++
    bin.said += o.probability
    bin.right += o.rank === 1 ? 1 : 0
  }
  const n = outcomes.length || 1
  return {
    cases: outcomes.length,
    top1: outcomes.filter((o) => o.rank === 1).length / n,
    top3: outcomes.filter((o) => o.rank <= 3).length / n,
    error: bins.reduce((s, b) => s + Math.abs(b.said - b.right), 0) / n,
  }
}
