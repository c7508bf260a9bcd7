import { nested, type Typed } from '@/ui/fields/paths'
import type { TypedLine } from '@/ui/fields/TypedLine'
import { isBareNumber } from '@/core/quantity/parse'

/** One thing to type on a sheet, under its path in the question; within {@link Rows} within a row, empty where a row is one value. */
export interface Line extends TypedLine {
  /**
   * `quantity` and `text` go on as typed, `number` as a number, `numbers` as a list of them (per cent with `share`),
   * `choice` is one of `options`, `date` a calendar date.
   */
  kind: 'quantity' | 'number' | 'numbers' | 'choice' | 'text' | 'date'
  /** The field's own unit, where nothing stands there at first; what stands there at first has it beside it. */
  unit?: string
  share?: boolean
  /** Other words a column of it may have in a file. */
  also?: readonly string[]
}

/** A list of rows of the same lines. */
export interface Rows {
  rows: string
  /** What one row is: `stem`, `tree`. */
  each: string
  lines: readonly Line[]
  /** Rows at first, text by line path. */
  start: readonly Readonly<Record<string, string>>[]
  /** Long lists are pasted from a file. */
  pasted?: boolean
  when?: (typed: Typed) => boolean
}

/** A figure of the answer shown large. */
export interface Figure {
  label: string
  /** Its path in the answer. */
  path: string
  /** Words after a plain number. */
  unit?: string
}

/** One question a person can reckon: what to type, and what of the answer to show large. */
export interface Sheet {
  /** The calculator that answers. */
  name: string
  /** In the list: two or three words. */
  title: string
  question: string
  lines: readonly (Line | Rows)[]
  figures: readonly Figure[]
  /** Makes the question where it is not simply what stands at its paths. */
  ask?: (request: Record<string, unknown>, typed: Typed) => Record<string, unknown>
  /** The path of the line a problem's field stands at, where the question is not simply what is typed. */
  lineOf?: (field: string) => string
}

export const isRows = (line: Line | Rows): line is Rows => 'rows' in line

/** The path of a line in a row. `rowPath('trees', 2, '')` is `trees[2]`; `rowPath('stems', 0, 'girth')` is `stems[0].girth` */
export function rowPath(list: string, row: number, line: string): string {
  return line === '' ? `${list}[${row}]` : `${list}[${row}].${line}`
}

/** What stands on a sheet when it is opened. */
export function startOf(sheet: Sheet): Typed {
  const typed: Record<string, string> = {}
  for (const line of sheet.lines)
    if (isRows(line))
      line.start.forEach((row, i) => {
        for (const l of line.lines) typed[rowPath(line.rows, i, l.path)] = row[l.path] ?? ''
      })
    else typed[line.path] = line.start ?? ''
  return typed
}

/** The metric unit beside each the fields begin with. */
const METRIC: Readonly<Record<string, string>> = {
  in: 'cm',
  ft: 'm',
  acre: 'ha',
  gal: 'L',
  'fl oz': 'mL',
  lb: 'kg',
  F: 'C',
  mph: 'km/h',
  'lb/acre': 'kg/ha',
  'lb/gal': 'g/L',
  'gal/hour': 'L/hour',
  'gal/min': 'L/min',
  'gal/1000 ft3': 'L/m3',
  'lb/1000 ft2': 'kg/ha',
}

/** The unit a bare number takes in a field: its own, or the metric one beside it; null where it has none. */
export function bareUnitOf(line: Line, start: string | undefined, units: 'us' | 'metric'): string | null {
  const us = line.unit ?? /^[\d\s./,]+(\D.*)$/.exec(start ?? '')?.[1]?.trim()
  return us === undefined ? null : units === 'us' ? us : (METRIC[us] ?? us)
}

/** The line at a path, and what stands there at first. */
function lineAt(sheet: Sheet, path: string): { line: Line; start: string | undefined } | null {
  for (const line of sheet.lines) {
    if (!isRows(line)) {
      if (line.path === path) return { line, start: line.start }
      continue
    }
    const found = /^(.*)\[\d+\](?:\.(.*))?$/.exec(path)
    const own = found?.[1] === line.rows && line.lines.find((l) => l.path === (found[2] ?? ''))
    if (own) return { line: own, start: line.start.find((row) => row[own.path])?.[own.path] }
  }
  return null
}

/**
 * What is typed with the unit of the person's system behind every bare number of a quantity, so that what is reckoned, kept
 * in the address and sent to somebody else is the same: `44` on a girth is `44 in`, or `44 cm` for a metric person.
 */
export function withUnits(sheet: Sheet, typed: Typed, units: 'us' | 'metric'): Typed {
  return Object.fromEntries(
    Object.entries(typed).map(([path, text]) => {
      const at = isBareNumber(text) ? lineAt(sheet, path) : null
      const unit = at?.line.kind === 'quantity' ? bareUnitOf(at.line, at.start, units) : null
      return [path, unit === null ? text : `${text.trim()} ${unit}`]
    }),
  )
}

/** What is put to the calculator: everything shown and not empty, as the kind of its line says. */
export function questionOf(sheet: Sheet, typed: Typed): Record<string, unknown> {
  const values: Record<string, unknown> = {}
  const put = (path: string, line: Line) => {
    const text = typed[path]
    if (text === undefined || text.trim() === '') return
    values[path] = valueOf(text, line)
  }
  for (const line of sheet.lines) {
    if (line.when && !line.when(typed)) continue
    if (!isRows(line)) {
      put(line.path, line)
      continue
    }
    for (const path of Object.keys(typed)) {
      const found = /^(.*)\[(\d+)\](?:\.(.*))?$/.exec(path)
      if (found?.[1] !== line.rows) continue
      const own = line.lines.find((l) => l.path === (found[3] ?? ''))
      if (own) put(path, own)
    }
  }
  const request = nested(values)
  return sheet.ask ? sheet.ask(request, typed) : request
}

/** What cannot be read as a number goes on as it is, so that the calculator names the field. */
function valueOf(text: string, line: Line): unknown {
  const number = (t: string) => (/^-?\d*\.?\d+$/.test(t.trim()) ? Number(t) : t)
  if (line.kind === 'number') return number(text)
  if (line.kind === 'numbers')
    return text
      .split(/[\s;]+/)
      .filter((t) => t !== '')
      .map((t) => {
        const n = number(t.replace(/%$/, ''))
        return line.share && typeof n === 'number' ? n / 100 : n
      })
  return text.trim()
}
