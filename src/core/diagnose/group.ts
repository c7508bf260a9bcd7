import type { Cause } from './almanac'

/** A cause of a group, and what of the group it follows on. */
export interface Member {
  id: string
  /** The earlier cause it lives on, or that opens the door for it; null where it stands by itself. */
  on: string | null
  how: 'feeds' | 'opens' | null
}

/**
 * Causes at work together in the order in which one leads to the other: openers before what they open, feeders before what lives
 * on them; each with the nearest before it that it follows on.
 *
 * @example asGroup(['sooty-mould', 'aphids'], causes) // [{ id: 'aphids', on: null, … }, { id: 'sooty-mould', on: 'aphids', how: 'feeds' }]
 */
export function asGroup(
  ids: readonly string[],
  causes: readonly Pick<Cause, 'id' | 'livesOn' | 'opens'>[],
): Member[] {
  const of = (id: string) => causes.find((c) => c.id === id)
  const howOf = (a: string, b: string): Member['how'] =>
    of(b)?.livesOn?.includes(a) ? 'feeds' : of(a)?.opens?.includes(b) ? 'opens' : null
  const placed: string[] = []
  const left = [...ids]
  while (left.length > 0) {
    // The first that follows on nothing that is still to come; a ring has none, then the first.
    const next = left.find((b) => left.every((a) => a === b || howOf(a, b) === null)) ?? left[0]!
    placed.push(next)
    left.splice(left.indexOf(next), 1)
  }
  return placed.map((id, i) => {
    const on = placed.slice(0, i).findLast((a) => howOf(a, id) !== null) ?? null
    return { id, on, how: on === null ? null : howOf(on, id) }
  })
}

/**
 * How the line of a drawn group runs past each of its members: from above, to below, or neither.
 *
 * @example linesOf(asGroup(['aphids', 'sooty-mould'], causes)) // [{ above: false, below: true }, { above: true, below: false }]
 */
export function linesOf(group: readonly Member[]): { above: boolean; below: boolean }[] {
  const at = (id: string | null) => group.findIndex((m) => m.id === id)
  const spans = group.flatMap((m, to) => (m.on === null ? [] : [[at(m.on), to] as const]))
  return group.map((_, i) => ({
    above: spans.some(([from, to]) => from < i && i <= to),
    below: spans.some(([from, to]) => from <= i && i < to),
  }))
}
