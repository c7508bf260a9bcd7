import { pourOf } from '../../mix/stock'
import { ok, refuse, type Result } from '../../problem'
import type { UnitSystem } from '../../quantity/format'
import { shown } from '../../quantity/pair'
import { readQuantity } from '../../quantity/parse'
import type { Volume } from '../../quantity/units'
import { ceilGuarded, NOISE } from '../../quantity/whole'
import type { SubjectPlan, UseOf } from '../plan'
import { readPoured } from './poured'

/** A stock bottle as it is typed: what it holds, the pour for an inch, and the smallest step of the measure. */
export interface TypedBottle {
  bottle: string
  pour: string
  graduation: string
}

/** One bottle mixed for many trees, and what each takes of it. */
export interface StockBottle {
  holds: Volume
  graduation: Volume
  concentrate: Volume
  water: Volume
  bottles: number
  /** By the id of a tree: what is poured, the product in it, and how far that is from its exact dose. */
  pours: ReadonlyMap<string, { pour: Volume; product: Volume; errorPercent: number }>
}

/**
 * One bottle of stock for trees that are drenched by one use: mixed for a simple pour an inch at the card's first rate, so that
 * a tree of a later tier takes more of the same. Every pour is one that the measure shows, between the label's least and most
 * for that tree; in all no more is poured than was planned, as far as the least of each allows it. Null while something is still to be typed. Problems: those of the quantities, `out-of-range` for a pour
 * smaller than the product in it, `over-label` where the measure is too coarse for a tree.
 * Source: handbook, stock bottle.
 *
 * @example stockBottleFor(use, 1, trees, { bottle: '64 fl oz', pour: '1/2 fl oz', graduation: '1/4 fl oz' }, 'us')
 */
export function stockBottleFor(
  use: UseOf<'soil-drench'>,
  choice: number,
  trees: readonly { id: string; tag: string; plan: SubjectPlan }[],
  typed: TypedBottle,
  units: UnitSystem,
): Result<StockBottle | null> {
  if (Object.values(typed).some((t: string) => t.trim() === '')) return ok(null)
  const read: Record<string, Volume> = {}
  for (const [field, name] of [
    ['bottle', 'The bottle'],
    ['pour', 'The pour for an inch'],
    ['graduation', 'The step of the measure'],
  ] as const) {
    const r = readQuantity(typed[field], 'volume', field, { bareUnit: units === 'us' ? 'fl oz' : 'mL', name })
    if (!r.ok) return r
    if (!(r.value.si > 0)) return refuse('out-of-range', field, `${name} must be more than zero.`)
    read[field] = r.value.si
  }
  const { bottle: holds, pour: perInch, graduation } = read as Record<keyof TypedBottle, Volume>
  const poured = readPoured(use.terms)
  if (!poured.ok) return poured
  const { low, high } = poured.value.rate
  const rate = low + (high - low) * choice
  if (rate > perInch * (1 + NOISE))
    return refuse(
      'out-of-range',
      'pour',
      `At this rate an inch takes ${shown(rate, 'fl oz', units, 3)} of product; pour more than that an inch.`,
    )
  const share = Math.min(1, rate / perInch)
  const rounded: { id: string; exact: Volume; pour: Volume; least: Volume }[] = []
  for (const { id, tag, plan } of trees) {
    const exact = plan.product / share
    const pour = pourOf(exact, { graduation, share, most: plan.most, least: plan.least })
    if (pour === null)
      return refuse(
        'over-label',
        'graduation',
        `${tag}: no step of ${shown(graduation, 'fl oz', units)} lies between the label’s least and most for it. Use a finer measure, or pour more an inch.`,
      )
    rounded.push({ id, exact, pour, least: plan.least / share })
  }
  // What many roundings up would come to is taken from those that are furthest above.
  const planned = rounded.reduce((sum, r) => sum + r.exact, 0)
  let all = rounded.reduce((sum, r) => sum + r.pour, 0)
  for (const r of [...rounded].sort((a, b) => b.pour / b.exact - a.pour / a.exact)) {
    if (all <= planned * (1 + NOISE)) break
    const less = r.pour - graduation
    if (r.pour <= r.exact || less < r.least * (1 - NOISE) || less < graduation * (1 - NOISE)) continue
    r.pour = less
    all -= graduation
  }
  const pours = new Map(
    rounded.map(({ id, exact, pour }) => [
      id,
      { pour, product: pour * share, errorPercent: (pour / exact - 1) * 100 },
    ]),
  )
  return ok({
    holds,
    graduation,
    concentrate: holds * share,
    water: holds * (1 - share),
    bottles: ceilGuarded(all / holds),
    pours,
  })
}
