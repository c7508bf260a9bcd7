import type { Length } from '../quantity/units'

/** Where a tree stands on its site. */
export interface Standing {
  eastM: Length
  northM: Length
}

/** Rounds of turning stretches about; a walk is short long before. */
const ROUNDS = 30

/**
 * Trees in the order of a short walk that begins at the first of them: on to the nearest each time, then every stretch that is
 * shorter the other way about is turned. Never longer than the order given; not always the shortest there is. `metres` is the
 * walk in all. Source: handbook, walk.
 *
 * @example walkOrder([{ eastM: 0, northM: 0 }, { eastM: 9, northM: 0 }, { eastM: 4, northM: 0 }]).metres // 9
 */
export function walkOrder<T extends Standing>(trees: readonly T[]): { order: T[]; metres: Length } {
  const walk = turned(nearestFirst(trees))
  const order = lengthOf(walk) < lengthOf(trees) ? walk : [...trees]
  return { order, metres: lengthOf(order) }
}

function far(a: Standing, b: Standing): Length {
  const [x, y] = [a.eastM - b.eastM, a.northM - b.northM]
  return Math.sqrt(x * x + y * y)
}

function lengthOf(walk: readonly Standing[]): Length {
  return walk.reduce((sum, t, i) => (i === 0 ? 0 : sum + far(walk[i - 1]!, t)), 0)
}

function nearestFirst<T extends Standing>(trees: readonly T[]): T[] {
  const left = [...trees]
  const walk = left.splice(0, 1)
  while (left.length > 0) {
    const here = walk.at(-1)!
    let next = 0
    for (let i = 1; i < left.length; i++) if (far(here, left[i]!) < far(here, left[next]!)) next = i
    walk.push(...left.splice(next, 1))
  }
  return walk
}

/** Turns stretches of a walk about, in place, while that makes it shorter; its first tree stays the first. */
function turned<T extends Standing>(walk: T[]): T[] {
  for (let round = 0, shorter = true; shorter && round < ROUNDS; round++) {
    shorter = false
    for (let i = 0; i + 2 < walk.length; i++)
      for (let j = i + 2; j < walk.length; j++) {
        const [a, b, c, d] = [walk[i]!, walk[i + 1]!, walk[j]!, walk[j + 1]]
        const saved = far(a, b) - far(a, c) + (d ? far(c, d) - far(b, d) : 0)
        if (saved <= 1e-9) continue
        for (let x = i + 1, y = j; x < y; x++, y--) [walk[x], walk[y]] = [walk[y]!, walk[x]!]
        shorter = true
      }
  }
  return walk
}
