import { overdue, overdueCounts } from '@/db/queries/overdue'
import { reading } from './reader'
import { together } from './together'

/** What is overdue on one page of the list. */
export const OVERDUE_PAGE = 100

/** Everything that was promised for a day that is over and is neither done, nor put off, nor ended. */
export function overdueView(after: { day: string; id: string } | null = null) {
  return reading(async ({ sql, today }) => {
    const rows = await overdue(sql, today, after, OVERDUE_PAGE)
    return {
      today,
      counts: await overdueCounts(sql, today),
      // Looks of one day and site that ask the same stand together.
      lines: together(rows, (r) => (r.kind === 'check' ? [r.day, r.siteName, r.what, r.turn] : [r.id])),
      /** From where the list goes on; null at its end. */
      last: rows.length === OVERDUE_PAGE ? { day: rows.at(-1)!.day, id: rows.at(-1)!.id } : null,
    }
  })
}

export type OverdueView = Awaited<ReturnType<typeof overdueView>>
