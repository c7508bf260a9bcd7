/** Rows under each key, keys and rows in the order in which they come. `grouped(['ash', 'oak', 'apple'], (t) => t[0]!).get('a')` is ['ash', 'apple'] */
export function grouped<Row>(rows: readonly Row[], key: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>()
  for (const row of rows) {
    const k = key(row)
    const own = groups.get(k)
    if (own) own.push(row)
    else groups.set(k, [row])
  }
  return groups
}
