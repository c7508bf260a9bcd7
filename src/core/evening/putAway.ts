import type { Problem } from '../problem'
import { counted } from '../text/counted'

/** A tree in which something still is. */
export interface StillIn {
  id: string
  tag: string
  ports: number
}

/**
 * Why a day cannot be put away: a tree in which ports still are, and of which nobody said what was decided instead. Null when it can.
 * Source: handbook, the evening: nothing is left in a tree by oversight.
 *
 * @example whyNotPutAway([{ id: 'a', tag: 'Ash 14', ports: 2 }], new Map())?.message // '2 ports are still in Ash 14. …'
 */
export function whyNotPutAway(
  still: readonly StillIn[],
  decided: ReadonlyMap<string, string>,
): Problem | null {
  const open = still.filter((t) => (decided.get(t.id) ?? '').trim() === '')
  const [first] = open
  if (!first) return null
  const others = open.length - 1
  return {
    code: 'missing',
    field: `left[${still.indexOf(first)}].words`,
    message: `${counted(first.ports, 'port')} ${first.ports === 1 ? 'is' : 'are'} still in ${first.tag}${
      others > 0 ? `, and more in ${counted(others, 'other tree')}` : ''
    }. Pull and count them, or say what was decided instead: who comes back, and when.`,
  }
}
