import { namesHost } from '@/core/card/namesHost'
import { anewOf } from '@/core/plan/anew'
import type { FirmSql } from '@/db/client'
import { markAnew, restsOf } from '@/db/queries/anew'
import { newestReadings } from '@/db/queries/reading'

/**
 * Marks the work with the crew whose dose must be worked out again, on a tree or by a card, and takes the mark off where the
 * dose stands again.
 */
export async function remark(sql: FirmSql, of: { treeId: string } | { code: string }): Promise<void> {
  const rows = await restsOf(sql, of)
  const readings = await newestReadings(sql, [...new Set(rows.map((r) => r.treeId))])
  for (const row of rows) {
    const newest = readings.find((r) => r.treeId === row.treeId)
    const anew = anewOf({
      planned: { readingId: row.readingId, diameter: row.diameter },
      newest: newest ? { id: newest.id, diameter: Math.hypot(...newest.stemsM) } : null,
      namesHost: namesHost(row.use, row.host),
      cardReplaced: row.newestVersion > row.version,
    })
    if (anew !== row.anew) await markAnew(sql, row.id, anew)
  }
}
