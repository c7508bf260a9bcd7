/** Rows that say the same, as one line with the tags of all of them, in the order of the first. */
export function together<Row extends { tag: string | null }>(
  rows: readonly Row[],
  same: (row: Row) => readonly unknown[],
): (Row & { tags: string[] })[] {
  const lines = new Map<string, Row & { tags: string[] }>()
  for (const row of rows) {
    const key = JSON.stringify(same(row))
    const line = lines.get(key)
    if (!line) lines.set(key, { ...row, tags: row.tag === null ? [] : [row.tag] })
    else if (row.tag !== null) line.tags.push(row.tag)
  }
  return [...lines.values()]
}

/** Tags in a line: the first few, and how many more there are of all. `sayTags(['a', 'b', 'c'], 2)` is "a, b and 1 more" */
export function sayTags(tags: readonly string[], shown = 4, all = tags.length): string {
  const first = tags.slice(0, shown)
  const rest = all - first.length
  return `${first.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`
}
