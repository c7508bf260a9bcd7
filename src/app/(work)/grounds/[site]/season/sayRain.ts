import type { UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'

/** Rain as it is said, from metres. */
export const sayRain = (metres: number | null, units: UnitSystem) =>
  metres === null
    ? 'rain not known'
    : metres < 0.00025
      ? 'dry'
      : shown(metres, 'in', units, units === 'us' ? 2 : 1)
