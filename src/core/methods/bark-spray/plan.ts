import { bark } from '../../dose/bark'
import { ok, type Result } from '../../problem'
import type { TermsOf } from '../../card/card'
import { cardReader, readOnce } from '../reader'
import type { Planned, Question } from '../plan'

/** Clearing the base, and wetting a square metre of bark; house figures. */
const CLEAR_MINUTES = 3
const MINUTES_PER_M2 = 1.5

const readTerms = readOnce((terms: TermsOf<'bark-spray'>) => {
  const r = cardReader()
  return r.done({
    rate: {
      low: r.quantity(terms.rate.low, 'volume', 'rate.low'),
      high: r.quantity(terms.rate.high, 'volume', 'rate.high'),
    },
    strength: r.rate(terms.strength, 'mass', 'volume', 'strength'),
    bandHeight: r.quantity(terms.bandHeight, 'length', 'bandHeight'),
  })
})

/**
 * A basal bark spray of one tree: each stem on its own by inch of its diameter, a band from the soil line up. Problems are
 * those of `core/dose/bark` and of the card's own fields.
 * Source: handbook, bark spray.
 *
 * @example planBark({ use: DN7, tree: threeStems, choice: 0, … }).value.plan.shape.perStem.length // 3
 */
export function planBark(q: Question<'bark-spray'>): Result<Planned<'bark-spray'>> {
  const { terms } = q.use
  const read = readTerms(terms)
  if (!read.ok) return read
  const dose = bark({ ...read.value, stems: q.tree.stems, choice: q.choice, units: q.units })
  if (!dose.ok) return dose
  const { product, perStem, bandArea, activeIngredient, inches, working } = dose.value
  return ok({
    plan: {
      method: 'bark-spray',
      choice: q.choice,
      diameter: q.tree.diameter,
      product,
      kind: 'liquid',
      least: inches * read.value.rate.low,
      most: inches * read.value.rate.high,
      water: null,
      active: activeIngredient,
      minutes: CLEAR_MINUTES + bandArea * MINUTES_PER_M2,
      steps: [
        { kind: 'task', task: 'clear', product: 0, times: 1 },
        { kind: 'task', task: 'wet', product, times: perStem.length },
      ],
      shape: { bandHeight: read.value.bandHeight, perStem, bandArea },
    },
    working,
  })
}
