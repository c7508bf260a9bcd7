import type { Area } from '../quantity/units'
import type { Outline } from './distance'

interface Edge {
  /** Upwards: `y1 < y2`. */
  x1: number
  y1: number
  x2: number
  y2: number
  of: number
}

/**
 * The ground that areas cover together, m²: what lies in two of them counts once, what lies in a hole or in one of `without` not at
 * all. Exact but for rounding: the plan is cut into strips at every corner and crossing, and in a strip all edges are straight and apart.
 *
 * @example coveredArea([square(0, 0, 10, 10), square(5, 0, 15, 10)]) // 150
 */
export function coveredArea(areas: readonly Outline[], without: readonly Outline[] = []): Area {
  const edges = [...areas, ...without].flatMap((outline, of) =>
    outline.type === 'Polygon' ? ringsOf(outline).flatMap((ring) => edgesOf(ring, of)) : [],
  )
  if (edges.length === 0) return 0
  edges.sort((a, b) => a.y1 - b.y1)
  const cuts = [...new Set([...edges.flatMap((e) => [e.y1, e.y2]), ...crossings(edges)])].sort(
    (a, b) => a - b,
  )
  let covered = 0
  let next = 0
  let active: Edge[] = []
  for (let i = 1; i < cuts.length; i++) {
    const [low, high] = [cuts[i - 1]!, cuts[i]!]
    while (next < edges.length && edges[next]!.y1 <= low) active.push(edges[next++]!)
    active = active.filter((e) => e.y2 > low)
    covered += inStrip(active, low, high, areas.length)
  }
  return covered
}

/** What is covered between two heights; `areas`: outlines before this number are areas, the rest are taken out. */
function inStrip(edges: readonly Edge[], low: number, high: number, areas: number): Area {
  const middle = (low + high) / 2
  const across = edges.map((e) => ({ of: e.of, x: xAt(e, middle) })).sort((a, b) => a.x - b.x)
  const inside = new Set<number>()
  let width = 0
  for (const [i, { of, x }] of across.entries()) {
    if (i > 0 && counts(inside, areas)) width += x - across[i - 1]!.x
    if (!inside.delete(of)) inside.add(of)
  }
  // Straight edges: the width in the middle is the mean of the strip.
  return width * (high - low)
}

function counts(inside: ReadonlySet<number>, areas: number): boolean {
  let covered = false
  for (const of of inside) {
    if (of >= areas) return false
    covered = true
  }
  return covered
}

const xAt = (e: Edge, y: number) => e.x1 + ((e.x2 - e.x1) * (y - e.y1)) / (e.y2 - e.y1)

const ringsOf = (outline: Outline) => outline.coordinates as [number, number][][]

function edgesOf(ring: readonly [number, number][], of: number): Edge[] {
  return ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!
    if (a[1] === b[1]) return []
    const [low, high] = a[1] < b[1] ? [a, b] : [b, a]
    return [{ x1: low[0], y1: low[1], x2: high[0], y2: high[1], of }]
  })
}

/** The heights at which edges cross each other; edges come by their lower end. */
function crossings(edges: readonly Edge[]): number[] {
  const heights: number[] = []
  for (const [i, a] of edges.entries())
    for (let j = i + 1; j < edges.length && edges[j]!.y1 < a.y2; j++) {
      const b = edges[j]!
      const slope = (e: Edge) => (e.x2 - e.x1) / (e.y2 - e.y1)
      const [sa, sb] = [slope(a), slope(b)]
      if (sa === sb) continue
      const y = (b.x1 - a.x1 + sa * a.y1 - sb * b.y1) / (sa - sb)
      if (y > Math.max(a.y1, b.y1) && y < Math.min(a.y2, b.y2)) heights.push(y)
    }
  return heights
}
