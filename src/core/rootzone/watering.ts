import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import { fromSI, toSI, type Length, type Volume } from '../quantity/units'
import { DIAMETER_LIMITS, isTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'

export interface WateringInput {
  diameter: Length
  gallonsPerInch: number
  /** Of a drip line; left out where a basin or bags are filled by hand. `flow` is that of one, m³ per second. */
  drip?: { emitters: number; flow: number }
  units?: UnitSystem
}

export interface Watering {
  volume: Volume
  /** How long the line runs; null without one. */
  hours: number | null
  working: Working
}

/**
 * Water for a young tree in a dry spell, and how long a drip line runs for it.
 * Problems: `out-of-range` for a trunk, a rate, emitters or a flow that cannot be.
 * Source: handbook, water (10 gal per inch of diameter a week).
 * @example watering({ diameter: toSI(3, 'in'), gallonsPerInch: 10, drip: { emitters: 4, flow: toSI(1, 'gal') / 3600 } }) // 30 gal, 7.5 h
 */
export function watering(input: WateringInput): Result<Watering> {
  const units = input.units ?? 'us'
  if (!isTrunk(input.diameter))
    return refuse(
      'out-of-range',
      'diameter',
      `A trunk is between ${shown(DIAMETER_LIMITS.least, 'in', units)} and ${shown(DIAMETER_LIMITS.most, 'in', units, 0)} through; check the tape and the unit.`,
    )
  if (!(input.gallonsPerInch > 0 && input.gallonsPerInch <= 1000))
    return refuse(
      'out-of-range',
      'gallonsPerInch',
      'The gallons per inch must be more than zero and at most 1,000.',
    )
  const { drip } = input
  if (drip && (!Number.isInteger(drip.emitters) || drip.emitters < 1 || drip.emitters > 10_000))
    return refuse('out-of-range', 'emitters', 'The emitters must be a whole number from 1 to 10,000.')
  if (drip && !(drip.flow > 0))
    return refuse('out-of-range', 'flow', 'The flow of an emitter must be more than zero.')
  const inches = fromSI(input.diameter, 'in')
  const volume = toSI(inches * input.gallonsPerInch, 'gal')
  const hours = drip ? volume / (drip.emitters * drip.flow * 3600) : null
  const each = toSI(input.gallonsPerInch, 'gal')
  return ok({
    volume,
    hours,
    working: [
      {
        label: 'Water',
        expression: `${shown(input.diameter, 'in', units)} × ${shown(each, 'gal', units)} per in${units === 'us' ? '' : ' of 2.54 cm'}`,
        result: shown(volume, 'gal', units),
        source: 'handbook',
      },
      ...(drip && hours !== null
        ? [
            {
              label: 'Running time',
              expression: `${shown(volume, 'gal', units)} ÷ (${drip.emitters} × ${shown(drip.flow * 3600, 'gal', units)} an hour)`,
              result: `${sensible(hours)} h`,
              source: 'reading' as const,
            },
          ]
        : []),
    ],
  })
}
