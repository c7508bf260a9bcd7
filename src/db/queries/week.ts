import type { SiteHours } from '@/core/roster/siteHours'
import type { WatchedWork } from '@/core/roster/pace'
import type { OpenWork } from '@/core/roster/stop'
import type { FirmSql } from '../client'

/** A tree of a job, with what else its day is held against. */
export interface OpenWorkRow extends OpenWork {
  /** The day on which picking begins, where the card keeps days before it. */
  harvestOn: string | null
  /** What it was signed against. */
  cause: string
}

/**
 * Trees of jobs until a day at which nothing is signed, those of earlier days too: job after job, the first days first, as long as there are no more than
 * `trees` of them. `more`: whether jobs were left out for that.
 */
export async function openWork(
  sql: FirmSql,
  until: string,
  most: { jobs: number; trees: number },
): Promise<{ works: OpenWorkRow[]; more: boolean }> {
  const jobs = await sql<{ id: string; trees: number }[]>`
    select id, trees - recorded as trees from job where recorded < trees and on_date <= ${until}
    order by on_date, id limit ${most.jobs + 1}`
  let sum = 0
  const taken = jobs.filter((j, i) => i < most.jobs && (i === 0 || (sum += j.trees) <= most.trees))
  // A job at a time: joined all at once, whole tables would be read.
  const works = await sql<OpenWorkRow[]>`
    select w.* from unnest(${taken.map((j) => j.id)}::uuid[]) one (id) cross join lateral (
      select x.id, x.job_id as "jobId", j.site_id as "siteId", j.on_date::text as "onDate", j.crew_id as "crewId", j.place, ji.pinned,
        pr.id as "prescriptionId", x.tree_id as "treeId", t.tag, t.block, u.id as "useId", pi.method,
        c.name as "cardName", c.registration is not null as licence, y.minutes,
        exists (select 1 from step_state p where p.firm_id = x.firm_id and p.job_subject_id = x.id
          and coalesce(p.state->>'drilledAt', p.state->>'startedAt') is not null) as begun,
        case when o.again then o.due_from::text end as "dueFrom", o.due_to::text as "dueTo", pr.harvest_on::text as "harvestOn", pr.cause, y.anew is not null as anew
      from job j
        join job_subject x on x.firm_id = j.firm_id and x.job_id = j.id and x.status = 'open'
        join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
        join job_item ji on ji.firm_id = x.firm_id and ji.id = x.job_item_id
        join occurrence o on o.firm_id = ji.firm_id and o.id = ji.occurrence_id
        join item_subject y on y.firm_id = x.firm_id and y.id = x.subject_id
        join prescription_item pi on pi.firm_id = y.firm_id and pi.id = y.item_id
        join prescription pr on pr.firm_id = pi.firm_id and pr.id = pi.prescription_id
        join card_use u on u.firm_id = pi.firm_id and u.id = pi.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
      where j.id = one.id order by x.id limit 20000) w`
  return { works, more: taken.length < jobs.length }
}

/** As many of the newest works of a method as its pace rests on. */
const NEWEST = 40

/** Works that were watched since a day, the newest of each method: what was planned for them and how long they took, minutes. */
export async function watchedWork(sql: FirmSql, since: Date): Promise<WatchedWork[]> {
  return sql<WatchedWork[]>`
    select w.method, w.took, coalesce((select sum(y.minutes) from application_subject s
        join item_subject y on y.firm_id = s.firm_id and y.id = s.subject_id
        where s.firm_id = w.firm_id and s.application_id = w.id and s.outcome <> 'not treated'), 0) as planned
    from (select a.firm_id, a.id, a.method, a.watched_minutes as took,
        row_number() over (partition by a.method order by a.signed_at desc, a.id desc) as nth
      from application a where a.watched_minutes is not null and a.signed_at >= ${since}) w
    where w.nth <= ${NEWEST}`
}

/** What stands on no day and is due until one, with the minutes of its trees. */
export async function minutesDue(
  sql: FirmSql,
  occurrenceIds: string[],
): Promise<{ occurrenceId: string; minutes: number; licence: boolean }[]> {
  return sql`
    select o.id as "occurrenceId", coalesce(sum(y.minutes), 0) as minutes,
      bool_or(c.registration is not null) as licence
    from occurrence o join item_subject y on y.firm_id = o.firm_id and y.item_id = o.item_id
        and y.status = case when o.n = 1 then 'handed' else 'done' end
      join prescription_item i on i.firm_id = o.firm_id and i.id = o.item_id
      join card_use u on u.firm_id = i.firm_id and u.id = i.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
    where o.id = any(${occurrenceIds}) group by o.id`
}

export interface PlacedSite {
  id: string
  name: string
  /** How one gets there. */
  place: string
  note: string | null
  timeZone: string
  /** Of the site, else of its firm's town; null where neither says it. */
  latitude: number | null
  longitude: number | null
  hours: SiteHours[] | null
  /** Until when nobody may be on its ground by what went on last; null where it is open. */
  closedUntil: Date | null
}

/** Sites as a week is planned with them. */
export async function placedSites(sql: FirmSql, ids: string[], now: Date): Promise<PlacedSite[]> {
  return sql<PlacedSite[]>`
    select s.id, s.name, s.place, s.note, s.time_zone as "timeZone", coalesce(s.latitude, f.latitude) as latitude,
      coalesce(s.longitude, f.longitude) as longitude, s.hours,
      (select max(r.reentry_until) from record r where r.site_id = s.id and r.kind = 'application' and r.reentry_until > ${now}) as "closedUntil"
    from site s join firm f on f.id = s.firm_id where s.id = any(${ids}) order by s.name, s.id`
}

/** Where the firm's yard lies: its town. */
export async function yardOf(sql: FirmSql): Promise<{ latitude: number | null; longitude: number | null }> {
  const rows = await sql<{ latitude: number | null; longitude: number | null }[]>`
    select latitude, longitude from firm where id = current_firm()`
  return rows[0]!
}

/** Says when work may be done at a site; null for any time. */
export async function keepSiteHours(sql: FirmSql, id: string, hours: SiteHours[] | null): Promise<void> {
  await sql`update site set hours = ${hours === null ? null : sql.json(hours as never)} where id = ${id}`
}

/** Keeps work where it is put, or lets it go. */
export async function pinWork(sql: FirmSql, jobSubjectIds: string[], pinned: boolean): Promise<void> {
  await sql`update job_item set pinned = ${pinned} where pinned <> ${pinned}
    and id in (select job_item_id from job_subject where id = any(${jobSubjectIds}))`
}

/** The order of the jobs of a crew's day. */
export async function orderJobs(sql: FirmSql, jobIds: string[]): Promise<void> {
  await sql`update job j set place = o.n from unnest(${jobIds}::uuid[]) with ordinality o (id, n)
    where j.id = o.id and j.place is distinct from o.n`
}

/** The open trees of an occurrence on its jobs, by their ids there. */
export async function subjectsOfOccurrence(sql: FirmSql, occurrenceId: string): Promise<string[]> {
  const rows = await sql<{ id: string }[]>`
    select x.id from job_item i join job_subject x on x.firm_id = i.firm_id and x.job_item_id = i.id
    where i.occurrence_id = ${occurrenceId} and x.status = 'open'`
  return rows.map((r) => r.id)
}
