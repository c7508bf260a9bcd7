import { ok, refuse, type Result } from '../problem'
import { toSI, UNITS, type Dimension, type SI, type Unit } from './units'

export interface ReadOptions {
  /** The unit a bare number is taken in (the one the field shows). Without it a bare number is refused. */
  bareUnit?: string
  /** How the refusal names the field to a person. */
  name?: string
}

/** What was typed, beside what it means. */
export interface Reading<D extends Dimension = Dimension> {
  /** The quantity in SI. */
  si: SI[D]
  /** The unit it was typed in (the first one of a compound such as 5' 3"). */
  unit: string
  /** True when no unit was typed and the field's own was taken. */
  bare: boolean
}

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}

const spellings: { text: string; unit: Unit }[] = UNITS.flatMap((unit) =>
  unit.spellings.map((text) => ({ text, unit })),
).sort((a, b) => b.text.length - a.text.length)

const NUMBER =
  /(?:(\d+)(?: +| *- *))?(\d+) *\/ *(\d+)(?![\d.])|\d{1,3}(?:,\d{3})+(?:\.\d+)?|(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?(?![\d.,])/y

function normalise(text: string): string {
  return text
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/[\u2018\u2019\u2032]{2}|[\u201c\u201d\u2033]/g, '"')
    .replace(/[\u2018\u2019\u2032]/g, "'")
    .replace(/[\u2212\u2012\u2013]/g, '-')
    .replace(/\u2044/g, '/')
    .replace(/[\u00a0\u2009\u202f\s]+/g, ' ')
    .trim()
    .toLowerCase()
}

/** Reads one plain number, fraction or mixed number at `at`. */
function readNumber(text: string, at: number): { value: number; end: number } | null {
  NUMBER.lastIndex = at
  const m = NUMBER.exec(text)
  if (!m) return null
  const end = NUMBER.lastIndex
  if (m[3] !== undefined) {
    const under = Number(m[3])
    if (under === 0) return null
    return { value: Number(m[1] ?? 0) + Number(m[2]) / under, end }
  }
  const value = Number(m[0].replace(/,/g, ''))
  return Number.isFinite(value) ? { value, end } : null
}

