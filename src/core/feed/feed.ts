import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import type { Area, Length, Mass } from '../quantity/units'
import { floorGuarded } from '../quantity/whole'
import type { Working } from '../working/working'

/** Per cent of N, P₂O₅ and K₂O by weight, as on the bag. */
export interface Analysis {
  n: number
  p2o5: number
  k2o: number
}

export interface FeedInput {
  radius: Length
  trunkClear?: Length
  hardscapePercent?: number
  /** Nitrogen, kg per m². */
  nitrogen: number
  analysis: Analysis
  spacing: Length
  units?: UnitSystem
}

export interface Feed {
  area: Area
  product: Mass
  delivered: { n: Mass; p2o5: Mass; k2o: Mass }
  holes: number
  perHole: Mass
  working: Working
}

const POUNDS_PER_1000_FT2 = 0.45359237 / (1000 * 0.3048 ** 2)
/** Labels say 1 to 4 lb of nitrogen per 1,000 ft²; above 20 it is a slip of the pen. */
const MOST_NITROGEN = 20 * POUNDS_PER_1000_FT2
/** The widest root zone taken, metres (400 ft). */
const WIDEST = 122

/**
 * Reads the analysis on a bag: `18-6-12`.
 * @example readAnalysis('18-6-12', 'analysis') // { n: 18, p2o5: 6, k2o: 12 }
 */
export function readAnalysis(typed: string, field: string): Result<Analysis> {
  const text = typed.trim()
  if (text === '')
    return refuse('missing', field, 'The analysis is empty; type it as on the bag, such as 18-6-12.')
  const m = /^(\d{1,3}(?:\.\d{1,6})?) ?[-–] ?(\d{1,3}(?:\.\d{1,6})?) ?[-–] ?(\d{1,3}(?:\.\d{1,6})?)$/.exec(
    text,
  )
  if (!m)
    return refuse(
      'bad-quantity',
      field,
      'The analysis cannot be read; type it as on the bag, such as 18-6-12.',
    )
  const [n, p2o5, k2o] = m.slice(1).map(Number) as [number, number, number]
  if (n + p2o5 + k2o > 100)
    return refuse('out-of-range', field, 'The analysis adds up to more than 100 %; read the bag again.')
  return ok({ n, p2o5, k2o })
}

/**
 * Fertiliser for the ground a tree feeds from: usable area = circle − trunk clearance − hardscape share; mass = N rate
 * × area ÷ N %. Holes on a grid = ⌊area ÷ spacing²⌋, at least one.
 * Problems: `out-of-range` for sizes that cannot be, a clearance as wide as the circle, all of it hardscape, a bag
 * without nitrogen.
 * Source: handbook, feeding.
 * @example feed({ radius: toSI(16, 'ft'), … }).value.holes // 70
 */
export function feed(input: FeedInput): Result<Feed> {
  const units = input.units ?? 'us'
  const clear = input.trunkClear ?? 0
  const hard = input.hardscapePercent ?? 0
  if (!(input.radius > 0 && input.radius <= WIDEST))
    return refuse(
      'out-of-range',
      'radius',
      `The radius must be more than zero and at most ${shown(WIDEST, 'ft', units, 0)}.`,
    )
  if (!(clear >= 0))
    return refuse('out-of-range', 'trunkClear', 'The clearance at the trunk cannot be below zero.')
  if (clear >= input.radius)
    return refuse(
      'out-of-range',
      'trunkClear',
      'The clearance at the trunk reaches the edge of the circle; nothing is left to feed.',
    )
  if (!(hard >= 0 && hard < 100))
    return refuse('out-of-range', 'hardscapePercent', 'The hardscape share must be from 0 to below 100 %.')
  if (!(input.nitrogen > 0 && input.nitrogen <= MOST_NITROGEN))
    return refuse(
      'out-of-range',
      'nitrogen',
      'The nitrogen rate must be more than zero and at most 20 lb/1000 ft2; labels say 1 to 4.',
    )
  if (!(input.analysis.n > 0))
    return refuse('out-of-range', 'analysis', 'This bag holds no nitrogen; the rate cannot be met with it.')
  if (!(input.spacing > 0))
    return refuse('out-of-range', 'spacing', 'The spacing of the holes must be more than zero.')
  const area = Math.PI * (input.radius ** 2 - clear ** 2) * (1 - hard / 100)
  const n = input.nitrogen * area
  const product = n / (input.analysis.n / 100)
  const delivered = {
    n,
    p2o5: (product * input.analysis.p2o5) / 100,
    k2o: (product * input.analysis.k2o) / 100,
  }
  const holes = Math.max(1, floorGuarded(area / input.spacing ** 2))
  if (holes > 1e6)
    return refuse(
      'out-of-range',
      'spacing',
      'That makes more than a million holes; check the spacing and its unit.',
    )
  const perHole = product / holes
  const lb = (m: Mass) => shown(m, 'lb', units)
  return ok({
    area,
    product,
    delivered,
    holes,
    perHole,
    working: [
      {
        label: 'Ground to feed',
        expression: `3.1416 × ((${shown(input.radius, 'ft', units)})² − (${shown(clear, 'ft', units)})²) × ${sensible(1 - hard / 100)}`,
        result: shown(area, 'ft2', units, 1),
        source: 'reading',
      },
      {
        label: 'Nitrogen',
        expression:
          units === 'us'
            ? `${shown(area, 'ft2', units, 1)} × ${sensible(input.nitrogen / POUNDS_PER_1000_FT2)} lb per 1,000 ft²`
            : `${shown(area, 'ft2', units, 1)} × ${sensible(input.nitrogen * 1000)} g per m²`,
        result: lb(n),
        source: 'choice',
      },
      {
        label: 'Product',
        expression: `${lb(n)} ÷ ${sensible(input.analysis.n)} %`,
        result: lb(product),
        source: 'label',
      },
      {
        label: 'Brings phosphate and potash',
        expression: `${lb(product)} × ${sensible(input.analysis.p2o5)} % and ${sensible(input.analysis.k2o)} %`,
        result: `${lb(delivered.p2o5)}, ${lb(delivered.k2o)}`,
        source: 'label',
      },
      {
        label: 'Holes on the grid',
        expression: `${shown(area, 'ft2', units, 1)} ÷ (${shown(input.spacing, 'ft', units)})², whole ones`,
        result: `${holes}`,
      },
      { label: 'Each hole', expression: `${lb(product)} ÷ ${holes}`, result: shown(perHole, 'lb', units, 3) },
    ],
  })
}
