import type { Action } from '../decide/propose'
import { ok, refuse, type Result } from '../problem'
import { daysBetween } from '../time/calendar'

/** House rule: a look is good for a block for this long. */
export const SAMPLE_DAYS = 60
/** House rule: at least so many trees of a block are looked at one by one, or a tenth of it, whichever is more. */
const LEAST_TREES = 4
const LEAST_SHARE = 0.1
/** House rule: of those looked at, at least so many show the same. */
const AGREE = 0.8

/** A standing tree of a block, with what was signed of it last. */
export interface BlockTree {
  id: string
  tag: string
  /** The newest cause with what was decided on it, and whether that rests on other trees; null before. Calendar date. */
  signed: { cause: string; action: Action; on: string; bySample: boolean } | null
  /** An examination is open: somebody is looking at it. */
  open: boolean
}

/** What a sample says of its block: the cause and decision, the trees that were looked at, and those it is signed for. */
export interface Sampled {
  cause: string
  action: Action
  looked: BlockTree[]
  rest: BlockTree[]
  /** Looked at, and found otherwise; or being looked at now. They stay as they are. */
  apart: BlockTree[]
}

/** How many trees of a block are looked at one by one before the others are signed with them. `leastLooked(120) === 12` */
export function leastLooked(trees: number): number {
  return Math.min(trees, Math.max(LEAST_TREES, Math.ceil(trees * LEAST_SHARE)))
}

/**
 * Whether what was signed on some trees of a block may be signed for the others. Problems at `block`: too few looked at,
 * too few that agree, none left. Source: house rule; blocks are examined by sample.
 *
 * @example sampleOf(forty, '2026-06-12').value.rest.length // 36
 */
export function sampleOf(trees: readonly BlockTree[], today: string): Result<Sampled> {
  const no = (message: string) => refuse('not-allowed', 'block', message)
  const fresh = trees.filter((t) => t.signed && daysBetween(t.signed.on, today) <= SAMPLE_DAYS)
  // What was signed with others says nothing of its own.
  const looked = fresh.filter((t) => !t.signed!.bySample)
  const counts = new Map<string, BlockTree[]>()
  for (const tree of looked) {
    const key = `${tree.signed!.cause} ${tree.signed!.action}`
    counts.set(key, [...(counts.get(key) ?? []), tree])
  }
  const most = [...counts.values()].sort((a, b) => b.length - a.length)[0] ?? []
  const least = leastLooked(trees.length)
  if (most.length < least)
    return no(
      `${most.length} of ${trees.length} trees of this block are signed alike in the last ${SAMPLE_DAYS} days; at least ${least} are looked at one by one before the others are signed with them. Examine ${least - most.length} more, spread over the block.`,
    )
  if (most.length < looked.length * AGREE)
    return no(
      `Only ${most.length} of the ${looked.length} trees that were looked at show the same; at least four in five must. Examine the block tree by tree.`,
    )
  const others = trees.filter((t) => !fresh.includes(t))
  const rest = others.filter((t) => !t.open)
  if (rest.length === 0) return no('Every tree of this block is signed already.')
  const { cause, action } = most[0]!.signed!
  return ok({
    cause,
    action,
    looked: most,
    rest,
    apart: [...looked.filter((t) => !most.includes(t)), ...others.filter((t) => t.open)],
  })
}

/** At most `most` of a row, evenly spaced over it. `spreadOver([1, 2, 3, 4], 2)` is `[1, 3]` */
export function spreadOver<T>(row: readonly T[], most: number): T[] {
  const step = Math.max(1, row.length / Math.max(1, most))
  return Array.from({ length: Math.min(most, row.length) }, (_, i) => row[Math.floor(i * step)]!)
}
