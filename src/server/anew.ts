import { namesHost } from '@/core/card/namesHost'
import { isHand } from '@/core/methods/hand'
import { methodOf } from '@/core/methods/registry'
import { anewOf } from '@/core/plan/anew'
import { refusedByRules } from '@/core/rules/refused'
import { markAnew, restsOf, type RestsRow } from '@/db/queries/anew'
import { newestReadings } from '@/db/queries/reading'
import { placeAtHand, type PlaceAtHand } from './placeAtHand'
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
      closedByRule: isClosed(row, places.get(row.siteId)!, person.units),
    })
    if (anew !== row.anew) await markAnew(sql, row.id, anew)
  }
}

/** Whether a rule of the place stands against work on the day it is booked for. Notice of it was given when it was signed. */
function isClosed(row: RestsRow, place: PlaceAtHand, units: 'us' | 'metric'): boolean {
  return (
    row.onDate !== null &&
    refusedByRules(place.rules, {
      method: row.use.method,
      actives: isHand(row.use.method) ? [] : row.actives,
      host: row.host,
      on: row.onDate,
      today: null,
      onGround: methodOf(row.use).onGround,
      water: place.waterAt(row),
      units,
    }).length > 0
  )
}
