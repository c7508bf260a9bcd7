import { hostName } from '@/almanac/hosts'
import { onGlobe } from '@/core/place/onGlobe'
import { quantityIn } from '@/core/quantity/pair'
import { inFirm, type FirmSql } from '@/db/client'
import { clientsAfter, clientWhole } from '@/db/queries/client'
import type { PersonRow } from '@/db/queries/person'
import { sitesAfter, siteWhole } from '@/db/queries/site'
import { treesAfter } from '@/db/queries/tree'

interface Page {
  after: string | null
  limit: number
}

/** One more than asked for, so that it shows whether there are others. */
export function clientsPage(firmId: string, { after, limit }: Page) {
  return inFirm(firmId, async (sql) => {
    const last = after === null ? null : ((await clientWhole(sql, after)) ?? null)
    const rows = await clientsAfter(sql, last && { name: last.name, id: last.id }, limit + 1, false)
    return rows.map(({ id, name, sites }) => ({ id, name, sites }))
  })
}

export function sitesPage(firmId: string, { after, limit }: Page) {
  return inFirm(firmId, async (sql) => {
    const last = after === null ? null : ((await siteWhole(sql, after)) ?? null)
    const rows = await sitesAfter(sql, last && { name: last.name, id: last.id }, limit + 1)
    return rows.map(({ id, clientId, name, address, latitude, longitude, trees }) => ({
      id,
      client: clientId,
      name,
      address,
      latitude,
      longitude,
      trees,
    }))
  })
}

/** Trees of a site with what programs ask of them; lengths in the units of whoever asks. */
export function treesPage(person: PersonRow, siteId: string, { after, limit }: Page) {
  return inFirm(person.firmId, async (sql: FirmSql) => {
    const site = await siteWhole(sql, siteId)
    const corner =
      site && site.latitude !== null && site.longitude !== null
        ? { latitude: site.latitude, longitude: site.longitude }
        : null
    const rows = await treesAfter(sql, siteId, after, limit + 1)
    return rows.map((t) => ({
      id: t.id,
      tag: t.tag,
      kind: hostName(t.host),
      listedAs: t.listedAs,
      position: t.placed
        ? {
            east: quantityIn(t.eastM, 'ft', person.units),
            north: quantityIn(t.northM, 'ft', person.units),
            ...(corner && onGlobe(t, corner)),
          }
        : null,
      reading:
        t.diameterM === null
          ? null
          : {
              diameter: quantityIn(t.diameterM, 'in', person.units),
              at: t.readAt?.toISOString() ?? null,
            },
      stage: t.stage,
    }))
  })
}
