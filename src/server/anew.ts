import { namesHost } from '@/core/card/namesHost'
import { anewOf } from '@/core/plan/anew'
import { heldByLimit, markAnew, restsOf } from '@/db/queries/anew'
import { newestReadings } from '@/db/queries/reading'
import { limitsPassed } from './groundLimits'
import { closedHere, placeAtHand, type PlaceAtHand } from './placeAtHand'
import type { Reading } from './verb'

/** Work with the crew that may rest on what has changed: of trees, by a card, of a site, of a district; null is everywhere. */
export type Changed =
  { treeIds: readonly string[] } | { code: string } | { siteId: string } | { district: string | null }

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
  const passed = limitsPassed(sql, person.units)
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
      overLimit:
        row.onDate !== null &&
        (await passed({ use: row.use, product: row, siteId: row.siteId }, row.onDate)) !== null,
    })
    if (anew !== row.anew) await markAnew(sql, row.id, anew)
  }
}

/** The same for the ground of sites on which something was handed back, moved or ended, where its limit held work back. */
export async function freeLimit(
  context: Pick<Reading, 'sql' | 'person'>,
  siteIds: Iterable<string>,
): Promise<void> {
  for (const siteId of new Set(siteIds))
    if (await heldByLimit(context.sql, siteId)) await remark(context, { siteId })
}
