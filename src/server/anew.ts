import { namesHost } from '@/core/card/namesHost'
import { anewOf } from '@/core/plan/anew'
import type { FirmSql } from '@/db/client'
import { markAnew, restsOf } from '@/db/queries/anew'

/**
 * Marks the work with the crew whose dose must be worked out again, on a tree or by a card, and takes the mark off where the
 * dose stands again.
 */
export async function remark(sql: FirmSql, of: { treeId: string } | { code: string }): Promise<void> {
  for (const row of await restsOf(sql, of)) {
    const anew = anewOf({
      planned: { readingId: row.readingId, diameter: row.diameter },
      newest: row.newest && { id: row.newest.id, diameter: Math.hypot(...row.newest.stemsM) },
      namesHost: namesHost(row.use, row.host),
      cardReplaced: row.newestVersion > row.version,
    })
    if (anew !== row.anew) await markAnew(sql, row.id, anew)
  }
}
