import { plain, showMl, type UnitSystem } from './format'
import { fromSI, type Volume } from './units'

/** The US unit a figure is given in, and the metric one that takes its place. */
const METRIC = {
  in: 'cm',
  ft: 'm',
  ft2: 'm2',
  acre: 'ha',
  'fl oz': 'mL',
  gal: 'L',
  ft3: 'm3',
  lb: 'kg',
  oz: 'g',
  F: 'C',
  mph: 'm/s',
} as const

export type PairedUnit = keyof typeof METRIC

/** A figure as it leaves the core: never rounded. */
export interface Quantity {
  value: number
  unit: string
}

/** The unit a figure is given in. `unitFor('fl oz', 'metric') === 'mL'` */
export function unitFor(us: PairedUnit, system: UnitSystem): string {
  return system === 'us' ? us : METRIC[us]
}

/** An SI figure in the unit of the system. `quantityIn(0.0254, 'in', 'us')` is `{ value: 1, unit: 'in' }`. */
export function quantityIn(si: number, us: PairedUnit, system: UnitSystem): Quantity {
  const unit = unitFor(us, system)
  return { value: fromSI(si, unit), unit }
}

/** How a unit is written for people: `SIGNS['ft2'] === 'ft²'`; others as they are. */
export const SIGNS: Readonly<Record<string, string>> = {
  ft2: 'ft²',
  m2: 'm²',
  ft3: 'ft³',
  m3: 'm³',
  F: '°F',
  C: '°C',
}

/**
 * An SI figure as a working writes it; small figures keep three significant digits.
 * @example shown(0.001417, 'lb', 'us') // "0.00312 lb"
 */
export function shown(si: number, us: PairedUnit, system: UnitSystem, digits = 2): string {
  const { value, unit } = quantityIn(si, us, system)
  return `${sensible(value, digits)} ${SIGNS[unit] ?? unit}`
}

/** A number with `digits` decimals, or as many as three significant digits need. `sensible(0.003125) === '0.00313'` */
export function sensible(value: number, digits = 2): string {
  const size = Math.abs(value)
  if (size === 0 || size >= 1) return plain(value, digits)
  return plain(value, Math.min(12, Math.max(digits, 2 - Math.floor(Math.log10(size)))))
}

/** What a bottle or a line holds: mL below a litre, gallons or litres from there. `showBottle(0.0207, 'us')` is "5.46 gal" */
export function showBottle(volume: Volume, units: UnitSystem): string {
  return volume < 1e-3 ? showMl(volume) : shown(volume, 'gal', units)
}
