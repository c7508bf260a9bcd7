import type { Method } from '../card/card'
import { shown } from '../quantity/pair'
import type { UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import type { Speed, Temperature } from '../quantity/units'
import type { UseOf } from './plan'

/**
 * What of the weather it was done in lies outside what its card allows, a sentence each with both figures; none where the card says
 * nothing of it. Source: the label; handbook, what happened is what is written.
 *
 * @example weatherDeviations(captan, { wind: 6.7, temperature: 19 }, 'us') // ['Wind 15 mph, of at most 10 mph on the card.']
 */
export function weatherDeviations(
  use: UseOf<Method>,
  weather: { wind: Speed; temperature: Temperature },
  units: UnitSystem,
): string[] {
  const terms = use.terms as {
    wind?: { least?: string; most: string }
    temperature?: { least: string; most: string }
  }
  const found: string[] = []
  const hold = (
    name: string,
    now: number,
    dimension: 'speed' | 'temperature',
    bounds: { least?: string; most?: string } | undefined,
  ) => {
    const unit = dimension === 'speed' ? 'mph' : 'F'
    for (const [way, text] of [
      ['least', bounds?.least],
      ['most', bounds?.most],
    ] as const) {
      const bound = text === undefined ? null : readQuantity(text, dimension, way)
      if (!bound?.ok) continue
      // A tenth of a unit is the reading’s own.
      const out = way === 'least' ? now < bound.value.si - SLACK : now > bound.value.si + SLACK
      if (out)
        found.push(
          `${name} ${shown(now, unit, units, 0)}, of at ${way} ${shown(bound.value.si, unit, units, 0)} on the card.`,
        )
    }
  }
  hold('Wind', weather.wind, 'speed', terms.wind)
  hold('Air', weather.temperature, 'temperature', terms.temperature)
  return found
}

const SLACK = 0.06
