import type { SiteHours } from '@/core/roster/siteHours'
import type { FirmSql } from '../client'

export interface SiteRow {
  id: string
  name: string
  place: string
  client: string
  note: string | null
  areaM2: number | null
  timeZone: string
  /** Where rules of the place are looked for; null where none is named. */
  district: string | null
  /** When work may be done there; null for any time. */
  hours: SiteHours[] | null
  clientId: string
  trees: number
}

const columns = (sql: FirmSql) => sql`
  s.id, s.name, s.place, c.name as client, s.note, s.area_m2 as "areaM2", s.time_zone as "timeZone",
  s.district, s.hours, s.client_id as "clientId", s.trees`

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

/** Clients of the firm by name, for a choice. */
export async function clients(sql: FirmSql): Promise<{ id: string; name: string }[]> {
  return sql<{ id: string; name: string }[]>`select id, name from client order by name, id limit 5000`
}

export async function clientById(
  sql: FirmSql,
  id: string,
): Promise<{ id: string; name: string } | undefined> {
  return (await sql<{ id: string; name: string }[]>`select id, name from client where id = ${id}`)[0]
}

/** The districts in which the firm has sites, by name. */
export async function districts(sql: FirmSql): Promise<string[]> {
  const rows = await sql<{ district: string }[]>`
    select distinct district from site where district is not null order by district limit 500`
  return rows.map((r) => r.district)
}

export async function setDistrict(sql: FirmSql, id: string, district: string | null): Promise<void> {
  await sql`update site set district = ${district} where id = ${id}`
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
