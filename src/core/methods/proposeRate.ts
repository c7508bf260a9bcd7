import type { Method } from '../card/card'
import { goes } from './goes'
import type { UseOf } from './plan'
import { toSI, type Length } from '../quantity/units'

/** A crown that has lost this much, or a trunk this wide, asks for the high rate. */
const LOST = 10
const WIDE = toSI(20, 'in')

/**
 * The rate that is proposed for a tree with a signed cause: high for one whose crown shows it or whose trunk is wide, low for
 * a small tree that is hardly touched; with the reason. Nothing is signed by it: the person chooses.
 * Source: handbook, volume of an injection.
 *
 * @example proposeRate({ crownLost: 20, diameter: 0.3 }).choice // 1
 */
export function proposeRate(f: { crownLost: number | null; diameter: Length | null }): ProposedRate {
  if (f.crownLost !== null && f.crownLost >= LOST)
    return { choice: 1, why: `${f.crownLost} % of the crown is lost: it is under attack.` }
  if (f.diameter !== null && f.diameter >= WIDE) return { choice: 1, why: 'It is a wide trunk.' }
  return { choice: 0, why: 'It is hardly touched, and not a wide trunk.' }
}

/** A rate with why it is proposed. */
export interface ProposedRate {
  choice: 0 | 1
  why: string
}

/**
 * The rate proposed for one use, from the one proposed for the tree: what only feeds is given lightly, however ill the tree.
 * Source: handbook, feeding.
 *
 * @example rateFor(slowFeed, { choice: 1, why: 'It is a wide trunk.' }).choice // 0
 */
export function rateFor(use: UseOf<Method>, proposed: ProposedRate): ProposedRate {
  return goes(use.method) === 'onto the ground' ? { choice: 0, why: 'A weak tree is fed lightly.' } : proposed
}
