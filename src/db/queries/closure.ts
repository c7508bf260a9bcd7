import type { FirmSql } from '../client'

/** Whether a place is closed, as anybody may know it. */
export interface PlaceClosure {
  site: string
  firm: string
  timeZone: string
  town: string
  /** Of what was put on last; null where nothing is closed by a record. */
  until: Date | null
  /** Something went on there and is not signed yet. */
  working: boolean
  now: Date
}

/** How a site stands now, by the firm's clock; undefined where there is none. */
export async function closureOf(sql: FirmSql, siteId: string): Promise<PlaceClosure | undefined> {
  const rows = await sql<PlaceClosure[]>`
    select s.name as site, f.name as firm, s.time_zone as "timeZone", f.town, n.at as now,
      (select max(r.reentry_until) from record r
        where r.firm_id = s.firm_id and r.site_id = s.id and r.kind = 'application' and r.reentry_until > n.at) as until,
      exists (select 1 from job j join job_subject i on i.firm_id = j.firm_id and i.job_id = j.id
        where j.firm_id = s.firm_id and j.site_id = s.id and i.status = 'open' and i.closed_from is not null) as working
    from site s join firm f on f.id = s.firm_id
      cross join lateral (select now() + f.clock_offset as at) n
    where s.id = ${siteId} and s.archived_at is null`
  return rows[0]
}
