import type { MixRate } from '../mix/mixRate'
import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import type { Length, Volume } from '../quantity/units'
import { floorGuarded, NOISE } from '../quantity/whole'
import type { Working } from '../working/working'
import { crownVolume, DENSITY, type CrownDensity, type CrownShape } from './crown'

export interface Crown {
  shape: CrownShape
  height: Length
  width: Length
  density: CrownDensity
  count: number
}

export interface SprayInput {
  crowns: Crown[]
  /** Spray per crown volume, m³ per m³; 0.8 gal per 1,000 ft³ when not given. */
  volumeRate?: number
  mix: MixRate
  tank?: Volume
  /** m³ per second. */
  flow?: number
  units?: UnitSystem
}

/** A tank: its spray, and its product (m³ of a liquid, kg of a powder). */
export interface Load {
  volume: Volume
  product: number
}

export interface Spray {
  crownVolumes: Volume[]
  spray: Volume
  /** m³ of a liquid, kg of a powder. */
  product: number
  productKind: MixRate['kind']
  loads?: Load[]
  minutes?: number
  working: Working
}

/** 0.8 US gallons per 1,000 cubic feet, as m³ per m³. Source: handbook, crown spray. */
export const DEFAULT_VOLUME_RATE = (0.8 * 3.785411784e-3) / (1000 * 0.3048 ** 3)

/** The tallest crown taken, metres (400 ft). */
const TALLEST = 122

/** More loads than this from one tank is a slip of the pen. */
const MOST_LOADS = 10_000

/**
 * How much spray the crowns take to run-off, what goes into each tank, and how long it runs.
 *
 * Full loads first, then one part load with its own product; nothing is rounded up. Problems: `missing` without
 * crowns, `out-of-range` for sizes, counts, tank or flow that cannot be.
 * Source: handbook, crown spray.
 * @example spray({ crowns: [{ shape: 'ellipsoid', height: toSI(16, 'ft'), width: toSI(12, 'ft'), density: 'medium',
 *   count: 5 }], mix: { kind: 'liquid', perVolume: 0.02 } }) // 4.825 gal with 12.35 fl oz
 */
export function spray(input: SprayInput): Result<Spray> {
  const units = input.units ?? 'us'
  const rate = input.volumeRate ?? DEFAULT_VOLUME_RATE
  if (input.crowns.length === 0) return refuse('missing', 'crowns', 'There is no crown; give at least one.')
  if (!(rate > 0))
    return refuse('out-of-range', 'volumeRate', 'The spray per crown volume must be more than zero.')
  if (input.tank !== undefined && !(input.tank > 0))
    return refuse('out-of-range', 'tank', 'The tank must hold more than zero.')
  if (input.flow !== undefined && !(input.flow > 0))
    return refuse('out-of-range', 'flow', 'The flow must be more than zero.')
  const working: Working = []
  const crownVolumes: Volume[] = []
  let total = 0
  for (const [i, crown] of input.crowns.entries()) {
    for (const side of ['height', 'width'] as const)
      if (!(crown[side] > 0 && crown[side] <= TALLEST))
        return refuse(
          'out-of-range',
          `crowns[${i}].${side}`,
          `The ${side} of crown ${i + 1} must be more than zero and at most ${shown(TALLEST, 'ft', units, 0)}.`,
        )
    if (!Number.isInteger(crown.count) || crown.count < 1 || crown.count > 100_000)
      return refuse(
        'out-of-range',
        `crowns[${i}].count`,
        'The number of trees must be a whole number from 1 to 100,000.',
      )
    const volume = crownVolume(crown.shape, crown.height, crown.width)
    crownVolumes.push(volume)
    const part = volume * rate * DENSITY[crown.density] * crown.count
    total += part
    if (i < 20)
      working.push(
        {
          label: `Crown ${i + 1}, ${crown.shape}`,
          expression: `π ÷ ${{ ellipsoid: 6, cone: 12, cylinder: 4 }[crown.shape]} × ${shown(crown.height, 'ft', units)} × (${shown(crown.width, 'ft', units)})²`,
          result: shown(volume, 'ft3', units, 1),
          source: 'reading',
        },
        {
          label: `Spray for ${crown.count === 1 ? 'it' : `${crown.count} such`}`,
          expression: `${shown(volume, 'ft3', units, 1)} × ${rateShown(rate, units)} × ${DENSITY[crown.density]} ${crown.density} × ${crown.count}`,
          result: shown(part, 'gal', units),
          source: input.volumeRate === undefined ? 'handbook' : 'choice',
        },
      )
  }
  const us = input.mix.kind === 'liquid' ? 'fl oz' : 'lb'
  const show = (product: number) => shown(product, us, units)
  const product = total * input.mix.perVolume
  working.push({
    label: 'Product',
    expression: `${shown(total, 'gal', units, 3)} × ${mixShown(input.mix, units)}`,
    result: show(product),
    source: 'label',
  })
  const result: Spray = { crownVolumes, spray: total, product, productKind: input.mix.kind, working }
  if (input.tank !== undefined) {
    const loads = loadsOf(total, input.tank, input.mix.perVolume)
    if (!loads)
      return refuse('out-of-range', 'tank', 'That makes more than 10,000 loads; check the tank and its unit.')
    result.loads = loads
    const full = loads.filter((l) => l.volume === input.tank).length
    if (full > 0)
      working.push({
        label: full === 1 ? 'One full load' : `${full} full loads, each`,
        expression: `${shown(input.tank, 'gal', units)} of spray`,
        result: show(input.tank * input.mix.perVolume),
      })
    const rest = loads[full]
    if (rest)
      working.push({
        label: full > 0 ? 'Then a part load' : 'One part load',
        expression: `${shown(rest.volume, 'gal', units)} of spray`,
        result: show(rest.product),
      })
  }
  if (input.flow !== undefined) {
    result.minutes = total / input.flow / 60
    working.push({
      label: 'Time at the nozzle',
      expression: `${shown(total, 'gal', units)} ÷ ${shown(input.flow * 60, 'gal', units)} a minute`,
      result: `${sensible(result.minutes, 1)} min`,
      source: 'reading',
    })
  }
  return ok(result)
}

/**
 * Full loads of a tank first, then one part load with its own product; null for more loads than can be meant. `total` and
 * `tank` in m³, `perVolume` product (m³ or kg) in each m³ of spray.
 *
 * @example loadsOf(0.25, 0.1, 2).length // 3
 */
export function loadsOf(total: Volume, tank: Volume, perVolume: number): Load[] | null {
  const full = floorGuarded(total / tank)
  if (full > MOST_LOADS) return null
  const loads: Load[] = Array.from({ length: full }, () => ({ volume: tank, product: tank * perVolume }))
  const rest = total - full * tank
  if (rest > tank * NOISE * Math.max(1, full)) loads.push({ volume: rest, product: rest * perVolume })
  return loads
}

function rateShown(rate: number, units: UnitSystem): string {
  return units === 'us'
    ? `${sensible((rate * 1000 * 0.3048 ** 3) / 3.785411784e-3, 3)} gal per 1,000 ft³`
    : `${sensible(rate * 1000, 4)} L per m³`
}

function mixShown(mix: MixRate, units: UnitSystem): string {
  if (mix.kind === 'liquid') return `${sensible(mix.perVolume * 100, 3)} %`
  return units === 'us'
    ? `${sensible((mix.perVolume * 3.785411784e-3) / 0.45359237, 4)} lb per gal`
    : `${sensible(mix.perVolume, 3)} g per L`
}
