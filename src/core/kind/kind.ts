/**
 * Kinds of tree within a kind: `maple.red` is a maple. What is said of maple is said of it too, unless it has a word of its own;
 * what is said of it is said of no other maple.
 */

/** A kind and the wider one it belongs to, the narrow one first. `lineage('maple.red')` is `['maple.red', 'maple']` */
export function lineage(kind: string): string[] {
  const at = kind.indexOf('.')
  return at < 0 ? [kind] : [kind, kind.slice(0, at)]
}

/** Whether a list of kinds names a kind, by itself or by its wider one. `isOf(['maple'], 'maple.red')` is true, `isOf(['maple.red'], 'maple')` is not */
export function isOf(kinds: readonly string[], kind: string): boolean {
  return lineage(kind).some((k) => kinds.includes(k))
}

/** What is written of a kind: its own word, else that of its wider kind. `byKind({ maple: 1 }, 'maple.red')` is 1 */
export function byKind<T>(written: Readonly<Record<string, T>> | undefined, kind: string): T | undefined {
  for (const k of lineage(kind)) if (written && Object.hasOwn(written, k)) return written[k]
  return undefined
}
