/** What is typed on a sheet: text by its path in the question, `stems[0].girth` → `44 in`. */
export type Typed = Readonly<Record<string, string>>

/** The keys of a path: `stems[0].girth` is `['stems', 0, 'girth']`. */
export function keysOf(path: string): (string | number)[] {
  return path
    .split(/[.[\]]+/)
    .filter((k) => k !== '')
    .map((k) => (/^\d+$/.test(k) ? Number(k) : k))
}

/**
 * Puts values at their paths into one object; gaps in lists close up.
 * @example nested({ 'stems[0].girth': '44 in', 'stems[2].girth': '8 in' }) // { stems: [{ girth: '44 in' }, { girth: '8 in' }] }
 */
export function nested(values: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const root: Record<string, unknown> = {}
  for (const [path, value] of Object.entries(values)) {
    const keys = keysOf(path)
    let here = root as Record<string | number, unknown>
    keys.forEach((key, i) => {
      if (i === keys.length - 1) here[key] = value
      else {
        here[key] ??= typeof keys[i + 1] === 'number' ? [] : {}
        here = here[key] as Record<string | number, unknown>
      }
    })
  }
  return closed(root) as Record<string, unknown>
}

function closed(value: unknown): unknown {
  if (Array.isArray(value)) return value.filter((v) => v !== undefined).map(closed)
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, closed(v)]))
  return value
}

/** The indices of a list that have something typed. `rowsOf({ 'trees[0]': '9 in', 'trees[3]': '4 in' }, 'trees')` is [0, 3] */
export function rowsOf(typed: Typed, list: string): number[] {
  const rows = new Set<number>()
  for (const path of Object.keys(typed))
    if (path.startsWith(`${list}[`))
      rows.add(Number(path.slice(list.length + 1, path.indexOf(']', list.length))))
  return [...rows].sort((a, b) => a - b)
}

/** The value at a path of an answer; undefined where there is none. */
export function valueAt(answer: unknown, path: string): unknown {
  return keysOf(path).reduce<unknown>(
    (v, k) => (typeof v === 'object' && v !== null ? (v as Record<string | number, unknown>)[k] : undefined),
    answer,
  )
}

/**
 * Where a problem stands on the sheet: lists have closed up on the way, so the nth row asked is the nth row there is.
 * @example placeOf('stems[1].girth', { 'stems[0].girth': '', 'stems[2].girth': '' }) // stems[2].girth
 */
export function placeOf(field: string, typed: Typed): string {
  return field.replace(/^([\w.]+)\[(\d+)\]/, (all, list: string, n: string) => {
    const row = rowsOf(typed, list)[Number(n)]
    return row === undefined ? all : `${list}[${row}]`
  })
}
