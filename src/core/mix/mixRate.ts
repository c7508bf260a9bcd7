import { ok, refuse, type Result } from '../problem'
import { readQuantity, readRate, shorten } from '../quantity/parse'

/** How much product goes into the water: m³ of a liquid or kg of a powder, per m³ of spray. */
export interface MixRate {
  kind: 'liquid' | 'weight'
  perVolume: number
}

/** Powder this heavy per m³ of water is no longer a spray. */
const MOST_WEIGHT = 1000

/**
 * Reads how a label writes a tank mix: `2 %` by volume, `4 tsp/gal`, `15 mL/2 L`, `3 lb/100 gal`, `8 oz/100 gal` (a
 * weight), `2 g/L`, and parts of product to parts of water, `1:100`. Problems: `missing`, `bad-quantity`, `out-of-range` (none, or more product than spray).
 * @example readMixRate('2 %', 'mix') // { kind: 'liquid', perVolume: 0.02 }
 */
export function readMixRate(typed: string, field: string): Result<MixRate> {
  if (typed.trim() === '')
    return refuse('missing', field, 'The mix is empty; type it as the label does, such as 2 % or 4 tsp/gal.')
  const range = (rate: MixRate): Result<MixRate> => {
    const most = rate.kind === 'liquid' ? 1 : MOST_WEIGHT
    return rate.perVolume > 0 && rate.perVolume <= most
      ? ok(rate)
      : refuse('out-of-range', field, 'The mix must be more than zero and cannot be more product than spray.')
  }
  const share = readQuantity(typed, 'share', field)
  if (share.ok) return range({ kind: 'liquid', perVolume: share.value.si })
  const parts = /^\s*(\d+(?:\.\d+)?)\s*:\s*(\d+(?:\.\d+)?)\s*$/.exec(typed)
  if (parts) {
    const [product, water] = [Number(parts[1]), Number(parts[2])]
    // One part to a hundred of water makes a hundred and one parts of spray: never more than either reading of the words.
    return range({ kind: 'liquid', perVolume: product / (product + water) })
  }
  // Plain ounces are a weight here, so weights are tried first.
  const weight = readRate(typed, 'mass', 'volume', field)
  if (weight.ok) return range({ kind: 'weight', perVolume: weight.value.si })
  const liquid = readRate(typed, 'volume', 'volume', field)
  if (liquid.ok) return range({ kind: 'liquid', perVolume: liquid.value.si })
  return refuse(
    'bad-quantity',
    field,
    `The mix cannot be read from "${shorten(typed)}"; type it as the label does, such as 2 %, 4 tsp/gal, 15 mL/2 L or 3 lb/100 gal.`,
  )
}
