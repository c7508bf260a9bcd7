import { drench } from '../../dose/drench'
import { soilInjection, type HolePattern } from '../../dose/soilInjection'
import { ok, refuse, type Result } from '../../problem'
import { cardReader } from '../reader'
import type { Planned, Question } from '../plan'
import { readPoured } from '../soil-drench/poured'

/** Setting up at a tree, and each hole of it; house figures. */
const SET_UP_MINUTES = 5
const MINUTES_A_HOLE = 0.5

/**
 * A soil injection of one tree: the product of a drench, in holes on the card's rings or grid, the same mix in each. A grid
 * reaches as far as was given, less its hardscape share. Problems: `missing` (field `reach`) for a grid without its reach,
 * those of `core/dose/soilInjection`, and of the card's own fields.
 * Source: handbook, soil injection.
 *
 * @example planSoilInjection({ use: SD2, tree: fourteenInches, choice: 1, … }).value.plan.steps[0] // holes, 21 times
 */
export function planSoilInjection(q: Question<'soil-injection'>): Result<Planned<'soil-injection'>> {
  const { terms } = q.use
  const poured = readPoured(terms)
  if (!poured.ok) return poured
  const { pattern: on } = terms
  if (on.kind === 'grid' && q.given.reach === undefined)
    return refuse(
      'missing',
      'reach',
      'Say how far out from the trunk the roots are injected; the drip line is usual.',
    )
  const r = cardReader()
  const read = r.done({
    pattern:
      on.kind === 'rings'
        ? ({
            kind: 'rings',
            first: r.quantity(on.first, 'length', 'pattern.first'),
            spacing: r.quantity(on.spacing, 'length', 'pattern.spacing'),
            rings: on.rings,
            holeSpacing: r.quantity(on.holeSpacing, 'length', 'pattern.holeSpacing'),
          } satisfies HolePattern)
        : ({
            kind: 'grid',
            radius: q.given.reach!,
            spacing: r.quantity(on.spacing, 'length', 'pattern.spacing'),
            trunkClear:
              on.trunkClear === undefined
                ? undefined
                : r.quantity(on.trunkClear, 'length', 'pattern.trunkClear'),
            hardscapePercent: q.given.hardscapePercent,
          } satisfies HolePattern),
    mixPerHole: r.quantity(terms.mixPerHole, 'volume', 'mixPerHole'),
    depth: {
      from: r.quantity(terms.depth.low, 'length', 'depth.low'),
      to: r.quantity(terms.depth.high, 'length', 'depth.high'),
    },
  })
  if (!read.ok) return read
  const { pattern, mixPerHole, depth } = read.value
  const dose = soilInjection({
    ...poured.value,
    stems: q.tree.stems,
    pattern,
    mixPerHole,
    choice: q.choice,
    units: q.units,
  })
  if (!dose.ok) return dose
  const { product, water, holes, rings = [], activeIngredient, working } = dose.value
  // The label's least and most are those of its rate; between them the product goes up evenly.
  const low = q.choice >= 0.5
  const other = drench({ ...poured.value, stems: q.tree.stems, choice: low ? 0 : 1, units: q.units })
  if (!other.ok) return other
  const end = other.value.product
  const [least, most] = low
    ? [end, end + (product - end) / q.choice]
    : [(product - end * q.choice) / (1 - q.choice), end]
  return ok({
    plan: {
      method: 'soil-injection',
      choice: q.choice,
      diameter: q.tree.diameter,
      product,
      kind: 'liquid',
      least,
      most,
      water,
      active: activeIngredient,
      minutes: SET_UP_MINUTES + holes * MINUTES_A_HOLE,
      steps: [{ kind: 'task', task: 'holes', product, times: holes }],
      shape: {
        holes,
        mixPerHole,
        rings,
        grid: pattern.kind === 'grid' ? { spacing: pattern.spacing, reach: pattern.radius } : null,
        depth,
      },
    },
    working,
  })
}
