import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { fromSI, type Length, type Volume } from '../quantity/units'
import { ceilGuarded, NOISE, roundHalfUp } from '../quantity/whole'
import { isTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'

export interface StockInput {
  bottle: Volume
  /** Product and poured mixture, each m³ per inch of diameter. */
  productPerInch: Volume
  pourPerInch: Volume
  /** The smallest step the measure shows. */
  graduation: Volume
  /** The label's most product per inch. */
  maxProductPerInch?: Volume
  /** Diameters. */
  trees: Length[]
  units?: UnitSystem
}

export interface Pour {
  exact: Volume
  pour: Volume
  errorPercent: number
}

export interface Stock {
  concentrate: Volume
  water: Volume
  pours: Pour[]
  bottles: number
  productTotal: Volume
  working: Working
}

/**
 * A pour as the measure can show it: to the nearest graduation, half up, never past the label's most and, where a least is
 * given, not below it. `share` of the pour is product. Null where no graduation does.
 *
 * @example pourOf(1.3, { graduation: 0.5, share: 0.3, most: 0.416 }) // 1: half a step more would hold 0.45
 */
export function pourOf(
  exact: Volume,
  of: { graduation: Volume; share: number; most: Volume; least?: Volume },
): Volume | null {
  const product = (steps: number) => steps * of.graduation * of.share
  let steps = Math.max(1, roundHalfUp(exact / of.graduation))
  while (steps > 0 && product(steps) > of.most * (1 + NOISE)) steps--
  if (of.least !== undefined && product(steps) < of.least * (1 - NOISE)) steps++
  return steps > 0 && product(steps) <= of.most * (1 + NOISE) ? steps * of.graduation : null
}

/**
 * One bottle of stock mixed so that every tree takes a simple pour per inch.
 *
 * Concentrate = bottle × product per inch ÷ pour per inch, the rest water. Each pour goes to the nearest graduation,
 * half up, and steps down while its product would pass the label's most for that tree; a pour is never less than one
 * graduation. Problems: `over-label` where the rate itself is above the label's most, or where a tree's smallest step
 * passes it; `out-of-range` for a pour smaller than the product in it, amounts of nothing, trunks that cannot be.
 *
 * Source: handbook, stock bottle.
 * @example stockBottle({ bottle: toSI(64, 'fl oz'), productPerInch: toSI(0.15, 'fl oz'), pourPerInch: toSI(0.5, 'fl oz'),
 *   graduation: toSI(0.25, 'fl oz'), trees: [toSI(11, 'in')] }) // 19.2 fl oz concentrate, pour 5.5 fl oz
 */
export function stockBottle(input: StockInput): Result<Stock> {
  const units = input.units ?? 'us'
  for (const [field, value] of [
    ['bottle', input.bottle],
    ['productPerInch', input.productPerInch],
    ['pourPerInch', input.pourPerInch],
    ['graduation', input.graduation],
    ['maxProductPerInch', input.maxProductPerInch ?? 1],
  ] as const)
    if (!(value > 0)) return refuse('out-of-range', field, `${NAMES[field]} must be more than zero.`)
  if (input.productPerInch > input.pourPerInch * (1 + NOISE))
    return refuse(
      'out-of-range',
      'pourPerInch',
      'The pour per inch is smaller than the product in it; pour more per inch.',
    )
  if (input.maxProductPerInch !== undefined && input.productPerInch > input.maxProductPerInch * (1 + NOISE))
    return refuse(
      'over-label',
      'productPerInch',
      `The label allows at most ${shown(input.maxProductPerInch, 'fl oz', units, 3)} per inch; take a lower rate.`,
    )
  if (input.trees.length === 0)
    return refuse('missing', 'trees', 'There is no tree; give at least one diameter.')
  const share = Math.min(1, input.productPerInch / input.pourPerInch)
  const concentrate = input.bottle * share
  const water = input.bottle - concentrate
  const f = (v: Volume, digits = 2) => shown(v, 'fl oz', units, digits)
  const working: Working = [
    {
      label: 'Concentrate in the bottle',
      expression: `${f(input.bottle)} × ${f(input.productPerInch, 3)} ÷ ${f(input.pourPerInch, 3)}`,
      result: f(concentrate),
      source: 'label',
    },
    { label: 'Water', expression: `${f(input.bottle)} − ${f(concentrate)}`, result: f(water) },
  ]
  const pours: Pour[] = []
  for (const [i, diameter] of input.trees.entries()) {
    if (!isTrunk(diameter))
      return refuse(
        'out-of-range',
        `trees[${i}]`,
        `Tree ${i + 1} would be ${shown(diameter, 'in', units)} through, which is no trunk; check the tape and the unit.`,
      )
    const inches = fromSI(diameter, 'in')
    const exact = inches * input.pourPerInch
    const most = input.maxProductPerInch === undefined ? Infinity : input.maxProductPerInch * inches
    const pour = pourOf(exact, { graduation: input.graduation, share, most })
    if (pour === null)
      return refuse(
        'over-label',
        `trees[${i}]`,
        `One graduation of ${f(input.graduation)} already holds more product than the label allows for tree ${i + 1}; use a finer measure.`,
      )
    const errorPercent = ((pour - exact) / exact) * 100
    pours.push({ exact, pour, errorPercent })
    if (i < 40)
      working.push({
        label: `Pour for tree ${i + 1}`,
        expression: `${sensible(inches)} in × ${f(input.pourPerInch, 3)} = ${f(exact, 3)}, to the nearest ${f(input.graduation, 3)}`,
        result: `${f(pour)} (${errorPercent >= 0 ? '+' : '−'}${sensible(Math.abs(errorPercent), 1)} %)`,
      })
  }
  const poured = pours.reduce((sum, p) => sum + p.pour, 0)
  const bottles = ceilGuarded(poured / input.bottle)
  const productTotal = poured * share
  working.push(
    {
      label: 'Bottles to mix',
      expression: `${f(poured)} ÷ ${f(input.bottle)}, rounded up`,
      result: `${bottles}`,
    },
    {
      label: 'Product in all',
      expression: `${f(poured)} × ${f(input.productPerInch, 3)} ÷ ${f(input.pourPerInch, 3)}`,
      result: f(productTotal),
    },
  )
  return ok({ concentrate, water, pours, bottles, productTotal, working })
}

const NAMES = {
  bottle: 'The bottle',
  productPerInch: 'The product per inch',
  pourPerInch: 'The pour per inch',
  graduation: 'The graduation of the measure',
  maxProductPerInch: 'The label’s most per inch',
}
