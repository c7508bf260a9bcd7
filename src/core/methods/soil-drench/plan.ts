import { drench } from '../../dose/drench'
import { ok, type Result } from '../../problem'
import type { TermsOf } from '../../card/card'
import { cardReader, readOnce } from '../reader'
import type { Planned, Question } from '../plan'
import { readPoured } from './poured'

/** Clearing, shaping and covering a basin, and pouring a gallon into it; house figures. */
const BASIN_MINUTES = 6
const MINUTES_PER_M3 = 3 / 3.785411784e-3

/** Water by girth, and where the basin lies, as the card says. */
const readBasin = readOnce((terms: TermsOf<'soil-drench'>) => {
  const r = cardReader()
  return r.done({
    water: terms.water.map((row, i) => ({
      girthUpTo:
        row.girthUpTo === undefined
          ? undefined
          : r.quantity(row.girthUpTo, 'length', `water[${i}].girthUpTo`),
      volume: r.quantity(row.volume, 'volume', `water[${i}].volume`),
    })),
    basin: {
      from: r.quantity(terms.basin.from, 'length', 'basin.from'),
      to: r.quantity(terms.basin.to, 'length', 'basin.to'),
    },
  })
})

/**
 * A soil drench of one tree: product by inch of diameter or girth as the card says, its tier and water, the basin round the
 * trunk. Problems are those of `core/dose/drench` and of the card's own fields.
 * Source: handbook, soil drench.
 *
 * @example planDrench({ use: SD2, tree: twelveInches, choice: 1, … }).value.plan.product // 2.4 fl oz
 */
export function planDrench(q: Question<'soil-drench'>): Result<Planned<'soil-drench'>> {
  const { terms } = q.use
  const poured = readPoured(terms)
  if (!poured.ok) return poured
  const read = readBasin(terms)
  if (!read.ok) return read
  const at = (choice: number) =>
    drench({
      ...poured.value,
      stems: q.tree.stems,
      water: read.value.water,
      choice,
      units: q.units,
    })
  const dose = at(q.choice)
  if (!dose.ok) return dose
  // Between the rates the product goes up evenly: two of the three give the third.
  const other = at(q.choice < 0.5 ? 1 : 0)
  if (!other.ok) return other
  const one = dose.value.product
  const [least, most] =
    q.choice < 0.5
      ? [(one - other.value.product * q.choice) / (1 - q.choice), other.value.product]
      : [other.value.product, other.value.product + (one - other.value.product) / q.choice]
  const { product, water = 0, activeIngredient } = dose.value
  return ok({
    plan: {
      method: 'soil-drench',
      choice: q.choice,
      diameter: q.tree.diameter,
      product,
      kind: 'liquid',
      least,
      most,
      water,
      active: activeIngredient ?? null,
      minutes: BASIN_MINUTES + water * MINUTES_PER_M3,
      steps: [
        { kind: 'task', task: 'basin', product: 0, times: 1 },
        { kind: 'task', task: 'pour', product, times: 1 },
        { kind: 'task', task: 'cover', product: 0, times: 1 },
      ],
      shape: { basin: read.value.basin },
    },
    working: dose.value.working,
  })
}
