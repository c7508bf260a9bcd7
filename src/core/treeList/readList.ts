import { readQuantity } from '../quantity/parse'
import type { Length } from '../quantity/units'
import { fromSheet } from '../text/sheetCell'
import { withoutUnseen } from '../text/unseen'
import { isTrunk } from '../trunk/trunk'
import { bareUnit, guessHeader, TREE_FIELDS, type ListUnit, type TreeField } from './fields'

/** A row of a list as it stands in the file, with the line it begins on. */
export interface ListRow {
  line: number
  cells: readonly string[]
}

/** A list of trees as it was read from a file, before anything of it is understood. */
export interface List {
  headers: readonly string[]
  rows: readonly ListRow[]
  /** Decimals have a comma: a list parted by semicolons or tabs. */
  decimalComma: boolean
}

export interface ListOptions {
  units: 'us' | 'metric'
  /** What a column is, whatever its header looks like; null: nothing. */
  columns: Readonly<Record<string, TreeField | null>>
  /** The kind a name means; null for one nobody knows. */
  kindCalled: (written: string) => string | null
}

export interface ListColumn {
  header: string
  field: TreeField | null
  /** The unit of a bare number. */
  unit: ListUnit | null
  sample: string
}

/** A tree as a row tells it; null for what it says nothing of. */
export interface ListedTree {
  line: number
  tag: string
  /** Null where the name is not known, or none is given. */
  kind: string | null
  written: string | null
  /** Diameters of its stems. */
  stemsM: Length[] | null
  tape: 'girth' | 'diameter'
  typed: string | null
  heightM: Length | null
  spreadM: Length | null
  crown: number | null
  latitude: number | null
  longitude: number | null
  eastM: Length | null
  northM: Length | null
  block: string | null
  planted: string | null
  note: string | null
}

export interface Refused {
  line: number
  column: string | null
  code: 'missing' | 'bad-quantity' | 'out-of-range' | 'unknown'
  message: string
}

export interface ReadList {
  columns: ListColumn[]
  /** Rows of the file that say anything; the same row twice counts once. */
  rows: number
  trees: ListedTree[]
  refused: Refused[]
  kindsUnknown: { written: string; rows: number }[]
}

/** What of a text is shown. */
const MOST_SHOWN = 40
const MOST = { tag: 40, block: 60, note: 2000, planted: 40, kind: 120 }
/** No tree is higher or wider, m. */
const MOST_HEIGHT = 130
const MOST_SPREAD = 100
/** A plan reaches so far, m. */
const MOST_AWAY = 10_000

/** A cell as it is meant: without what cannot be seen, and without the mark that keeps a spreadsheet from reckoning it. */
function cellText(cell: string | undefined): string {
  return fromSheet(withoutUnseen((cell ?? '').replace(/[\t\n\r\u2028\u2029]+/g, ' ')).trim())
}

const shown = (text: string) => (text.length > MOST_SHOWN ? `${text.slice(0, MOST_SHOWN)}…` : text)

/**
 * What the columns of a list are: as it is said, else by their headers, the surer one of two, else by what stands in them.
 */
