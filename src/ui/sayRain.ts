import type { UnitSystem } from '@/core/quantity/format'
import { fromSI, type Length } from '@/core/quantity/units'

/** Rain as a gauge says it: hundredths of an inch, tenths of a millimetre. */
export function sayRain(rain: Length | null, units: UnitSystem): string {
  if (rain === null) return 'rain not known'
  if (rain < 0.00013) return 'dry'
  return units === 'us' ? `${fromSI(rain, 'in').toFixed(2)} in` : `${(rain * 1000).toFixed(1)} mm`
}
