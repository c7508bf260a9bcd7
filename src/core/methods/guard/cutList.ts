import { layOnRolls } from '../../barrier/guard'
import { ok, refuse, type Result } from '../../problem'
import type { UnitSystem } from '../../quantity/format'
import { readQuantity } from '../../quantity/parse'
import type { Length } from '../../quantity/units'
import type { SubjectPlan } from '../plan'

/** A roll of mesh as it is typed. */
export interface TypedRoll {
  height: string
  length: string
}

/** What is cut from which strip of which roll. */
export interface CutList {
  roll: { height: Length; length: Length }
  rolls: number
  perRoll: number
  strips: { id: string; tag: string; length: Length }[][]
}

/**
 * The cut list of guards for many trees: every piece as it was planned, laid on the strips of rolls. Null while the roll is
 * still to be typed. Pieces of several heights are cut as high as the highest. Problems: those of the quantities and of
 * `layOnRolls`, at `height` and `length`.
 *
 * @example cutListFor(trees, { height: '4 ft', length: '50 ft' }, 'us').value.rolls // 2
 */
export function cutListFor(
  trees: readonly { id: string; tag: string; plan: SubjectPlan }[],
  typed: TypedRoll,
  units: UnitSystem,
): Result<CutList | null> {
  const pieces = trees.flatMap(({ id, tag, plan }) =>
    plan.method === 'guard'
      ? [{ id, tag, length: Number(plan.shape['length']), height: Number(plan.shape['height']) }]
      : [],
  )
  if (pieces.length === 0 || typed.height.trim() === '' || typed.length.trim() === '') return ok(null)
  const roll = { height: 0, length: 0 }
  for (const [field, name] of [
    ['height', 'The height of the roll'],
    ['length', 'The length of the roll'],
  ] as const) {
    const r = readQuantity(typed[field], 'length', field, { bareUnit: units === 'us' ? 'ft' : 'm', name })
    if (!r.ok) return r
    if (!(r.value.si > 0)) return refuse('out-of-range', field, `${name} must be more than zero.`)
    roll[field] = r.value.si
  }
  const laid = layOnRolls(
    pieces.map((p) => p.length),
    Math.max(...pieces.map((p) => p.height)),
    roll,
    units,
  )
  if (!laid.ok)
    return refuse(laid.problem.code, laid.problem.field.replace('roll.', ''), laid.problem.message)
  return ok({
    roll,
    rolls: laid.value.rolls,
    perRoll: laid.value.perRoll,
    strips: laid.value.strips.map((s) =>
      s.map((n) => ({ id: pieces[n]!.id, tag: pieces[n]!.tag, length: pieces[n]!.length })),
    ),
  })
}
