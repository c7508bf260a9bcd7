import { fromSI } from './units'
import type { Area, Length, Speed, Temperature, Volume } from './units'

/** How a person wants to see quantities. */
export type UnitSystem = 'us' | 'metric'

// Making a formatter costs far more than using one.
const formatters = new Map<number, Intl.NumberFormat>()

/**
 * A number with at most `digits` decimals, trailing zeros dropped, thousands grouped.
 * @example plain(5.830, 2) // "5.83"
 */
export function plain(value: number, digits = 2): string {
  const rounded = Number(value.toFixed(digits))
  let formatter = formatters.get(digits)
  if (!formatter)
    formatters.set(digits, (formatter = new Intl.NumberFormat('en-US', { maximumFractionDigits: digits })))
  return formatter.format(Object.is(rounded, -0) ? 0 : rounded)
}

/**
 * Inches in tape style, to the nearest eighth.
 * @example tapeInches(14.5) // "14 1/2"
 */
export function tapeInches(inches: number): string {
  const eighths = Math.round(Math.abs(inches) * 8)
  const sign = inches < 0 && eighths > 0 ? '−' : ''
  const whole = Math.floor(eighths / 8)
  let top = eighths % 8
  let under = 8
  if (top === 0) return `${sign}${whole}`
  while (top % 2 === 0) {
    top /= 2
    under /= 2
  }
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${under}`
}

/** A trunk or girth, as the tape would show it. `showGirth(1.1176, 'us')` is "44 in", metric "111.8 cm". */
export function showGirth(metres: Length, system: UnitSystem): string {
  return system === 'us' ? `${tapeInches(fromSI(metres, 'in'))} in` : `${plain(metres * 100, 1)} cm`
}

/** A short length with decimals, for workings. `showLength(0.4203, 'us')` is "16.55 in". */
export function showLength(metres: Length, system: UnitSystem, digits = 2): string {
  return system === 'us' ? `${plain(fromSI(metres, 'in'), digits)} in` : `${plain(metres * 100, digits)} cm`
}

/** A length on the ground. `showGround(5.486, 'us')` is "18 ft". */
export function showGround(metres: Length, system: UnitSystem, digits = 1): string {
  return system === 'us' ? `${plain(fromSI(metres, 'ft'), digits)} ft` : `${plain(metres, digits)} m`
}

/** An area on the ground. */
export function showArea(squareMetres: Area, system: UnitSystem): string {
  return system === 'us' ? `${plain(fromSI(squareMetres, 'ft2'), 0)} ft²` : `${plain(squareMetres, 1)} m²`
}

/** A small volume: injections are measured in mL in both systems. `showMl(9.2e-6)` is "9.2 mL". */
export function showMl(cubicMetres: Volume, digits = 1): string {
  return `${plain(cubicMetres * 1e6, digits)} mL`
}

/** A temperature. `showTemperature(20, 'us')` is "68 °F". */
export function showTemperature(celsius: Temperature, system: UnitSystem): string {
  return system === 'us' ? `${plain(fromSI(celsius, 'F'), 0)} °F` : `${plain(celsius, 0)} °C`
}

/** A wind speed. `showSpeed(2.2352, 'us')` is "5 mph". */
export function showSpeed(metresPerSecond: Speed, system: UnitSystem): string {
  return system === 'us'
    ? `${plain(fromSI(metresPerSecond, 'mph'), 0)} mph`
    : `${plain(metresPerSecond, 1)} m/s`
}

/** The height a trunk is measured at, 4 1/2 ft, in metres. */
export const BREAST_HEIGHT_M = 1.3716

/** The height a trunk is measured at, in the person's units. `breastHeight('metric') === '1.37 m'` */
export function breastHeight(system: UnitSystem): string {
  return system === 'us' ? '4 1/2 ft' : `${plain(BREAST_HEIGHT_M, 2)} m`
}
