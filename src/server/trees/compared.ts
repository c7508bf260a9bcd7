import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { onPlan, type Spot } from '@/core/place/onGlobe'
import type { Place } from '@/core/place/place'
import type { Length } from '@/core/quantity/units'
import type { ListedTree, Refused } from '@/core/treeList/readList'
import type { TreeThere } from '@/db/queries/treeImport'

/** A list beside what stands at the site: what it would bring, what it would change, what is so already. */
export interface Compared {
  brought: { row: ListedTree; place: Place | null }[]
  changed: { row: ListedTree; there: TreeThere; tree: TreeThere; isOther: boolean; isMeasured: boolean }[]
  same: number
  refused: Refused[]
}

/** A position farther from the site than this is asked about, m. */
const FAR = 10_000
/** Two places this near are one, m; two figures this near too, as a share. */
const NEAR = 1
const NEARLY = 1e-6

const isNear = (a: number | null, b: number | null) =>
  a === b || (a !== null && b !== null && Math.abs(a - b) <= NEARLY * Math.max(1, Math.abs(a)))

const areStems = (a: readonly Length[], b: readonly Length[]) =>
  a.length === b.length && a.every((m, i) => isNear(m, b[i]!))

/** Where a row says that its tree stands; null where it says nothing. */
function placeOf(row: ListedTree, corner: Spot | null): Place | null {
  if (row.latitude !== null && row.longitude !== null && corner !== null)
    return onPlan({ latitude: row.latitude, longitude: row.longitude }, corner)
  return row.eastM !== null && row.northM !== null ? { eastM: row.eastM, northM: row.northM } : null
}

/**
 * Compares the trees of a list with those of the site. An empty cell says nothing; a kind that was settled at the tree stands, whatever
 * a list calls it; a reading that is known already, also an old one, is no new one. Refused is what lies too far off.
 */
export function compared(
  rows: readonly ListedTree[],
  there: ReadonlyMap<string, TreeThere>,
  corner: Spot | null,
  columnOf: (field: 'latitude' | 'east') => string | null,
): Compared {
  const out: Compared = { brought: [], changed: [], same: 0, refused: [] }
  for (const row of rows) {
    const place = placeOf(row, corner)
    if (place && Math.hypot(place.eastM, place.northM) > FAR) {
      out.refused.push({
        line: row.line,
        column: columnOf(row.latitude !== null ? 'latitude' : 'east'),
        code: 'out-of-range',
        message: 'This lies more than 10 km from the site; check the position, or choose another site.',
      })
      continue
    }
    const own = there.get(row.tag)
    if (!own) {
      out.brought.push({ row, place })
      continue
    }
    const tree = asListed(own, row, place)
    const isMeasured = row.stemsM !== null && !own.readings.some((r) => areStems(r, row.stemsM!))
    const isOther = (Object.keys(tree) as (keyof TreeThere)[]).some((key) => tree[key] !== own[key])
    if (isMeasured || isOther) out.changed.push({ row, there: own, tree, isOther, isMeasured })
    else out.same++
  }
  return out
}

/** A tree as a row says it is; where the row says the same, or nothing, its own value stays. */
function asListed(own: TreeThere, row: ListedTree, place: Place | null): TreeThere {
  const said = <T>(now: T, next: T | null): T => next ?? now
  const measure = (now: Length | null, next: Length | null) =>
    next === null || isNear(now, next) ? now : next
  const isPlaced =
    place !== null && (!own.placed || Math.hypot(place.eastM - own.eastM, place.northM - own.northM) > NEAR)
  const isKind = row.written !== null && row.written !== own.listedAs && !own.confirmed
  return {
    ...own,
    host: isKind ? (row.kind ?? UNKNOWN_KIND) : own.host,
    listedAs: isKind ? row.written : own.listedAs,
    eastM: isPlaced ? place.eastM : own.eastM,
    northM: isPlaced ? place.northM : own.northM,
    placed: own.placed || isPlaced,
    crown: said(own.crown, row.crown),
    heightM: measure(own.heightM, row.heightM),
    spreadM: measure(own.spreadM, row.spreadM),
    block: said(own.block, row.block),
    planted: said(own.planted, row.planted),
    note: said(own.note, row.note),
  }
}

/** The middle of the spots of a list: where a site lies that has no position yet. */
export function middleOf(rows: readonly ListedTree[]): Spot | null {
  const spots = rows.filter((r) => r.latitude !== null && r.longitude !== null)
  if (spots.length === 0) return null
  const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!
  return {
    latitude: middle(spots.map((r) => r.latitude!)),
    longitude: middle(spots.map((r) => r.longitude!)),
  }
}

/** Metres from tree to tree where nobody knows where they stand. */
const APART = 8

/** Where trees without a place lie until somebody puts them where they stand: in rows beneath everything else on the plan. */
export function besidePlan(count: number, west: number, south: number): Place[] {
  const across = Math.max(1, Math.ceil(Math.sqrt(count)))
  return Array.from({ length: count }, (_, i) => ({
    eastM: west + (i % across) * APART,
    northM: south - 2 * APART - Math.floor(i / across) * APART,
  }))
}
