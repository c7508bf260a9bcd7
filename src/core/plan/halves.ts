import type { Length } from '../quantity/units'
import { walkOrder, type Standing } from './walk'

/** Trees that reach less far from east to west than this are one half; house figure, metres. */
const NARROW: Length = 8

/** The half of a terrace, with its trees in walking order. */
export interface Half<T extends Standing> {
  side: 'east' | 'west' | null
  trees: T[]
}

/**
 * A terrace in two halves by the sun, for sprays that are kept out of it: the east half first. In the morning it is the first to
 * lose its shade, in the evening the first to get it, so that whoever follows the halves works in shade at either end of the
 * day, north and south of the equator. Each half has as many trees as the other, or one more, and is walked by itself. One half
 * (`side` null) where the trees stand too close from east to west, or are fewer than four. Source: handbook, walk.
 *
 * @example halvesBySun(terrace).map((h) => h.trees.length) // [20, 20]
 */
export function halvesBySun<T extends Standing>(trees: readonly T[]): Half<T>[] {
  const fromEast = trees.map((t, i) => ({ t, i })).sort((a, b) => b.t.eastM - a.t.eastM || a.i - b.i)
  const wide = fromEast.length > 0 ? fromEast[0]!.t.eastM - fromEast.at(-1)!.t.eastM : 0
  if (trees.length < 4 || wide < NARROW) return [{ side: null, trees: walkOrder(trees).order }]
  const middle = Math.ceil(trees.length / 2)
  const half = (part: typeof fromEast) => walkOrder(part.sort((a, b) => a.i - b.i).map(({ t }) => t)).order
  return [
    { side: 'east', trees: half(fromEast.slice(0, middle)) },
    { side: 'west', trees: half(fromEast.slice(middle)) },
  ]
}
