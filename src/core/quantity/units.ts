/** The kinds of quantity people type. Inside, each is held in the SI unit named in {@link SI_UNIT}. */
export type Dimension = 'length' | 'area' | 'volume' | 'mass' | 'temperature' | 'speed' | 'time' | 'share'

declare const brand: unique symbol
type Branded<D extends string> = number & { readonly [brand]?: D }

/** Metres. */
export type Length = Branded<'m'>
/** Square metres. */
export type Area = Branded<'m2'>
/** Cubic metres. */
export type Volume = Branded<'m3'>
/** Kilograms. */
export type Mass = Branded<'kg'>
/** Degrees Celsius. */
export type Temperature = Branded<'C'>
/** Metres per second. */
export type Speed = Branded<'m/s'>
/** Seconds. */
export type Duration = Branded<'s'>
/** A share of one. */
export type Share = Branded<'1'>

/** What a quantity of a dimension is held as. A number of none fits into each; one of another dimension does not. */
export interface SI {
  length: Length
  area: Area
  volume: Volume
  mass: Mass
  temperature: Temperature
  speed: Speed
  time: Duration
  share: Share
}

/** The SI unit each dimension is held in. */
export const SI_UNIT: Record<Dimension, string> = {
  length: 'm',
  area: 'm2',
  volume: 'm3',
  mass: 'kg',
  temperature: 'C',
  speed: 'm/s',
  time: 's',
  share: '1',
}

export interface Unit {
  /** The spelling used in answers, e.g. `fl oz`. */
  symbol: string
  dimension: Dimension
  /** SI value of one such unit (temperature: of one degree). */
  factor: number
  /** SI value at the unit's zero; only temperatures have one. */
  offset?: number
  /** Spellings accepted when read, lower case. */
  spellings: string[]
}

const GALLON = 3.785411784e-3
const FOOT = 0.3048

