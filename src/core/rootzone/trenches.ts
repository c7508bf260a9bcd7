import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import type { Length, Volume } from '../quantity/units'
import type { Working } from '../working/working'

export interface TrenchInput {
  spokes: number
  start: Length
  end: Length
  width: Length
  depth: Length
  rootZoneRadius: Length
  units?: UnitSystem
}

export interface Trenches {
  trenchLength: Length
  backfill: Volume
  /** Share of the root-zone disc that is opened, per cent. */
  openedPercent: number
  working: Working
}

const MOST_SPOKES = 360
/** Nothing about a root zone is longer than this, metres (400 ft). */
const LONGEST = 122

/**
 * Radial trenches: spokes between two radii, what goes back into them, and how much of the root zone they open.
 * Problems: `out-of-range` for sizes that cannot be, or an end that is not beyond the start.
 * Source: handbook, soil work.
 * @example radialTrenches({ spokes: 6, start: toSI(4, 'ft'), end: toSI(12, 'ft'), … }).value.openedPercent // 3.98
 */
export function radialTrenches(input: TrenchInput): Result<Trenches> {
  const units = input.units ?? 'us'
  if (!Number.isInteger(input.spokes) || input.spokes < 1 || input.spokes > MOST_SPOKES)
    return refuse('out-of-range', 'spokes', `The spokes must be a whole number from 1 to ${MOST_SPOKES}.`)
  if (!(input.start >= 0)) return refuse('out-of-range', 'start', 'The start cannot be below zero.')
  for (const [field, name] of [
    ['end', 'The end'],
    ['width', 'The width'],
    ['depth', 'The depth'],
    ['rootZoneRadius', 'The root-zone radius'],
  ] as const)
    if (!(input[field] > 0 && input[field] <= LONGEST))
      return refuse(
        'out-of-range',
        field,
        `${name} must be more than zero and at most ${shown(LONGEST, 'ft', units, 0)}.`,
      )
  if (input.end <= input.start)
    return refuse('out-of-range', 'end', 'The trenches must end farther out than they start.')
  const trenchLength = input.spokes * (input.end - input.start)
  const opened = trenchLength * input.width
  const backfill = opened * input.depth
  const disc = Math.PI * input.rootZoneRadius ** 2
  const openedPercent = (opened / disc) * 100
  const ft = (l: Length) => shown(l, 'ft', units)
  return ok({
    trenchLength,
    backfill,
    openedPercent,
    working: [
      {
        label: 'Trench in all',
        expression: `${input.spokes} × (${ft(input.end)} − ${ft(input.start)})`,
        result: ft(trenchLength),
        source: 'choice',
      },
      {
        label: 'Backfill',
        expression: `${ft(trenchLength)} × ${shown(input.width, 'in', units)} × ${shown(input.depth, 'in', units)}`,
        result: shown(backfill, 'ft3', units, 1),
      },
      {
        label: 'Root zone opened',
        expression: `${shown(opened, 'ft2', units, 1)} ÷ (3.1416 × (${ft(input.rootZoneRadius)})²)`,
        result: `${sensible(openedPercent, 1)} %`,
      },
    ],
  })
}
