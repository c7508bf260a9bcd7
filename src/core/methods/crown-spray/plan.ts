import { ok, refuse, type Result } from '../../problem'
import { spray } from '../../spray/spray'
import { cardReader } from '../reader'
import type { Planned, Question } from '../plan'

/** Walking in and looking out for people and bees, and a gallon at a hand gun; house figures. */
const SET_UP_MINUTES = 4
const MINUTES_PER_M3 = 1 / 3.785411784e-3

/**
 * A crown spray of one tree, to just before it runs: spray by the volume of its crown, product by the card's mix. Problems:
 * `missing` (field `crown`) while the crown has not been measured, those of `core/spray`, and of the card's own fields.
 * Source: handbook, crown spray.
 *
 * @example planCrownSpray({ use: HO1, given: { crown: { shape: 'ellipsoid', … } }, … }).value.plan.water // spray less oil
 */
export function planCrownSpray(q: Question<'crown-spray'>): Result<Planned<'crown-spray'>> {
  const { terms } = q.use
  const { crown } = q.given
  if (!crown)
    return refuse(
      'missing',
      'crown',
      'Measure the crown first: its height without the bare stem, and its width.',
    )
  const r = cardReader()
  const read = r.done({
    low: r.mix(terms.mix.low, 'mix.low'),
    high: r.mix(terms.mix.high, 'mix.high'),
    volumeRate:
      terms.volumeRate === undefined ? undefined : r.rate(terms.volumeRate, 'volume', 'volume', 'volumeRate'),
    strength: terms.strength === undefined ? undefined : r.rate(terms.strength, 'mass', 'volume', 'strength'),
  })
  if (!read.ok) return read
  const { low, high, volumeRate, strength } = read.value
  if (low.kind !== high.kind)
    return refuse(
      'out-of-range',
      'terms.mix.high',
      'The card gives one end of its mix by volume and the other by weight; enter it anew.',
    )
  const at = (perVolume: number) =>
    spray({
      crowns: [{ ...crown, count: 1 }],
      volumeRate,
      mix: { kind: low.kind, perVolume },
      units: q.units,
    })
  const dose = at(low.perVolume + (high.perVolume - low.perVolume) * q.choice)
  if (!dose.ok) return dose
  const { product, spray: total, working, productKind } = dose.value
  const liquid = productKind === 'liquid'
  return ok({
    plan: {
      method: 'crown-spray',
      choice: q.choice,
      diameter: q.tree.diameter,
      product,
      kind: productKind,
      least: total * low.perVolume,
      most: total * high.perVolume,
      water: terms.kind === 'powder' && !liquid ? null : liquid ? total - product : total,
      // A strength is of a liquid; of a weighed product the label gives a share, which the ledger does not need yet.
      active: liquid && strength !== undefined ? product * strength : null,
      minutes: SET_UP_MINUTES + total * MINUTES_PER_M3,
      steps: [
        { kind: 'task', task: 'inside', product: product / 2, times: 1 },
        { kind: 'task', task: 'outside', product: product / 2, times: 1 },
      ],
      shape: { spray: total, height: crown.height, width: crown.width },
    },
    working: q.given.crownOf
      ? working.map((line, i) =>
          i === 0 ? { ...line, from: 'one crown measured, taken for the block' } : line,
        )
      : working,
  })
}
