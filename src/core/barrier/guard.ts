import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { toSI, type Length } from '../quantity/units'
import { ceilGuarded, floorGuarded, NOISE } from '../quantity/whole'
import { isTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'

export type Gnawer = 'vole' | 'rabbit'

/** How high each gnaws: a vole above the ground, a rabbit above the snow it stands on. Source: handbook, guards. */
export const REACH: Record<Gnawer, Length> = { vole: toSI(18, 'in'), rabbit: toSI(24, 'in') }

export interface GuardInput {
  /** Diameters. */
  trees: Length[]
  clearance: Length
  overlap: Length
  animal: Gnawer
  snow: Length
  snowMargin: Length
  bury: Length
  roll?: { height: Length; length: Length }
  units?: UnitSystem
}

export interface Guards {
  cuts: { length: Length; height: Length }[]
  rolls?: number
  working: Working
}

/** The longest anything on a mesh roll is, metres (1,000 ft). */
const LONGEST = 305

/**
 * Cylinder guards: each piece is π × (diameter + 2 × clearance) + overlap long, and as high as the animal reaches plus
 * what goes into the soil. A vole reaches 18 in, or goes under the snow: then the snow with its margin, if that is more.
 * A rabbit stands on the snow and reaches 24 in above it. From a roll: ⌊roll height ÷ piece height⌋
 * strips of its length, pieces whole and upright, laid first-fit in order of falling length.
 * Problems: `missing` without trees; `out-of-range` for sizes that cannot be and for a piece taller or longer than the
 * roll.
 * Source: handbook, guards.
 * @example cutGuards({ trees: [toSI(2, 'in')], clearance: toSI(1.5, 'in'), … }).value.cuts[0].height // 0.66 m = 26 in
 */
export function cutGuards(input: GuardInput): Result<Guards> {
  const units = input.units ?? 'us'
  const inch = (l: Length) => shown(l, 'in', units)
  if (input.trees.length === 0)
    return refuse('missing', 'trees', 'There is no tree; give at least one diameter.')
  for (const [field, name] of [
    ['clearance', 'The clearance'],
    ['overlap', 'The overlap'],
    ['snow', 'The snow'],
    ['snowMargin', 'The margin above the snow'],
    ['bury', 'The depth in the soil'],
  ] as const)
    if (!(input[field] >= 0 && input[field] <= LONGEST))
      return refuse(
        'out-of-range',
        field,
        `${name} cannot be below zero or above ${shown(LONGEST, 'ft', units, 0)}.`,
      )
  if (input.roll)
    for (const field of ['height', 'length'] as const)
      if (!(input.roll[field] > 0 && input.roll[field] <= LONGEST))
        return refuse(
          'out-of-range',
          `roll.${field}`,
          `The ${field} of the roll must be more than zero and at most ${shown(LONGEST, 'ft', units, 0)}.`,
        )
  const reach = REACH[input.animal]
  const above =
    input.animal === 'rabbit' ? input.snow + reach : Math.max(reach, input.snow + input.snowMargin)
  const height = above + input.bury
  const working: Working = [
    {
      label: 'Height of each piece',
      expression:
        input.animal === 'rabbit'
          ? `${inch(input.snow)} (snow) + ${inch(reach)} (rabbit, standing on it) + ${inch(input.bury)} in the soil`
          : `the larger of ${inch(reach)} (vole) and ${inch(input.snow)} + ${inch(input.snowMargin)} (snow), + ${inch(input.bury)} in the soil`,
      result: inch(height),
      source: 'handbook',
    },
  ]
  const cuts: Guards['cuts'] = []
  for (const [i, diameter] of input.trees.entries()) {
    if (!isTrunk(diameter))
      return refuse(
        'out-of-range',
        `trees[${i}].diameter`,
        `Tree ${i + 1} would be ${inch(diameter)} through, which is no trunk; check the tape and the unit.`,
      )
    const length = Math.PI * (diameter + 2 * input.clearance) + input.overlap
    cuts.push({ length, height })
    if (i < 40)
      working.push({
        label: `Length for tree ${i + 1}`,
        expression: `3.1416 × (${inch(diameter)} + 2 × ${inch(input.clearance)}) + ${inch(input.overlap)}`,
        result: inch(length),
        source: 'reading',
      })
  }
  if (!input.roll) return ok({ cuts, working })
  const laid = layOnRolls(
    cuts.map((c) => c.length),
    height,
    input.roll,
    units,
  )
  if (!laid.ok) return laid
  const { perRoll, rolls } = laid.value
  const strips = laid.value.strips.length
  working.push(
    {
      label: 'Strips a roll gives',
      expression: `${inch(input.roll.height)} ÷ ${inch(height)}, whole ones`,
      result: `${perRoll}`,
    },
    {
      label: 'Strips used, longest pieces laid first',
      expression: `${cuts.length} ${cuts.length === 1 ? 'piece' : 'pieces'} into strips of ${shown(input.roll.length, 'ft', units)}`,
      result: `${strips}`,
    },
    { label: 'Rolls', expression: `${strips} ÷ ${perRoll}, rounded up`, result: `${rolls}` },
  )
  return ok({ cuts, rolls, working })
}

/** Pieces laid on rolls: which lie on each strip, longest first, by their place in the list. */
export interface Laid {
  /** Strips a roll gives. */
  perRoll: number
  strips: number[][]
  rolls: number
}

/**
 * Lays pieces of one height on rolls of mesh: strips of the roll's length, as many as fit its height, pieces whole and upright,
 * first-fit in order of falling length. Problems: `out-of-range` for a piece taller or longer than the roll.
 *
 * @example layOnRolls([2, 3, 1], 0.6, { height: 1.2, length: 4 }, 'us').value // { perRoll: 2, strips: [[1, 2], [0]], rolls: 1 }
 */
export function layOnRolls(
  pieces: readonly Length[],
  height: Length,
  roll: { height: Length; length: Length },
  units: UnitSystem,
): Result<Laid> {
  const inch = (l: Length) => shown(l, 'in', units)
  const perRoll = floorGuarded(roll.height / height)
  if (perRoll < 1)
    return refuse(
      'out-of-range',
      'roll.height',
      `A piece is ${inch(height)} high and the roll only ${inch(roll.height)}; take a taller roll.`,
    )
  const longest = Math.max(...pieces)
  if (longest > roll.length * (1 + NOISE))
    return refuse(
      'out-of-range',
      'roll.length',
      `A piece is ${inch(longest)} long and the roll only ${shown(roll.length, 'ft', units)}; take a longer roll.`,
    )
  const strips: { left: Length; on: number[] }[] = []
  for (const { piece, n } of pieces.map((piece, n) => ({ piece, n })).sort((a, b) => b.piece - a.piece)) {
    const strip = strips.find((s) => s.left >= piece - roll.length * NOISE)
    if (strip) {
      strip.left -= piece
      strip.on.push(n)
    } else strips.push({ left: roll.length - piece, on: [n] })
  }
  return ok({ perRoll, strips: strips.map((s) => s.on), rolls: ceilGuarded(strips.length / perRoll) })
}
