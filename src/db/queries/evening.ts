import type { FirmSql } from '../client'
import type { CrewDay } from './loaded'

/** A tree in which ports are now, with whose it is and where. */
export interface StillInRow {
  /** Of the tree on its job. */
  id: string
  jobId: string
  tag: string
  siteId: string
  siteName: string
  latitude: number | null
  longitude: number | null
  crewId: string | null
  crew: string | null
  truck: string | null
  ports: number
  /** Of them, those that are not empty yet. */
  taking: number
  /** When the first was set, epoch ms. */
  since: number
  /** When the last is expected to be empty at the latest, epoch ms. */
  until: number
  /** What was decided when a day was put away with them in it. */
  words: string | null
}

/** As many trees as are shown at most; no crew leaves so many. */
const MOST = 400

/** Every tree of the firm in which something still is, the longest first. */
export async function stillIn(sql: FirmSql): Promise<StillInRow[]> {
  return sql<StillInRow[]>`
    with p as materialized (
      select firm_id, job_subject_id, count(*)::int as ports,
        (count(*) filter (where state->>'stoppedAt' is null))::int as taking,
        min((state->>'startedAt')::float8) as since, max((state->>'startedAt')::float8) as last
      from step_state where is_in group by firm_id, job_subject_id)
    select x.id, x.job_id as "jobId", t.tag, s.id as "siteId", s.name as "siteName", s.latitude, s.longitude,
      j.crew_id as "crewId", c.name as crew, c.truck, p.ports, p.taking, p.since,
      p.last + coalesce((y.plan->'shape'->'uptake'->>'to')::float8, 0) * 1000 as until,
      (select l.words from left_in l join day_ended d on d.firm_id = l.firm_id and d.id = l.day_ended_id
        where l.firm_id = x.firm_id and l.job_subject_id = x.id order by d.at desc, l.id desc limit 1) as words
    from p join job_subject x on x.firm_id = p.firm_id and x.id = p.job_subject_id
      join item_subject y on y.firm_id = x.firm_id and y.id = x.subject_id
      join job j on j.firm_id = x.firm_id and j.id = x.job_id
      join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
      join site s on s.firm_id = j.firm_id and s.id = j.site_id
      left join crew c on c.firm_id = j.firm_id and c.id = j.crew_id
    where x.status = 'open' order by p.since, x.id limit ${MOST}`
}

/** How a crew's jobs of a day stand in the evening. */
export interface DayJob {
  id: string
  siteName: string
  trees: number
  recorded: number
  /** Begun and not signed. */
  begun: number
}

export async function jobsOfDay(sql: FirmSql, of: CrewDay): Promise<DayJob[]> {
  return sql<DayJob[]>`
    select j.id, s.name as "siteName", j.trees, j.recorded,
      (select count(*)::int from job_subject x where x.firm_id = j.firm_id and x.job_id = j.id and x.status = 'open'
        and x.confirmed_at is not null) as begun
    from job j join site s on s.firm_id = j.firm_id and s.id = j.site_id
    where j.on_date = ${of.onDate} and j.crew_id is not distinct from ${of.crewId} and j.trees > 0
    order by j.place nulls last, j.id`
}

/** Who put a crew's day away, and when; null while nobody did. */
export async function dayEnded(sql: FirmSql, of: CrewDay): Promise<{ by: string; at: Date } | null> {
  const [row] = await sql<{ by: string; at: Date }[]>`
    select p.name as by, d.at from day_ended d join person p on p.firm_id = d.firm_id and p.id = d.by_person
    where d.on_date = ${of.onDate} and d.crew_id is not distinct from ${of.crewId} order by d.at desc, d.id desc limit 1`
  return row ?? null
}

/** Puts a crew's day away, with what was decided of each tree in which something still is; `by` is the id of whoever did. */
export async function endDay(
  sql: FirmSql,
  d: CrewDay & {
    id: string
    firmId: string
    by: string
    at: Date
    left: readonly { id: string; jobSubjectId: string; ports: number; words: string }[]
  },
): Promise<void> {
  await sql`insert into day_ended (id, firm_id, crew_id, on_date, by_person, at)
    values (${d.id}, ${d.firmId}, ${d.crewId}, ${d.onDate}, ${d.by}, ${d.at})`
  for (const l of d.left)
    await sql`insert into left_in (id, firm_id, day_ended_id, job_subject_id, ports, words)
      values (${l.id}, ${d.firmId}, ${d.id}, ${l.jobSubjectId}, ${l.ports}, ${l.words})`
}

/** Cards whose product was put on, or was to be, at a crew's jobs of a day, by code, with their name. */
export async function productsOfDay(sql: FirmSql, of: CrewDay): Promise<{ code: string; name: string }[]> {
  return sql`
    select c.code, max(c.name) as name
    from job j cross join lateral (
        select distinct x.item_id from job_subject i join item_subject x on x.firm_id = i.firm_id and x.id = i.subject_id
        where i.firm_id = j.firm_id and i.job_id = j.id and i.status <> 'withdrawn') y
      join lateral (select card_use_id from prescription_item where firm_id = j.firm_id and id = y.item_id offset 0) pi on true
      join card_use u on u.firm_id = j.firm_id and u.id = pi.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id and c.registration is not null
    where j.on_date = ${of.onDate} and j.crew_id is not distinct from ${of.crewId} and j.trees > 0
    group by c.code order by c.code limit 60`
}
