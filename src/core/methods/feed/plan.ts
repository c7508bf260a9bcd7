import { feed, readAnalysis } from '../../feed/feed'
import { ok, refuse, type Result } from '../../problem'
import { toSI } from '../../quantity/units'
import { cardReader } from '../reader'
import type { Planned, Question } from '../plan'

/** Weighing out and spreading over a square metre, and each hole; house figures. */
const WEIGH_MINUTES = 5
const MINUTES_PER_M2 = 0.1
const MINUTES_A_HOLE = 0.6
/** Nothing is fed against the bark. */
const CLEAR = toSI(1, 'ft')

/**
 * A feed of one tree: mass by the nitrogen rate over the ground it feeds from, in holes where the card says so, otherwise in a
 * ring or thrown. Problems: `missing` (field `reach`) without how far that ground reaches, those of `core/feed`, and of the
 * card's own fields. Source: handbook, feeding.
 *
 * @example planFeed({ use: FS18, given: { reach: toSI(16, 'ft') }, … }).value.plan.kind // 'weight'
 */
export function planFeed(q: Question<'feed'>): Result<Planned<'feed'>> {
  const { terms } = q.use
  const { reach, hardscapePercent } = q.given
  if (reach === undefined)
    return refuse(
      'missing',
      'reach',
      'Say how far out from the trunk the ground is fed; the drip line is usual.',
    )
  const analysis = readAnalysis(terms.analysis, 'terms.analysis')
  if (!analysis.ok) return analysis
  const r = cardReader()
  const read = r.done({
    low: r.rate(terms.nitrogen.low, 'mass', 'area', 'nitrogen.low'),
    high: r.rate(terms.nitrogen.high, 'mass', 'area', 'nitrogen.high'),
    spacing: terms.holes ? r.quantity(terms.holes.spacing, 'length', 'holes.spacing') : toSI(3, 'ft'),
  })
  if (!read.ok) return read
  const { low, high, spacing } = read.value
  const nitrogen = low + (high - low) * q.choice
  const dose = feed({
    radius: reach,
    trunkClear: q.tree.diameter / 2 + CLEAR,
    hardscapePercent,
    nitrogen,
    analysis: analysis.value,
    spacing,
    units: q.units,
  })
  if (!dose.ok) return dose
  const put = terms.put[0]!
  const deep = put === 'deep'
  const { product, area, delivered, holes, working } = dose.value
  return ok({
    plan: {
      method: 'feed',
      choice: q.choice,
      diameter: q.tree.diameter,
      product,
      kind: 'weight',
      least: product * (low / nitrogen),
      most: product * (high / nitrogen),
      water: null,
      active: null,
      minutes: WEIGH_MINUTES + (deep ? holes * MINUTES_A_HOLE : area * MINUTES_PER_M2),
      steps: deep
        ? [{ kind: 'task', task: 'holes', product, times: holes }]
        : [
            { kind: 'task', task: put, product, times: 1 },
            { kind: 'task', task: 'water-in', product: 0, times: 1 },
          ],
      shape: { put, area, reach, delivered, holes },
    },
    working: deep
      ? working
      : working.filter((s) => s.label !== 'Holes on the grid' && s.label !== 'Each hole'),
  })
}