export function guessColumns(list: List, options: ListOptions): ListColumn[] {
  const looks = list.rows.slice(0, 400)
  const columns = list.headers.map((header, i) => {
    const guess = guessHeader(header)
    const forced = Object.hasOwn(options.columns, header)
    return {
      header,
      at: i,
      forced,
      field: forced ? (options.columns[header] ?? null) : guess.field,
      sure: forced ? 100 : guess.sure,
      unit: guess.unit,
      cells: looks.map((r) => cellText(r.cells[i])).filter((c) => c !== ''),
    }
  })
  const known = (cells: readonly string[]) => {
    const some = cells.slice(0, 100)
    return some.length === 0 ? 0 : some.filter((c) => options.kindCalled(c) !== null).length / some.length
  }
  // Of two names of the kind the one that says more; of two columns for anything else the surer, then the first.
  for (const field of TREE_FIELDS) {
    const own = columns.filter((c) => c.field === field)
    if (own.length < 2) continue
    const score = (c: (typeof own)[number]) =>
      c.sure + (field === 'kind' && !c.forced ? known(c.cells) * 5 : 0)
    const best = own.reduce((a, b) => (score(b) > score(a) ? b : a))
    for (const c of own) if (c !== best) c.field = null
  }
  const has = (field: TreeField) => columns.some((c) => c.field === field)
  const free = () => columns.filter((c) => c.field === null && !c.forced && c.cells.length > 0)
  const numbers = (cells: readonly string[]) => cells.map((c) => Number(c.replace(',', '.')))
  // x and y that are no degrees lie on the plan.
  const [x, y] = [columns.find((c) => c.field === 'longitude'), columns.find((c) => c.field === 'latitude')]
  if (x && y && !x.forced && !y.forced && x.sure < 10 && y.sure < 10) {
    const isDegrees =
      numbers(x.cells).every((n) => Math.abs(n) <= 180) &&
      numbers(y.cells).every((n) => Math.abs(n) <= 90) &&
      [...x.cells, ...y.cells].some((c) => /\.\d{3,}/.test(c))
    if (!isDegrees) [x.field, y.field] = ['east', 'north']
  }
  if (!has('kind')) {
    const best = free().sort((a, b) => known(b.cells) - known(a.cells))[0]
    if (best && known(best.cells) >= 0.5) best.field = 'kind'
  }
  if (!has('tag')) {
    const best = free().find(
      (c) =>
        c.cells.length >= looks.length * 0.9 &&
        new Set(c.cells).size === c.cells.length &&
        c.cells.every((text) => text.length <= MOST.tag && !/\.\d/.test(text)),
    )
    if (best) best.field = 'tag'
  }
  return columns.map(({ header, field, unit, cells }) => ({
    header,
    field,
    unit: bareUnit(field, unit, options.units),
    sample: [...new Set(cells)].slice(0, 3).map(shown).join(' · '),
  }))
}

class Wrong extends Error {
  constructor(
    readonly field: TreeField,
    readonly code: Refused['code'],
    message: string,
  ) {
    super(message)
  }
}

/**
 * Reads a list of trees: what its columns are, the trees it tells, the rows that are refused and why, and the kinds nobody knows. The
 * same row twice is one; a tag that stands twice with other figures is refused wherever it stands.
 *
 * Refused are rows without a tag (`missing`), with a figure that cannot be read (`bad-quantity`) or cannot be (`out-of-range`).
 * What stands beyond the last column, or is left empty, says nothing.
 */
export function readList(list: List, options: ListOptions): ReadList {
  const columns = guessColumns(list, options)
  const at = new Map<TreeField, number>()
  columns.forEach((c, i) => {
    if (c.field !== null && !at.has(c.field)) at.set(c.field, i)
  })
  const kinds = new Map<string, string | null>()
  const kindOf = (written: string) => {
    const found = kinds.get(written)
    if (found !== undefined) return found
    const kind = options.kindCalled(written)
    kinds.set(written, kind)
    return kind
  }
  const read = (row: ListRow) => readRow(row, { at, columns, decimalComma: list.decimalComma, kindOf })
  const refused: Refused[] = []
  const byTag = new Map<string, { tree: ListedTree; same: string; line: number }[]>()
  const seen = new Set<string>()
  let rows = 0
  for (const row of list.rows) {
    const cells = row.cells.map(cellText)
    if (cells.every((c) => c === '')) continue
    const whole = cells.join('\u0000')
    if (seen.has(whole)) continue
    seen.add(whole)
    rows++
    try {
      const tree = read({ line: row.line, cells })
      const same = JSON.stringify({ ...tree, line: 0 })
      const twins = byTag.get(tree.tag)
      if (twins) twins.push({ tree, same, line: row.line })
      else byTag.set(tree.tag, [{ tree, same, line: row.line }])
    } catch (error) {
      if (!(error instanceof Wrong)) throw error
      const column = at.get(error.field)
      refused.push({
        line: row.line,
        column: column === undefined ? null : columns[column]!.header,
        code: error.code,
        message: error.message,
      })
    }
  }
  const trees: ListedTree[] = []
  for (const twins of byTag.values()) {
    // Two rows that say the same of a tree in other spellings are one as well.
    const ways = new Set(twins.map((t) => t.same))
    if (ways.size === 1) {
      trees.push(twins[0]!.tree)
      rows -= twins.length - 1
      continue
    }
    for (const { tree, line } of twins)
      refused.push({
        line,
        column: columns[at.get('tag')!]!.header,
        code: 'out-of-range',
        message: `“${shown(tree.tag)}” stands ${twins.length === 2 ? 'twice' : `${twins.length} times`} with other figures; leave the wrong one out.`,
      })
  }
  refused.sort((a, b) => a.line - b.line)
  return {
    columns,
    rows,
    trees,
    refused,
    kindsUnknown: kindsUnknownOf(trees),
  }
}

