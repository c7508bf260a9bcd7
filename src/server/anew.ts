import { namesHost } from '@/core/card/namesHost'
import { anewOf } from '@/core/plan/anew'
import { markAnew, restsOf } from '@/db/queries/anew'
import { newestReadings } from '@/db/queries/reading'
import { closedHere, placeAtHand, type PlaceAtHand } from './placeAtHand'
import type { Reading } from './verb'

/** Work with the crew that may rest on what has changed: of a tree, by a card, of a site, of a district; null is everywhere. */
export type Changed = { treeId: string } | { code: string } | { siteId: string } | { district: string | null }

/**
 * Marks the work with the crew that must be worked out again after a change, and takes the mark off where it stands again.
 */
export async function remark(
  { sql, person }: Pick<Reading, 'sql' | 'person'>,
  changed: Changed,
): Promise<void> {
  const rows = await restsOf(sql, changed)
  const readings = await newestReadings(sql, [...new Set(rows.map((r) => r.treeId))])
  const places = new Map<string, PlaceAtHand>()
  for (const { siteId } of rows) if (!places.has(siteId)) places.set(siteId, await placeAtHand(sql, siteId))
  for (const row of rows) {
    const newest = readings.find((r) => r.treeId === row.treeId)
    const anew = anewOf({
      planned: { readingId: row.readingId, diameter: row.diameter },
      newest: newest ? { id: newest.id, diameter: Math.hypot(...newest.stemsM) } : null,
      namesHost: namesHost(row.use, row.host),
      cardReplaced: row.newestVersion > row.version,
      closedByRule:
        row.onDate !== null && closedHere(places.get(row.siteId)!, row, row.onDate, person.units).length > 0,
    })
    if (anew !== row.anew) await markAnew(sql, row.id, anew)
  }
}
