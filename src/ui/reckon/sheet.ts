import { nested, type Typed } from './paths'

/** One thing to type on a sheet. */
export interface Line {
  /** Its path in the question; within {@link Rows} the path within a row, empty where a row is one value. */
  path: string
  label: string
  hint?: string
  /**
   * `quantity` and `text` go on as typed, `number` as a number, `numbers` as a list of them (per cent with `share`),
   * `choice` is one of `options`, `date` a calendar date.
   */
  kind: 'quantity' | 'number' | 'numbers' | 'choice' | 'text' | 'date'
  options?: readonly (readonly [value: string, text: string])[]
  /** What stands there at first. */
  start?: string
  share?: boolean
  /** Shown only then. */
  when?: (typed: Typed) => boolean
}

/** A list of rows of the same lines. */
export interface Rows {
  rows: string
  /** What one row is: `stem`, `tree`. */
  each: string
  lines: readonly Line[]
  /** Rows at first, text by line path. */
  start: readonly Readonly<Record<string, string>>[]
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
