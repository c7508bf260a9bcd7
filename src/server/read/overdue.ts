import { overdue, overdueCounts, type OverdueRow } from '@/db/queries/overdue'
import { reading } from './reader'

/** What is overdue on one page of the list. */
export const OVERDUE_PAGE = 100

/** Promised looks of one day and site that ask the same, as one line. */
function together(rows: readonly OverdueRow[]) {
  const lines = new Map<string, OverdueRow & { tags: string[] }>()
  for (const row of rows) {
    const key = row.kind === 'check' ? `${row.day} ${row.siteName} ${row.what} ${row.turn}` : row.id
    const line = lines.get(key)
    if (line) line.tags.push(row.tag!)
    else lines.set(key, { ...row, tags: row.tag === null ? [] : [row.tag] })
  }
  return [...lines.values()]
}

/** Everything that was promised for a day that is over and is neither done, nor put off, nor ended. */
export function overdueView(after: { day: string; id: string } | null = null) {
  return reading(async ({ sql, today }) => {
    const rows = await overdue(sql, today, after, OVERDUE_PAGE)
    return {
      today,
      counts: await overdueCounts(sql, today),
      lines: together(rows),
      /** From where the list goes on; null at its end. */
      last: rows.length === OVERDUE_PAGE ? { day: rows.at(-1)!.day, id: rows.at(-1)!.id } : null,
    }
  })
}

export type OverdueView = Awaited<ReturnType<typeof overdueView>>
