import { countedUse, eachActive, type Amount, type InIt } from '@/core/limits/counted'
import type { GroundUse } from '@/core/limits/ground'
import type { FirmSql } from '../client'
import { applied } from './applied'

/**
 * What of each active counts on a site in a calendar year: put on by recorded work, put on by others, and signed but not
 * yet recorded. kg. Rows are of cards and of words others used; all actives of each count, by their keys.
 */
export async function groundUse(sql: FirmSql, siteId: string, year: string): Promise<GroundUse[]> {
  const [from, to] = [`${year}-01-01`, `${year}-12-31`]
  return countedUse(
    await sql<Amount[]>`
    with used as (
      select p.card_use_id as use, sum(a.active_kg) as applied, 0::double precision as planned
      from ${applied(sql)} a join application p on p.firm_id = a.firm_id and p.id = a.application_id
      where a.site_id = ${siteId} and a.on_date between ${from} and ${to} and a.active is not null group by p.card_use_id
      union all
      select i.card_use_id, 0, sum((x.plan->>'active')::double precision)
      from job j join job_subject js on js.firm_id = j.firm_id and js.job_id = j.id
        join item_subject x on x.firm_id = js.firm_id and x.id = js.subject_id
        join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
      where j.site_id = ${siteId} and j.on_date between ${from} and ${to} and js.status = 'open' and x.plan->>'active' is not null
      group by i.card_use_id)
    select c.body->'actives' as actives, sum(used.applied) as applied, 0::double precision as others, sum(used.planned) as planned
    from used join card_use u on u.id = used.use join card c on c.firm_id = u.firm_id and c.id = u.card_id group by c.id, c.body->'actives'
    union all
    select jsonb_build_array(jsonb_build_object('name', active, 'strength', '')), 0, sum(active_kg), 0
    from applied_by_others where site_id = ${siteId} and on_date between ${from} and ${to} group by active`,
  )
}

/** Who put on what else on a site, the newest first. */
export async function appliedByOthers(sql: FirmSql, siteId: string) {
  return sql<{ id: string; active: string; activeKg: number; onDate: string; source: string; by: string }[]>`
    select a.id, a.active, a.active_kg as "activeKg", a.on_date::text as "onDate", a.source, p.name as by
    from applied_by_others a join person p on p.firm_id = a.firm_id and p.id = a.noted_by
    where a.site_id = ${siteId} order by a.on_date desc, a.id limit 100`
}

export async function noteAppliedByOthers(
  sql: FirmSql,
  a: {
    id: string
    firmId: string
    siteId: string
    active: string
    activeKg: number
    onDate: string
    source: string
    at: Date
    by: string
  },
): Promise<void> {
  await sql`insert into applied_by_others (id, firm_id, site_id, active, active_kg, on_date, source, noted_at, noted_by)
    values (${a.id}, ${a.firmId}, ${a.siteId}, ${a.active}, ${a.activeKg}, ${a.onDate}, ${a.source}, ${a.at}, ${a.by})`
}

/** Holds a ground until the transaction ends, so that what is signed against its limits takes turns. */
export async function siteForChange(sql: FirmSql, siteId: string): Promise<void> {
  await sql`select 1 from site where id = ${siteId} for no key update`
}

/** Sets the area of a site as it was typed; what is measured on its plan goes before it. */
export async function setArea(sql: FirmSql, siteId: string, areaM2: number): Promise<void> {
  await sql`update site set area_typed_m2 = ${areaM2}, area_m2 = case when area_measured then area_m2 else ${areaM2} end
    where id = ${siteId}`
}

/** The years in which anything that counts was put on a site or is planned there, the newest first. */
export async function yearsOfUse(sql: FirmSql, siteId: string): Promise<string[]> {
  const rows = await sql<{ year: string }[]>`
    select distinct to_char(on_date, 'YYYY') as year from (
      select on_date from application_subject where site_id = ${siteId} and active is not null
      union all select on_date from applied_by_others where site_id = ${siteId}
      union all select on_date from job where site_id = ${siteId} and recorded < trees) d order by year desc limit 20`
  return rows.map((r) => r.year)
}

/** What counts of an active on a site in a year, day by day: ours and others'. kg. */
export async function useByDay(
  sql: FirmSql,
  siteId: string,
  year: string,
): Promise<{ on: string; active: string; kg: number; ours: boolean }[]> {
  const [from, to] = [`${year}-01-01`, `${year}-12-31`]
  const rows = await sql<{ on: string; actives: InIt[]; kg: number; ours: boolean }[]>`
    select d.on_date::text as on, d.actives, sum(d.kg) as kg, d.ours from (
      select a.on_date, c.body->'actives' as actives, a.active_kg as kg, true as ours
      from ${applied(sql)} a join application p on p.firm_id = a.firm_id and p.id = a.application_id
        join card_use u on u.id = p.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
      where a.site_id = ${siteId} and a.on_date between ${from} and ${to} and a.active is not null
      union all
      select on_date, jsonb_build_array(jsonb_build_object('name', active, 'strength', '')), active_kg, false
      from applied_by_others where site_id = ${siteId} and on_date between ${from} and ${to}) d
    group by d.on_date, d.actives, d.ours order by d.on_date, d.ours limit 800`
  return rows.flatMap(({ actives, kg, ...day }) =>
    eachActive(actives, kg).map((used) => ({ ...day, active: used.active, kg: used.kg })),
  )
}
