import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { fromSI, toSI, type Area, type Length, type Mass } from '../quantity/units'
import { NOISE } from '../quantity/whole'
import { isTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'
import { refusedApplied, refusedId, refusedPriority, type Asked } from './asked'
import { chooseItems } from '../choice/knapsack'

export interface CapTree extends Asked {
  diameter: Length
}

export interface CapInput {
  /** kg of active ingredient per m² and calendar year. */
  limit: number
  area: Area
  /** Everything of the same active already applied there this year. */
  applied: Mass[]
  /** kg per inch of diameter. */
  activePerInch: Mass
  trees: CapTree[]
  units?: UnitSystem
}

export interface Cap {
  allowed: Mass
  /** Negative when the limit is already passed. */
  remaining: Mass
  /** Inches of diameter what remains would do; negative with it. */
  inchesLeft: number
  /** Ids in alphabetical order. */
  treat: string[]
  wait: string[]
  used: Mass
  working: Working
}

export const MOST_TREES = 2000

/** Diameters are held in this grain, metres: finer than any tape, and sums of whole numbers are exact. */
const GRAIN = 1e-9

/**
 * Which trees of a property can be treated this year within the limit per area.
 *
 * Allowed = limit × area; remaining = allowed − applied. Chosen is the set with the greatest total priority whose
 * active ingredient fits what remains: the exact optimum, not first come. Of equal priority the one with less active
 * ingredient, then the one with the alphabetically first id where two sets differ. With nothing or less remaining no
 * tree is treated. Problems: `missing` without trees or ids, `out-of-range` for amounts, trunks, priorities or more
 * than 2,000 trees, an id given twice.
 * Source: handbook, yearly limit per area.
 */
export function withinLimit(input: CapInput): Result<Cap> {
  const units = input.units ?? 'us'
  const wrong = check(input)
  if (wrong) return wrong
  const allowed = input.limit * input.area
  const already = input.applied.reduce((s, m) => s + m, 0)
  const remaining = allowed - already
  const inchesLeft = remaining / input.activePerInch
  const trees = [...input.trees].sort((a, b) => (a.id < b.id ? -1 : 1))
  const chosen = new Set(choose(trees, toSI(inchesLeft, 'in')))
  const treat = trees.filter((_, i) => chosen.has(i))
  const inches = treat.reduce((s, t) => s + fromSI(t.diameter, 'in'), 0)
  const used = inches * input.activePerInch
  const lb = (m: Mass) => shown(m, 'lb', units, 3)
  const working: Working = [
    {
      label: 'Allowed on this ground in a year',
      expression:
        units === 'us'
          ? `${sensible((input.limit * 4046.8564224) / 0.45359237, 3)} lb per acre × ${shown(input.area, 'acre', units, 3)}`
          : `${sensible(input.limit * 10_000, 3)} kg per ha × ${shown(input.area, 'acre', units, 3)}`,
      result: lb(allowed),
      source: 'label',
    },
    {
      label: remaining < 0 ? 'Passed already by' : 'Remaining',
      expression: `${lb(allowed)} − ${lb(already)}`,
      result: lb(Math.abs(remaining)),
      source: 'record',
    },
    {
      label: 'Inches of diameter left',
      expression: `${lb(remaining)} ÷ ${shown(input.activePerInch, 'lb', units, 4)} per in`,
      result: `${sensible(inchesLeft, 1)} in`,
      source: 'label',
    },
    {
      label: 'Best set of trees',
      expression: `greatest total priority within it, of ${trees.length} ${trees.length === 1 ? 'tree' : 'trees'}`,
      result: `${treat.length} now, ${trees.length - treat.length} wait`,
    },
    {
      label: 'Used by them',
      expression: `${sensible(inches, 2)} in × ${shown(input.activePerInch, 'lb', units, 4)} per in`,
      result: lb(used),
    },
  ]
  return ok({
    allowed,
    remaining,
    inchesLeft,
    treat: treat.map((t) => t.id),
    wait: trees.filter((_, i) => !chosen.has(i)).map((t) => t.id),
    used,
    working,
  })
}

/** Indices of the trees to treat, within a sum of diameters. */
function choose(trees: CapTree[], room: Length): number[] {
  if (!(room > 0)) return []
  // A sum that passes only by floating noise still fits.
  const capacity = Math.floor((room * (1 + NOISE)) / GRAIN + 0.5)
  // A tree of no priority only uses what others may need.
  const wanted = trees.map((_, i) => i).filter((i) => trees[i]!.priority > 0)
  const scale = wholeScale(wanted.map((i) => trees[i]!.priority))
  const items = wanted.map((i) => ({
    weight: Math.round(trees[i]!.diameter / GRAIN),
    value: Math.max(1, Math.round(trees[i]!.priority * scale)),
  }))
  return chooseItems(items, Math.min(capacity, Number.MAX_SAFE_INTEGER)).map((k) => wanted[k]!)
}

/** The power of ten that makes every priority whole, at most a million. */
function wholeScale(priorities: number[]): number {
  let scale = 1
  while (
    scale < 1e6 &&
    priorities.some((p) => Math.abs(p * scale - Math.round(p * scale)) > 1e-9 * p * scale)
  )
    scale *= 10
  return scale
}

function check(input: CapInput) {
  if (!(input.limit >= 0)) return refuse('out-of-range', 'limit', 'The limit cannot be below zero.')
  if (!(input.area > 0)) return refuse('out-of-range', 'area', 'The area must be more than zero.')
  if (!(input.activePerInch > 0))
    return refuse('out-of-range', 'activePerInch', 'The active ingredient per inch must be more than zero.')
  const applied = refusedApplied(input.applied)
  if (applied) return applied
  if (input.trees.length > MOST_TREES)
    return refuse('out-of-range', 'trees', `At most ${MOST_TREES} trees can be weighed at once; send fewer.`)
  const ids = new Set<string>()
  for (const [i, tree] of input.trees.entries()) {
    const unnamed = refusedId(tree, i, ids)
    if (unnamed) return unnamed
    if (!isTrunk(tree.diameter))
      return refuse(
        'out-of-range',
        `trees[${i}].diameter`,
        `Tree ${i + 1} is not the size of a trunk; check the tape and the unit.`,
      )
    const priority = refusedPriority(tree, i)
    if (priority) return priority
  }
  return null
}