function readUnit(text: string, at: number, dimension: Dimension): { unit: Unit; end: number } | null {
  const start = text[at] === ' ' ? at + 1 : at
  for (const s of spellings) {
    if (!text.startsWith(s.text, start)) continue
    const end = start + s.text.length
    if (/[a-z°²³]/.test(text[end] ?? '') && !/["'%]$/.test(s.text)) continue
    if (s.unit.symbol === 'oz' && dimension === 'volume') return { unit: flOz, end }
    return { unit: s.unit, end }
  }
  return null
}
const flOz = UNITS.find((u) => u.symbol === 'fl oz')!

const AS_A: Record<Dimension, string> = {
  length: 'a length, such as 14 1/2 in or 37 cm',
  area: 'an area, such as 0.5 acre or 200 m2',
  volume: 'a volume, such as 1/3 fl oz or 10 mL',
  mass: 'a weight, such as 2 lb or 900 g',
  temperature: 'a temperature, such as 68 F or 20 C',
  speed: 'a speed, such as 5 mph or 2 m/s',
  time: 'a time, such as 40 min',
  share: 'a share, such as 2 %',
}

/**
 * Reads a quantity as people type it: `14 1/2 in`, `44"`, `5' 3"`, `37 cm`, `1/3 fl oz`, `2 gal`, `-4 C`.
 *
 * Accepts fractions (also ½), mixed numbers, thousands commas, compounds of one dimension (`1 lb 4 oz`),
 * typographic primes. `oz` alone is a weight unless the field can only hold a liquid.
 * Problems: `missing` for nothing typed; `bad-quantity` for anything unreadable, of the wrong dimension,
 * not finite, without a unit where the field has none of its own, or a compound whose lesser part is one of the greater or
 * more (`5' 13"`). Range is the caller's affair.
 *
 * @example readQuantity("5' 3\"", 'length', 'height') // { ok: true, value: { si: 1.6002, unit: 'ft', bare: false } }
 */
export function readQuantity<D extends Dimension>(
  typed: string,
  dimension: D,
  field: string,
  options: ReadOptions = {},
): Result<Reading<D>> {
  const name = options.name ?? field
  const bad = (why: string) => refuse('bad-quantity', field, `${name} ${why}; type ${AS_A[dimension]}.`)
  if (typed.trim() === '') return refuse('missing', field, `${name} is empty; type ${AS_A[dimension]}.`)
  if (typed.length > 100) return bad('is far too long to be a quantity')

  const text = normalise(typed)
  const negative = text.startsWith('-')
  let at = negative ? 1 : text.startsWith('+') ? 1 : 0
  while (text[at] === ' ') at++
  let total = 0
  let first: Unit | null = null
  let last: Unit | null = null
  let bare = false
  do {
    const number = readNumber(text, at)
    if (!number) return bad(`cannot be read from "${shorten(typed)}"`)
    at = number.end
    const found = readUnit(text, at, dimension)
    if (found) {
      if (found.unit.dimension !== dimension)
        return bad(`is in ${found.unit.symbol}, which is not ${AS_A[dimension].split(',')[0]}`)
      // A compound goes down in size: 5 ft 3 in, not 5 in 3 ft.
      if (last && found.unit.factor >= last.factor) return bad(`cannot be read from "${shorten(typed)}"`)
      if (last && dimension === 'temperature') return bad(`cannot be read from "${shorten(typed)}"`)
      // Thirteen inches after five feet are a slip of the hand: was it 5 ft 1 3 in, or 6 ft 1 in?
      const lesser = toSI(number.value, found.unit.symbol)
      if (last && lesser >= last.factor)
        return refuse(
          'bad-quantity',
          field,
          `${name}: ${number.value} ${found.unit.symbol} is 1 ${last.symbol} or more, so "${shorten(typed)}" may be a slip; type ${(total + lesser) / found.unit.factor} ${found.unit.symbol} if it is meant, or put it right.`,
        )
      first ??= found.unit
      last = found.unit
      total += toSI(negative && dimension === 'temperature' ? -number.value : number.value, found.unit.symbol)
      at = found.end
    } else {
      const rest = text.slice(at).trim()
      if (rest !== '') return bad(`cannot be read from "${shorten(typed)}"`)
      if (first || options.bareUnit === undefined) return bad(`needs a unit after "${shorten(typed)}"`)
      bare = true
      const signed = negative && dimension === 'temperature' ? -number.value : number.value
      total = toSI(signed, options.bareUnit)
      at = text.length
    }
    while (text[at] === ' ' || (first && text[at] === ',')) at++
  } while (at < text.length)

  if (!Number.isFinite(total)) return bad('is not a finite number')
  const si = negative && dimension !== 'temperature' ? -total : total
  return ok({ si: si, unit: first?.symbol ?? options.bareUnit!, bare })
}

/** True for a number with nothing behind it: `44`, `14 1/2`, `1,200`, `½`; not for `44 in`, `abc` or nothing. */
export function isBareNumber(typed: string): boolean {
  const text = normalise(typed).replace(/^[-+] ?/, '')
  return readNumber(text, 0)?.end === text.length
}

/** Cuts what was typed to a length that fits in a sentence. */
export function shorten(typed: string): string {
  return typed.length > 24 ? `${typed.slice(0, 24)}…` : typed
}

/**
 * Reads a rate, one quantity per another: `0.4 lb/acre`, `2 lb/gal`, `0.8 gal/1000 ft3`, `15 mL/2 L`, `1.5 gal per min`.
 * Answers SI over SI (kg/m², m³/s, …). Problems as {@link readQuantity}; zero below the line is `bad-quantity`.
 *
 * @example readRate('2 lb/gal', 'mass', 'volume', 'strength') // 239.65 kg/m³
 */
export function readRate(
  typed: string,
  above: Dimension,
  below: Dimension,
  field: string,
  options: { name?: string } = {},
): Result<{ si: number; above: string; below: string }> {
  const name = options.name ?? field
  const bad = refuse(
    'bad-quantity',
    field,
    `${name} cannot be read from "${shorten(typed)}"; type ${AS_A[above].split(',')[0]} per ${AS_A[below].split(',')[0]!.replace(/^an? /, '')}, such as ${EXAMPLE[`${above}/${below}`] ?? '2 lb/gal'}.`,
  )
  if (typed.trim() === '')
    return refuse(
      'missing',
      field,
      `${name} is empty; type it as ${EXAMPLE[`${above}/${below}`] ?? 'a rate'}.`,
    )
  if (typed.length > 100) return bad
  const text = typed.replace(/\s+per\s+/gi, '/')
  for (let i = text.indexOf('/'); i !== -1; i = text.indexOf('/', i + 1)) {
    const top = readQuantity(text.slice(0, i), above, field)
    if (!top.ok) continue
    const under = text.slice(i + 1)
    const bottom = readQuantity(/^\s*[\d.]/.test(under) ? under : `1 ${under}`, below, field)
    if (!bottom.ok || bottom.value.si <= 0) continue
    return ok({ si: top.value.si / bottom.value.si, above: top.value.unit, below: bottom.value.unit })
  }
  return bad
}

const EXAMPLE: Record<string, string> = {
  'mass/area': '0.4 lb/acre',
  'mass/volume': '2 lb/gal',
  'volume/volume': '4 tsp/gal',
  'volume/time': '1.5 gal/min',
}