/** The names of kinds that nobody knows among trees of a list, with how many have each, the commonest first. */
export function kindsUnknownOf(trees: readonly ListedTree[]): { written: string; rows: number }[] {
  const unknown = new Map<string, number>()
  for (const { kind, written } of trees)
    if (kind === null && written !== null) unknown.set(written, (unknown.get(written) ?? 0) + 1)
  return [...unknown]
    .map(([written, rows]) => ({ written, rows }))
    .sort((a, b) => b.rows - a.rows || (a.written < b.written ? -1 : 1))
}

/** A list with rows left out, and cells typed anew, by the line they stand on. */
export function mendedList(
  list: List,
  mended: Readonly<Record<number, { out: true } | { column: string; text: string }>>,
): List {
  return {
    ...list,
    rows: list.rows.flatMap((row) => {
      const own = mended[row.line]
      if (!own) return [row]
      if ('out' in own) return []
      const i = list.headers.indexOf(own.column)
      return [i < 0 ? row : { ...row, cells: Object.assign([...row.cells], { [i]: own.text }) }]
    }),
  }
}

interface Reading {
  at: ReadonlyMap<TreeField, number>
  columns: readonly ListColumn[]
  decimalComma: boolean
  kindOf: (written: string) => string | null
}

function readRow(row: ListRow, how: Reading): ListedTree {
  const text = (field: TreeField): string => {
    const i = how.at.get(field)
    return i === undefined ? '' : (row.cells[i] ?? '')
  }
  const short = (field: 'tag' | 'block' | 'planted' | 'kind', name: string): string | null => {
    const typed = text(field)
    if (typed === '') return null
    if (typed.length > MOST[field])
      throw new Wrong(field, 'out-of-range', `${name} is longer than ${MOST[field]} characters; shorten it.`)
    return typed
  }
  const tag = short('tag', 'The tag')
  if (tag === null) throw new Wrong('tag', 'missing', 'There is no tag; every tree needs one.')
  const written = short('kind', 'The kind')
  const length = (field: TreeField, name: string): Length | null => {
    const typed = text(field)
    return typed === '' ? null : oneLength(typed, field, name, how)
  }
  const within = (field: TreeField, name: string, most: number): Length | null => {
    const m = length(field, name)
    if (m !== null && !(m > 0 && m <= most))
      throw new Wrong(field, 'out-of-range', `“${shown(text(field))}” is no ${name.toLowerCase()} of a tree.`)
    return m
  }
  const trunk = trunkOf(text, how)
  const [latitude, longitude] = [degrees(text, 'latitude', 90, how), degrees(text, 'longitude', 180, how)]
  if ((latitude === null) !== (longitude === null))
    throw new Wrong(
      latitude === null ? 'latitude' : 'longitude',
      'missing',
      'Latitude and longitude go together; one of them is missing.',
    )
  const [eastM, northM] = [length('east', 'East'), length('north', 'North')]
  for (const [field, m] of [
    ['east', eastM],
    ['north', northM],
  ] as const)
    if (m !== null && Math.abs(m) > MOST_AWAY)
      throw new Wrong(field, 'out-of-range', 'This lies more than 10 km from the corner of the plan.')
  if ((eastM === null) !== (northM === null))
    throw new Wrong(
      eastM === null ? 'east' : 'north',
      'missing',
      'East and north go together; one is missing.',
    )
  const note = text('note')
  if (note.length > MOST.note)
    throw new Wrong('note', 'out-of-range', `The note is longer than ${MOST.note} characters; shorten it.`)
  return {
    line: row.line,
    tag,
    kind: written === null ? null : how.kindOf(written),
    written,
    ...trunk,
    heightM: within('height', 'Height', MOST_HEIGHT),
    spreadM: within('spread', 'Spread', MOST_SPREAD),
    crown: crownOf(text('crown')),
    latitude,
    longitude,
    eastM,
    northM,
    block: short('block', 'The block'),
    planted: short('planted', 'Planted'),
    note: note === '' ? null : note,
  }
}

