import type { SiteHours } from '@/core/roster/siteHours'
import type { FirmSql } from '../client'

export interface SiteRow {
  id: string
  name: string
  place: string
  client: string
  note: string | null
  areaM2: number | null
  /** The area is that of the ground drawn on its plan. */
  areaMeasured: boolean
  timeZone: string
  /** Where rules of the place are looked for; null where none is named. */
  district: string | null
  /** When work may be done there; null for any time. */
  hours: SiteHours[] | null
  clientId: string
  /** Where the plan’s corner lies, degrees; null while nobody has said. */
  corner: { latitude: number; longitude: number } | null
  /** Put away: nothing is worked there any more. */
  away: boolean
  trees: number
}

const columns = (sql: FirmSql) => sql`
  s.id, s.name, s.place, c.name as client, s.note, s.area_m2 as "areaM2", s.area_measured as "areaMeasured", s.time_zone as "timeZone",
  s.district, s.hours, s.client_id as "clientId", s.archived_at is not null as away, s.trees,
  case when s.latitude is not null then jsonb_build_object('latitude', s.latitude, 'longitude', s.longitude) end as corner`

/** The sites that are worked at with their client, by name; those that are put away when asked for. */
export async function sites(sql: FirmSql, archived = false): Promise<SiteRow[]> {
  return sql<SiteRow[]>`
    select ${columns(sql)} from site s join client c on c.id = s.client_id
    where s.archived_at is ${archived ? sql`not null` : sql`null`} order by s.name, s.id`
}

/** A site with all that is told of it. */
export interface SiteWhole {
  id: string
  clientId: string
  client: string
  name: string
  address: string
  latitude: number | null
  longitude: number | null
  access: string | null
  gateCode: string | null
  water: string | null
  contactOnDay: string | null
  district: string | null
  note: string | null
  archivedAt: Date | null
  version: number
  trees: number
}

const whole = (sql: FirmSql) => sql`
  s.id, s.client_id as "clientId", c.name as client, s.name, s.place as address, s.latitude, s.longitude, s.access,
  s.gate_code as "gateCode", s.water, s.contact_on_day as "contactOnDay", s.district, s.note, s.archived_at as "archivedAt",
  s.version, s.trees`

export async function siteWhole(sql: FirmSql, id: string): Promise<SiteWhole | undefined> {
  return (
    await sql<
      SiteWhole[]
    >`select ${whole(sql)} from site s join client c on c.id = s.client_id where s.id = ${id}`
  )[0]
}

/** Sites by name, a page at a time: pass the last one to go on. */
export async function sitesAfter(
  sql: FirmSql,
  after: { name: string; id: string } | null,
  limit: number,
): Promise<SiteWhole[]> {
  return sql<SiteWhole[]>`
    select ${whole(sql)} from site s join client c on c.id = s.client_id
    where s.archived_at is null ${after ? sql`and (s.name, s.id) > (${after.name}, ${after.id})` : sql``}
    order by s.name, s.id limit ${limit}`
}

/** The sites of a client, those that are put away last. */
export async function sitesOfClient(sql: FirmSql, clientId: string): Promise<SiteWhole[]> {
  return sql<SiteWhole[]>`
    select ${whole(sql)} from site s join client c on c.id = s.client_id
    where s.client_id = ${clientId} order by s.archived_at is not null, s.name, s.id limit 1000`
}

export type SiteFields = Omit<SiteWhole, 'id' | 'clientId' | 'client' | 'archivedAt' | 'version' | 'trees'>

export async function addSite(
  sql: FirmSql,
  s: SiteFields & { id: string; firmId: string; clientId: string; timeZone: string },
): Promise<void> {
  await sql`insert into site (id, firm_id, client_id, name, place, time_zone, latitude, longitude, access, gate_code, water,
      contact_on_day, district, note)
    values (${s.id}, ${s.firmId}, ${s.clientId}, ${s.name}, ${s.address}, ${s.timeZone}, ${s.latitude}, ${s.longitude}, ${s.access},
      ${s.gateCode}, ${s.water}, ${s.contactOnDay}, ${s.district}, ${s.note})`
}

/** The new version, or null when somebody changed it since. */
export async function changeSite(
  sql: FirmSql,
  id: string,
  version: number,
  s: SiteFields,
): Promise<number | null> {
  const rows = await sql<{ version: number }[]>`
    update site set name = ${s.name}, place = ${s.address}, latitude = ${s.latitude}, longitude = ${s.longitude},
      access = ${s.access}, gate_code = ${s.gateCode}, water = ${s.water}, contact_on_day = ${s.contactOnDay},
      district = ${s.district}, note = ${s.note}, version = version + 1
    where id = ${id} and version = ${version} returning version`
  return rows[0]?.version ?? null
}

export async function archiveSite(sql: FirmSql, id: string, at: Date | null): Promise<void> {
  await sql`update site set archived_at = ${at}, version = version + 1 where id = ${id}`
}

/** What is still promised at a site: work that is handed over, and looks that are due. */
export async function openAtSite(sql: FirmSql, id: string): Promise<{ work: number; looks: number }> {
  const rows = await sql<{ work: number; looks: number }[]>`
    select
      (select count(*)::int from item_subject x join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
        where t.site_id = ${id} and x.status = 'handed') as work,
      (select count(*)::int from follow_up f where f.site_id = ${id} and not f.done and f.dropped is null) as looks`
  return rows[0]!
}

export async function siteById(sql: FirmSql, id: string): Promise<SiteRow | undefined> {
  const rows = await sql<SiteRow[]>`
    select ${columns(sql)} from site s join client c on c.id = s.client_id where s.id = ${id}`
  return rows[0]
}

/** Clients of the firm by name, for a choice. */
export async function clients(sql: FirmSql): Promise<{ id: string; name: string }[]> {
  return sql<{ id: string; name: string }[]>`
    select id, name from client where archived_at is null order by name, id limit 5000`
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
