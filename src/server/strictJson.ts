import type { Problem } from '@/core/problem'
import { pathOf } from '@/calc/fields'

/** No list in one request is longer than this. */
const MOST_ENTRIES = 20_000
/** No request nests deeper than this. */
const DEEPEST = 64

/**
 * Reads JSON more strictly than the language does: a field given twice, a list of more than 20,000 entries, nesting
 * deeper than 64 and the key `__proto__` are problems that name the field. Text that is no JSON at all answers null.
 *
 * @example readStrictJson('{"a":1,"a":2}') // problem out-of-range, field a
 */
export function readStrictJson(text: string): { value: unknown } | { problem: Problem } | null {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return null
  }
  const problem = looseEnds(text)
  return problem ? { problem } : { value }
}

interface Level {
  /** The keys of an object; null for a list. */
  keys: Set<string> | null
  key: string
  index: number
}

/** Walks text that is known to be JSON, keeping only the path. */
function looseEnds(text: string): Problem | null {
  const levels: Level[] = []
  const path = () => pathOf(levels.slice(0, 8).map((l) => (l.keys ? l.key : l.index)))
  let keyNext = false
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    const level = levels[levels.length - 1]
    if (c === 0x22) {
      const from = i
      for (i++; text.charCodeAt(i) !== 0x22; i++) if (text.charCodeAt(i) === 0x5c) i++
      if (!keyNext || !level?.keys) continue
      keyNext = false
      level.key = JSON.parse(text.slice(from, i + 1)) as string
      if (level.key === '__proto__')
        return { code: 'unknown', field: path(), message: 'There is no such field here; leave it out.' }
      if (level.keys.has(level.key))
        return { code: 'out-of-range', field: path(), message: `${path()} is given twice; keep one.` }
      level.keys.add(level.key)
    } else if (c === 0x7b || c === 0x5b) {
      if (levels.length >= DEEPEST)
        return { code: 'out-of-range', field: path(), message: 'This is nested too deeply to be a question.' }
      levels.push({ keys: c === 0x7b ? new Set() : null, key: '', index: 0 })
      keyNext = c === 0x7b
    } else if (c === 0x7d || c === 0x5d) {
      levels.pop()
      keyNext = false
    } else if (c === 0x2c && level) {
      keyNext = level.keys !== null
      if (!level.keys && ++level.index >= MOST_ENTRIES) {
        levels.pop()
        return {
          code: 'out-of-range',
          field: path(),
          message: `A list holds at most ${MOST_ENTRIES.toLocaleString('en-US')} entries; send fewer.`,
        }
      }
    }
  }
  return null
}