/** The trunk of a row: by girth where it is given, else by diameter; several stems parted by + or &, or in the column of stems. */
function trunkOf(
  text: (field: TreeField) => string,
  how: Reading,
): Pick<ListedTree, 'stemsM' | 'tape' | 'typed'> {
  const stems = text('stems')
  // "10, 8, 6" are stems; "3" says how many there are.
  const listed = /[+&;,/]|\d\s+\d/.test(stems) && !/^\d+\s+\d+\/\d+$/.test(stems)
  const tape = text('girth') !== '' ? 'girth' : 'diameter'
  const typed = text(tape) || (listed ? stems : '')
  if (stems !== '' && !listed && !/^\d{1,3}(?:\.0+)?$/.test(stems))
    throw new Wrong('stems', 'bad-quantity', `“${shown(stems)}” is no number of stems.`)
  if (typed === '') return { stemsM: null, tape, typed: null }
  const field: TreeField = text(tape) === '' ? 'stems' : tape
  const parts = (
    listed && typed === stems ? typed.split(/\s*[+&;,/]\s*|\s+/) : typed.split(/\s*[+&;]\s*/)
  ).filter((p) => p !== '')
  if (parts.length > 30) throw new Wrong(field, 'out-of-range', 'More than 30 stems; list the largest 30.')
  const stemsM = parts.map((part) => {
    const m = oneLength(part, field, tape === 'girth' ? 'Girth' : 'Diameter', how)
    const diameter = (tape === 'girth' ? m / Math.PI : m) as Length
    if (!isTrunk(diameter))
      throw new Wrong(
        field,
        'out-of-range',
        `“${shown(part)}” is no ${tape} of a trunk; check figure and unit.`,
      )
    return diameter
  })
  const unit = unitOf(field, how)
  return {
    stemsM,
    tape,
    typed: parts.map((p) => (/[a-z"'″′]/i.test(p) ? p : `${p} ${unit}`)).join(' + '),
  }
}

/** The unit of a bare number: its column’s; stems are measured as diameters are. */
function unitOf(field: TreeField, how: Reading): string {
  const i = how.at.get(field)
  const own = i === undefined ? null : how.columns[i]!.unit
  if (own) return own
  const d = how.at.get('diameter')
  return (d === undefined ? null : how.columns[d]!.unit) ?? 'in'
}

function oneLength(typed: string, field: TreeField, name: string, how: Reading): Length {
  const text = how.decimalComma ? typed.replace(/^([+-]?\d+),(\d+)(?!\d)/, '$1.$2') : typed
  const read = readQuantity(text, 'length', field, { name, bareUnit: unitOf(field, how) })
  if (read.ok) {
    if (field !== 'east' && field !== 'north' && read.value.si < 0)
      throw new Wrong(field, 'out-of-range', `“${shown(typed)}” is below zero.`)
    return read.value.si
  }
  throw new Wrong(field, 'bad-quantity', `“${shown(typed)}” is no ${name.toLowerCase()}.`)
}

function degrees(
  text: (field: TreeField) => string,
  field: 'latitude' | 'longitude',
  most: number,
  how: Reading,
): number | null {
  const typed = text(field)
  if (typed === '') return null
  const plain = how.decimalComma ? typed.replace(',', '.') : typed
  if (!/^[+\u2212-]?\d{1,3}(?:\.\d+)?°?$/.test(plain))
    throw new Wrong(field, 'bad-quantity', `“${shown(typed)}” is no ${field}; write degrees such as 42.3105.`)
  const value = Number(plain.replace('\u2212', '-').replace('°', ''))
  if (Math.abs(value) > most)
    throw new Wrong(field, 'out-of-range', `A ${field} lies between −${most} and ${most} degrees.`)
  return value
}

/** How much of the crown is alive, per cent in steps of five. */
function crownOf(typed: string): number | null {
  if (typed === '') return null
  const found = /^(\d{1,3}(?:\.\d+)?)\s*%?$/.exec(typed)
  if (!found)
    throw new Wrong('crown', 'bad-quantity', `“${shown(typed)}” is no share of the crown; write per cent.`)
  const percent = Number(found[1])
  if (percent > 100)
    throw new Wrong('crown', 'out-of-range', `“${shown(typed)}” is more than the whole crown.`)
  return Math.round(percent / 5) * 5
}
