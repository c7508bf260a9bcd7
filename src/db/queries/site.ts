import type { FirmSql } from '../client'

export interface SiteRow {
  id: string
  name: string
  place: string
  client: string
  note: string | null
  areaM2: number | null
  timeZone: string
  trees: number
}

const columns = (sql: FirmSql) => sql`
  s.id, s.name, s.place, c.name as client, s.note, s.area_m2 as "areaM2", s.time_zone as "timeZone",
  s.trees`

/** All sites of the firm with their client, by name. */
export async function sites(sql: FirmSql): Promise<SiteRow[]> {
  return sql<
    SiteRow[]
  >`select ${columns(sql)} from site s join client c on c.id = s.client_id order by s.name, s.id`
}

export async function siteById(sql: FirmSql, id: string): Promise<SiteRow | undefined> {
  const rows = await sql<SiteRow[]>`
    select ${columns(sql)} from site s join client c on c.id = s.client_id where s.id = ${id}`
  return rows[0]
}

export interface FeatureRow {
  id: string
  kind: 'boundary' | 'building' | 'wall' | 'path' | 'water' | 'bed' | 'well'
  name: string | null
  geometry: { type: 'Polygon' | 'LineString' | 'Point'; coordinates: unknown }
}

/** Outlines drawn on the site plan, metres east and north of the site's corner. */
export async function featuresOfSite(sql: FirmSql, siteId: string): Promise<FeatureRow[]> {
  return sql<
    FeatureRow[]
  >`select id, kind, name, geometry from site_feature where site_id = ${siteId} order by kind, id`
}
