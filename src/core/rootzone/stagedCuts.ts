import { ok, refuse, type Result } from '../problem'

/** Roots whose cuts are spread over years. Shares of the root zone in per cent. */
export interface StagedCuts {
  /** What is cut each year, this year first; a year in which nothing may be cut is empty. */
  years: number[][]
}

/** As many girdling roots as are told apart at one trunk. */
const MOST_ROOTS = 20

/**
 * In which year each girdling root is cut, so that no year takes more of the root zone than `most`. They are given by how hard
 * they press: each year takes the hardest first, then whichever of the others still fits. `cut` was taken in the last twelve
 * months and counts toward this year. Problems (field `roots`): `out-of-range` for a share that is none, for more than the whole
 * root zone, and for a root that alone feeds more than may be cut in a year. Source: handbook, staged root pruning.
 *
 * @example stagedCuts([6, 10, 4], 10, 0).value.years // [[6, 4], [10]]
 */
export function stagedCuts(shares: readonly number[], most: number, cut: number): Result<StagedCuts> {
  const no = (message: string) => refuse('out-of-range', 'roots', message)
  if (shares.length > MOST_ROOTS) return no(`At most ${MOST_ROOTS} roots are staged at one trunk.`)
  const odd = shares.find((s) => !(s > 0 && s <= 100))
  if (odd !== undefined)
    return no('The share of the root zone a root feeds is above 0 and at most 100 %; write such as 6, 10, 4.')
  if (shares.reduce((a, b) => a + b, 0) > 100)
    return no('Together these roots feed more than the whole root zone; estimate them again.')
  const large = shares.find((s) => s > most)
  if (large !== undefined)
    return no(
      `A root that feeds ${large} % of the root zone is more than the ${most} % that may be cut in a year. Leave it and relieve the trunk from it with a chisel, or ask a second opinion.`,
    )
  const years: number[][] = []
  let left = [...shares]
  for (let room = Math.max(0, most - cut); left.length > 0; room = most) {
    const now: number[] = []
    left = left.filter((share) => {
      if (share > room + 1e-9) return true
      now.push(share)
      room -= share
      return false
    })
    years.push(now)
  }
  return ok({ years })
}

/**
 * Reads shares as they are written, such as `6, 10, 4` or `6 % and 10 %`. Problem: `bad-quantity` (field `roots`) for what is
 * no number.
 */
export function readShares(written: string): Result<number[]> {
  const parts = written.split(/,|;|\band\b|\s+(?=\d)/).flatMap((p) => p.replace('%', '').trim() || [])
  const shares = parts.map(Number)
  return shares.every(Number.isFinite)
    ? ok(shares)
    : refuse(
        'bad-quantity',
        'roots',
        'Write the share of each root in per cent, with commas between: such as 6, 10, 4.',
      )
}