/** Every unit that can be read or written. US customary volumes are US gallons (128 fl oz). */
export const UNITS: readonly Unit[] = [
  { symbol: 'in', dimension: 'length', factor: 0.0254, spellings: ['in', 'in.', 'inch', 'inches', '"'] },
  { symbol: 'ft', dimension: 'length', factor: FOOT, spellings: ['ft', 'ft.', 'foot', 'feet', "'"] },
  { symbol: 'yd', dimension: 'length', factor: 0.9144, spellings: ['yd', 'yard', 'yards'] },
  { symbol: 'mm', dimension: 'length', factor: 0.001, spellings: ['mm'] },
  { symbol: 'cm', dimension: 'length', factor: 0.01, spellings: ['cm'] },
  { symbol: 'm', dimension: 'length', factor: 1, spellings: ['m', 'metre', 'metres', 'meter', 'meters'] },
  { symbol: 'in2', dimension: 'area', factor: 0.0254 ** 2, spellings: ['in2', 'in²', 'sq in'] },
  { symbol: 'ft2', dimension: 'area', factor: FOOT ** 2, spellings: ['ft2', 'ft²', 'sq ft', 'sq. ft'] },
  { symbol: 'yd2', dimension: 'area', factor: 0.9144 ** 2, spellings: ['yd2', 'yd²', 'sq yd'] },
  { symbol: 'acre', dimension: 'area', factor: 4046.8564224, spellings: ['acre', 'acres', 'ac'] },
  { symbol: 'm2', dimension: 'area', factor: 1, spellings: ['m2', 'm²', 'sq m'] },
  { symbol: 'ha', dimension: 'area', factor: 10_000, spellings: ['ha', 'hectare', 'hectares'] },
  {
    symbol: 'fl oz',
    dimension: 'volume',
    factor: GALLON / 128,
    spellings: ['fl oz', 'fl. oz', 'fl. oz.', 'floz'],
  },
  { symbol: 'gal', dimension: 'volume', factor: GALLON, spellings: ['gal', 'gal.', 'gallon', 'gallons'] },
  { symbol: 'qt', dimension: 'volume', factor: GALLON / 4, spellings: ['qt', 'quart', 'quarts'] },
  { symbol: 'pt', dimension: 'volume', factor: GALLON / 8, spellings: ['pt', 'pint', 'pints'] },
  {
    symbol: 'Tbsp',
    dimension: 'volume',
    factor: GALLON / 256,
    spellings: ['tbsp', 'tablespoon', 'tablespoons'],
  },
  { symbol: 'tsp', dimension: 'volume', factor: GALLON / 768, spellings: ['tsp', 'teaspoon', 'teaspoons'] },
  {
    symbol: 'mL',
    dimension: 'volume',
    factor: 1e-6,
    spellings: ['ml', 'millilitre', 'millilitres', 'milliliters'],
  },
  { symbol: 'L', dimension: 'volume', factor: 1e-3, spellings: ['l', 'litre', 'litres', 'liter', 'liters'] },
  { symbol: 'ft3', dimension: 'volume', factor: FOOT ** 3, spellings: ['ft3', 'ft³', 'cu ft'] },
  { symbol: 'm3', dimension: 'volume', factor: 1, spellings: ['m3', 'm³', 'cu m'] },
  { symbol: 'oz', dimension: 'mass', factor: 0.45359237 / 16, spellings: ['oz', 'oz.', 'ounce', 'ounces'] },
  { symbol: 'lb', dimension: 'mass', factor: 0.45359237, spellings: ['lb', 'lb.', 'lbs', 'pound', 'pounds'] },
  { symbol: 'mg', dimension: 'mass', factor: 1e-6, spellings: ['mg'] },
  { symbol: 'g', dimension: 'mass', factor: 1e-3, spellings: ['g', 'gram', 'grams'] },
  { symbol: 'kg', dimension: 'mass', factor: 1, spellings: ['kg'] },
  {
    symbol: 'F',
    dimension: 'temperature',
    factor: 5 / 9,
    offset: -160 / 9,
    spellings: ['f', '°f', 'deg f', '° f'],
  },
  { symbol: 'C', dimension: 'temperature', factor: 1, offset: 0, spellings: ['c', '°c', 'deg c', '° c'] },
  { symbol: 'mph', dimension: 'speed', factor: 0.44704, spellings: ['mph', 'mi/h'] },
  { symbol: 'm/s', dimension: 'speed', factor: 1, spellings: ['m/s'] },
  { symbol: 'km/h', dimension: 'speed', factor: 1 / 3.6, spellings: ['km/h', 'kmh', 'kph'] },
  { symbol: 's', dimension: 'time', factor: 1, spellings: ['s', 'sec', 'second', 'seconds'] },
  { symbol: 'min', dimension: 'time', factor: 60, spellings: ['min', 'mins', 'minute', 'minutes'] },
  { symbol: 'hour', dimension: 'time', factor: 3600, spellings: ['hour', 'hours', 'h', 'hr', 'hrs'] },
  { symbol: 'day', dimension: 'time', factor: 86_400, spellings: ['day', 'days', 'd'] },
  { symbol: '%', dimension: 'share', factor: 0.01, spellings: ['%', 'percent', 'per cent'] },
]

const bySymbol = new Map(UNITS.map((u) => [u.symbol, u]))

/** The unit of a symbol. Throws on a symbol the program itself got wrong. `unit('in').factor === 0.0254` */
export function unit(symbol: string): Unit {
  const found = bySymbol.get(symbol)
  if (!found) throw new Error(`No unit is called "${symbol}".`)
  return found
}

/** A value in the named unit, taken to SI. `toSI(1, 'in') === 0.0254`; `toSI(212, 'F')` is 100. */
export function toSI(value: number, symbol: string): number {
  const u = unit(symbol)
  if (u.symbol === 'F') return ((value - 32) * 5) / 9
  return value * u.factor + (u.offset ?? 0)
}

/** An SI value in the named unit. `fromSI(0.0254, 'in') === 1`; `fromSI(100, 'F')` is 212. */
export function fromSI(value: number, symbol: string): number {
  const u = unit(symbol)
  if (u.symbol === 'F') return (value * 9) / 5 + 32
  return (value - (u.offset ?? 0)) / u.factor
}
