import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import { shown } from '../quantity/pair'

/**
 * One thing that is written: on a house card, of a tree before it is planned, or at a step while it is done. One line says what
 * it is called, how it is written and between what it lies; the card's format, the form, the reading and the words follow.
 */
export interface Line {
  name: string
  label: string
  kind: 'length' | 'reach' | 'volume' | 'count' | 'choice' | 'words'
  /** What a choice is among. A `reach` is a length over the ground, in feet or metres. */
  options?: readonly string[]
  /** Such as `2 in`. */
  hint?: string
  /** It may stay empty. */
  optional?: boolean
  /** Of a count. */
  least?: number
  most?: number
}

/** What lines hold once they are read: lengths and volumes in SI. */
export type Values = Readonly<Record<string, number | string>>

/**
 * Reads what was written on lines. Empty ones that may be are left out. Problems name the line after `at`: `missing` for one
 * that is empty, `bad-quantity`, `out-of-range` for a count outside its bounds, `unknown` for no choice of it.
 *
 * @example readLines([{ name: 'out', label: 'Open out to', kind: 'length' }], { out: '18 in' }, 'us').value // { out: 0.4572 }
 */
export function readLines(
  lines: readonly Line[],
  written: Readonly<Record<string, unknown>>,
  units: UnitSystem,
  at = '',
): Result<Values> {
  const values: Record<string, number | string> = {}
  for (const line of lines) {
    const value = written[line.name]
    const text = typeof value === 'number' ? String(value) : typeof value === 'string' ? value.trim() : ''
    if (text === '') {
      if (line.optional) continue
      return refuse('missing', at + line.name, `${line.label} is empty; ${asked(line)}.`)
    }
    const read = readLine(line, text, units, at + line.name)
    if (!read.ok) return read
    values[line.name] = read.value
  }
  return ok(values)
}

/** What a bare number is of. */
export const BARE = {
  length: { us: 'in', metric: 'cm' },
  reach: { us: 'ft', metric: 'm' },
  volume: { us: 'gal', metric: 'L' },
} as const

/** Reads one line. */
export function readLine(
  line: Line,
  text: string,
  units: UnitSystem,
  field: string,
): Result<number | string> {
  switch (line.kind) {
    case 'length':
    case 'reach':
    case 'volume': {
      const r = readQuantity(text, line.kind === 'volume' ? 'volume' : 'length', field, {
        bareUnit: BARE[line.kind][units],
        name: line.label,
      })
      if (!r.ok) return r
      return r.value.si >= 0
        ? ok(r.value.si)
        : refuse('out-of-range', field, `${line.label} cannot be below zero.`)
    }
    case 'count': {
      const n = Number(text)
      const [least, most] = [line.least ?? 0, line.most ?? 1000]
      return Number.isInteger(n) && n >= least && n <= most
        ? ok(n)
        : refuse('out-of-range', field, `${line.label} is a whole number from ${least} to ${most}.`)
    }
    case 'choice':
      return line.options!.includes(text)
        ? ok(text)
        : refuse('unknown', field, `${line.label} is one of ${line.options!.join(', ')}.`)
    case 'words':
      return text.length <= 300
        ? ok(text)
        : refuse('out-of-range', field, `${line.label}: at most 300 letters.`)
  }
}

/**
 * What was written on a line with its unit, where it was a bare number: whoever reads it later may measure in others.
 * @example withUnit({ name: 'cut', label: 'Depth', kind: 'length' }, '60', 'us') // '60 in'
 */
export function withUnit(line: Line, text: string, units: UnitSystem): string {
  if (line.kind !== 'length' && line.kind !== 'reach' && line.kind !== 'volume') return text
  return /^[\d\s./]+$/.test(text.trim()) ? `${text.trim()} ${BARE[line.kind][units]}` : text
}

/** What stands on a line, as it is read. */
export function sayValue(line: Line, value: number | string, units: UnitSystem): string {
  if (line.kind === 'length') return shown(Number(value), 'in', units)
  if (line.kind === 'reach') return shown(Number(value), 'ft', units, 1)
  if (line.kind === 'volume') return shown(Number(value), 'gal', units)
  return String(value)
}

function asked(line: Line): string {
  switch (line.kind) {
    case 'length':
    case 'reach':
    case 'volume':
      return `measure it${line.hint ? `, such as ${line.hint}` : ''}`
    case 'count':
      return 'count them'
    case 'choice':
      return 'choose one'
    case 'words':
      return 'write it'
  }
}
