import type { AsJson } from './asJson'

/** A value as one line of text in which names, and whatever comes again, stand once. */
export type Packed<T> = string & { readonly packs?: T }

/** Stand first in a list: it is a list, or one of records with the same names. A record begins with the number of its names; a number alone is something that came before. */
const LIST = -1
const ALIKE = -2
/** Shorter text is not worth pointing at. */
const SHORT = 8

type Plain = string | number | boolean | null
type Json = Plain | Json[] | { [name: string]: Json }

const OWN = { enumerable: true, configurable: true, writable: true }

const isPlain = (v: unknown): v is Plain => typeof v !== 'object' || v === null

/** The names of a record's fields so far, and what they become with one more. */
interface Shape {
  names: readonly string[]
  number: number | null
  next: Map<string, Shape>
}

/** A record as it is written: the number of its names, its fields, and where the same one came before. */
interface Written {
  shape: number
  fields: string
  before: number | null
}

/**
 * Writes a value for a page or a device. A list of records is about a third of what JSON makes of it: the names of their fields are written once, and a text, or a record
 * of plain values, that came before is pointed at. What JSON has no word for is treated as JSON does: an instant is text, a field without a value is left out.
 *
 * @example pack([{ tag: 'A-1' }, { tag: 'A-2' }]) // '[[["tag"]],[-2,0,["A-1"],["A-2"]]]'
 */
export function pack<T>(value: T): Packed<T> {
  const shapes: (readonly string[])[] = []
  const root: Shape = { names: [], number: null, next: new Map() }
  const before = new Map<string, number>()
  let count = 0
  /** Where the same came before; kept from now on where it did not. */
  const cameAt = (text: string): number | null => {
    const at = before.get(text)
    if (at !== undefined && String(at).length + 2 < text.length) return at
    before.set(text, count++)
    return null
  }
  const record = (v: object): Written => {
    let shape = root
    let fields = ''
    let flat = true
    for (const name of Object.keys(v)) {
      const field = (v as Record<string, unknown>)[name]
      if (field === undefined || typeof field === 'function') continue
      let next = shape.next.get(name)
      if (!next)
        shape.next.set(name, (next = { names: [...shape.names, name], number: null, next: new Map() }))
      fields += shape === root ? write(field) : ',' + write(field)
      shape = next
      flat &&= isPlain(field) || field instanceof Date
    }
    shape.number ??= shapes.push(shape.names) - 1
    return { shape: shape.number, fields, before: flat ? cameAt(`${shape.number},${fields}`) : null }
  }
  const one = ({ shape, fields, before }: Written) =>
    before !== null ? `[${before}]` : fields === '' ? '{}' : `[${shape},${fields}]`
  const list = (v: readonly unknown[]): string => {
    const written = v.map((x) =>
      isPlain(x) || Array.isArray(x) || x instanceof Date ? write(x) : record(x!),
    )
    const [first] = written
    const alike =
      typeof first === 'object' && written.every((w) => typeof w === 'object' && w.shape === first.shape)
    const parts = written.map((w) =>
      typeof w === 'string' ? w : alike ? (w.before !== null ? String(w.before) : `[${w.fields}]`) : one(w),
    )
    return `[${[...(alike ? [ALIKE, first.shape] : [LIST]), ...parts].join()}]`
  }
  const write = (v: unknown): string => {
    if (typeof v === 'string') {
      const text = JSON.stringify(v)
      const at = v.length < SHORT ? null : cameAt(text)
      return at === null ? text : `[${at}]`
    }
    if (typeof v === 'number') return Number.isFinite(v) ? String(v) : 'null'
    if (isPlain(v)) return JSON.stringify(v) ?? 'null'
    if (v instanceof Date) return write(v.toJSON())
    return Array.isArray(v) ? list(v) : one(record(v as object))
  }
  const text = write(value)
  return `[${JSON.stringify(shapes)},${text}]`
}

/**
 * Reads what `pack` wrote. What stood once comes back as one and the same thing wherever it stood; nothing of it may be changed in place.
 *
 * @example unpack(pack({ at: new Date(0), why: undefined })) // { at: '1970-01-01T00:00:00.000Z' }
 */
export function unpack<T>(packed: Packed<T>): AsJson<T> {
  const [shapes, root] = JSON.parse(packed) as [string[][], Json]
  const before: Json[] = []
  const keep = (v: Json) => {
    before.push(v)
    return v
  }
  const record = (shape: number, fields: Json[]): Json => {
    const names = shapes[shape]!
    const made: { [name: string]: Json } = {}
    let flat = true
    for (let i = 0; i < names.length; i++) {
      const value = read(fields[i]!)
      flat &&= isPlain(value)
      // This one name is no field when it is assigned.
      if (names[i] === '__proto__') Object.defineProperty(made, '__proto__', { value, ...OWN })
      else made[names[i]!] = value
    }
    return flat ? keep(made) : made
  }
  const read = (v: Json): Json => {
    if (typeof v === 'string') return v.length < SHORT ? v : keep(v)
    if (isPlain(v)) return v
    if (!Array.isArray(v)) return keep({})
    const [mark, ...parts] = v as [number, ...Json[]]
    if (parts.length === 0 && mark !== LIST) return before[mark]!
    if (mark === LIST) return parts.map(read)
    if (mark !== ALIKE) return record(mark, parts)
    const [shape, ...rows] = parts as [number, ...(number | Json[])[]]
    return rows.map((row) => (typeof row === 'number' ? before[row]! : record(shape, row)))
  }
  return read(root) as AsJson<T>
}
