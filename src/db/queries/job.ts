import type { SiteHours } from '@/core/roster/siteHours'
import type { PromisedCheck } from '@/core/methods/facts'
import type { Method } from '@/core/card/card'
import type { Seen } from '@/core/gate/looks'
import { readKept, readUse } from '@/core/methods/kept'
import type { SubjectPlan, UseOf } from '@/core/methods/plan'
import type { Working } from '@/core/working/working'
import type { Length } from '@/core/quantity/units'
import type { Anew } from '@/core/plan/anew'
import type { AsAgreed } from '@/core/schools/house'
import type { FirmSql } from '../client'
import { productBody, useBody, type ProductRow } from './card'
import type { SubjectStatus } from './prescription'

/** The job of a crew at a site on a day, or of no crew yet, opened if there is none. */
export async function jobOfDay(
  sql: FirmSql,
  j: { id: string; firmId: string; siteId: string; onDate: string; crewId: string | null },
): Promise<string> {
  await sql`insert into job (id, firm_id, site_id, on_date, crew_id)
    values (${j.id}, ${j.firmId}, ${j.siteId}, ${j.onDate}, ${j.crewId}) on conflict (firm_id, site_id, on_date, crew_id) do nothing`
  const found = await sql<{ id: string }[]>`
    select id from job where site_id = ${j.siteId} and on_date = ${j.onDate} and crew_id is not distinct from ${j.crewId}
    for no key update`
  return found[0]!.id
}

/** Puts an occurrence of an item on a job, with the trees it is for. */
export async function addJobItem(
  sql: FirmSql,
  i: {
    id: string
    firmId: string
    jobId: string
    occurrenceId: string
    method: Method
    subjects: { id: string; subjectId: string; treeId: string }[]
  },
): Promise<void> {
  await sql`insert into job_item (id, firm_id, job_id, occurrence_id)
    values (${i.id}, ${i.firmId}, ${i.jobId}, ${i.occurrenceId})`
  await sql`insert into job_subject ${sql(
    i.subjects.map((s) => ({
      id: s.id,
      firm_id: i.firmId,
      job_item_id: i.id,
      job_id: i.jobId,
      subject_id: s.subjectId,
      tree_id: s.treeId,
    })) as never,
  )}`
  await sql`update job set trees = trees + ${i.subjects.length},
    methods = case when ${i.method} = any(methods) then methods else methods || ${i.method}::text end where id = ${i.jobId}`
}

export interface JobRow {
  id: string
  siteId: string
  siteName: string
  siteNote: string | null
  onDate: string
  /** Whose it is, by name; null while it is nobody's. */
  crew: string | null
  /** Whoever reads is in that crew. */
  own: boolean
  /** Which one of its crew's day. */
  place: number | null
  methods: Method[]
  trees: number
  recorded: number
  /** Ports with something in a tree at this moment. */
  inTrees: number
  /** Trees at which it must be worked out again: card, rule, kind or trunk changed since. */
  anew: number
}

/** What a list shows of job `j` at site `s`, but for whose it is. */
const jobColumns = (sql: FirmSql) => sql`
  j.id, j.site_id as "siteId", s.name as "siteName", s.note as "siteNote", j.on_date::text as "onDate", j.methods, j.trees, j.recorded, j.place,
    (select count(*)::int from job_subject i join step_state p on p.firm_id = i.firm_id and p.job_subject_id = i.id
      where i.job_id = j.id and i.status = 'open' and p.is_in) as "inTrees",
    (select count(*)::int from job_subject i join item_subject x on x.firm_id = i.firm_id and x.id = i.subject_id
      where i.job_id = j.id and i.status = 'open' and x.anew is not null) as anew`

/**
 * Jobs between two dates, and any earlier ones with something still open, with their totals, a page at a time: pass the
 * last row's day and id to go on.
 */
export async function jobsBetween(
  sql: FirmSql,
  from: string,
  to: string,
  {
    after = null,
    limit = 200,
    siteId = null,
    personId = null,
  }: {
    after?: { onDate: string; id: string } | null
    limit?: number
    siteId?: string | null
    /** Whose own jobs are marked. */
    personId?: string | null
  } = {},
): Promise<JobRow[]> {
  const rest = sql`${after ? sql`and (on_date, id) > (${after.onDate}, ${after.id})` : sql``} ${siteId ? sql`and site_id = ${siteId}` : sql``}`
  return sql<JobRow[]>`
    select ${jobColumns(sql)}, c.name as crew, coalesce(${personId}::uuid = any(c.people), false) as own
    from (
      (select * from job where on_date between ${from} and ${to} and trees > 0 ${rest} order by on_date, id limit ${limit})
      union all
      (select * from job where on_date < ${from} and recorded < trees ${rest} order by on_date, id limit ${limit})) j
    join site s on s.id = j.site_id left join crew c on c.firm_id = j.firm_id and c.id = j.crew_id
    order by j.on_date, j.id limit ${limit}`
}

/** The jobs of a day and what is left open of earlier ones: one's own first, in the order of the day, the first few, with how much there is in all. */
export async function jobsToday(
  sql: FirmSql,
  today: string,
  personId: string,
  limit: number,
): Promise<{ jobs: JobRow[]; inAll: number; open: number; openTrees: number }> {
  const rows = await sql<(JobRow & { inAll: number; open: number; openTrees: number })[]>`
    select ${jobColumns(sql)}, j.crew, j.own, j.all::int as "inAll", j.open::int, j.open_trees::int as "openTrees"
    from (
      select j.*, c.name as crew, coalesce(${personId}::uuid = any(c.people), false) as own, count(*) over () as all,
        count(*) filter (where j.recorded < j.trees) over () as open, sum(j.trees - j.recorded) over () as open_trees
      from (
        select * from job where on_date = ${today} and trees > 0
        union all
        select * from job where on_date < ${today} and recorded < trees) j
      left join crew c on c.firm_id = j.firm_id and c.id = j.crew_id
      order by own desc, j.place nulls last, j.on_date, j.id limit ${limit}) j
    join site s on s.id = j.site_id
    order by j.own desc, j.place nulls last, j.on_date, j.id`
  const [first] = rows
  return {
    jobs: rows.map(({ inAll: _, open: __, openTrees: ___, ...job }) => job),
    inAll: first?.inAll ?? 0,
    open: first?.open ?? 0,
    openTrees: first?.openTrees ?? 0,
  }
}

/** The first few trees of each job as small rings; ports where there are some. */
export async function ringsOfJobs(
  sql: FirmSql,
  jobIds: string[],
): Promise<{ jobId: string; tag: string; diameterM: Length; bearings: number[] | null; done: boolean }[]> {
  if (jobIds.length === 0) return []
  return sql`
    select j.id as "jobId", x.* from unnest(${jobIds}::uuid[]) j (id) cross join lateral (
      select t.tag, (s.plan->>'diameter')::double precision as "diameterM",
        (select array_agg((p->>'bearing')::int) from jsonb_array_elements(s.plan->'shape'->'ports') p) as bearings,
        i.status = 'recorded' as done
      from job_subject i join tree t on t.id = i.tree_id join item_subject s on s.id = i.subject_id
      where i.job_id = j.id and i.status <> 'withdrawn' order by t.tag, i.id limit 5) x`
}

export async function jobById(sql: FirmSql, id: string) {
  const rows = await sql<
    {
      id: string
      siteId: string
      siteName: string
      siteNote: string | null
      timeZone: string
      onDate: string
      crewId: string | null
      crew: string | null
      methods: Method[]
      /** When work may be done there; null for any time. */
      siteHours: SiteHours[] | null
      address: string
      access: string | null
      water: string | null
      contactOnDay: string | null
      gateCode: string | null
      /** Who goes out with the crew; empty without one. */
      people: string[]
    }[]
  >`
    select j.id, j.site_id as "siteId", s.name as "siteName", s.note as "siteNote", s.time_zone as "timeZone", j.on_date::text as "onDate",
      j.methods, j.crew_id as "crewId", c.name as crew, s.hours as "siteHours", s.place as address,
      s.access, s.water, s.contact_on_day as "contactOnDay", s.gate_code as "gateCode", coalesce(c.people::text[], '{}') as people
    from job j join site s on s.id = j.site_id left join crew c on c.firm_id = j.firm_id and c.id = j.crew_id where j.id = ${id}`
  return rows[0]
}

/** A tree of a job by one item, with everything its steps and its record rest on. */
export interface JobSubjectRow {
  id: string
  jobId: string
  jobItemId: string
  siteId: string
  treeId: string
  /** The site's. */
  timeZone: string
  tag: string
  /** The bank, row or terrace it is worked with. */
  block: string | null
  host: string
  /** Where it stands on its site, metres. */
  eastM: Length
  northM: Length
  treeNote: string | null
  status: 'open' | 'recorded' | 'withdrawn'
  confirmedAt: Date | null
  /** Since when its ground is closed by what went on; null before. */
  closedFrom: Date | null
  /** Why its dose must be worked out again; null while it stands. */
  anew: Anew | null
  subjectId: string
  subjectStatus: SubjectStatus
  occurrenceId: string
  readingId: string
  prescriptionId: string
  decisionId: string
  cause: string
  /** The day on which picking begins, where the card keeps days before it. */
  harvestOn: string | null
  agreed: AsAgreed
  checks: PromisedCheck[]
  plan: SubjectPlan
  working: Working
  method: Method
  /** What must be found before it is done, when it was found and what that was. */
  onlyIf: string | null
  releasedAt: Date | null
  found: string | null
  /** What whoever began it saw at the tree. */
  seen: Seen
  /** Shared by what comes out of one tank at this tree. */
  tank: string | null
  useId: string
  product: ProductRow
  use: UseOf<Method>
  recordId: string | null
}

/** The same without what is only looked at when it is signed; its product and its use stand once, by `useId`. */
export type CrewSubjectRow = Omit<JobSubjectRow, 'working' | 'checks' | 'product' | 'use'>

const crewColumns = (sql: FirmSql) => sql`
  i.id, i.job_id as "jobId", i.job_item_id as "jobItemId", t.site_id as "siteId", i.tree_id as "treeId", s.time_zone as "timeZone",
    t.tag, t.block, t.host, t.east_m as "eastM", t.north_m as "northM", t.note as "treeNote", i.status, i.confirmed_at as "confirmedAt", i.closed_from as "closedFrom", x.anew, x.id as "subjectId", x.status as "subjectStatus",
    ji.occurrence_id as "occurrenceId", x.reading_id as "readingId", pr.id as "prescriptionId", x.decision_id as "decisionId", pr.cause, pr.harvest_on::text as "harvestOn", pr.agreed,
    x.plan, pi.method, pi.tank, pi.only_if as "onlyIf", i.released_at as "releasedAt", i.found, i.seen, pi.card_use_id as "useId",
    (select r.id from application_subject a cross join lateral (
        select id from record where firm_id = a.firm_id and application_id = a.application_id and kind = 'application' offset 0) r
      where a.firm_id = i.firm_id and a.job_subject_id = i.id) as "recordId"`

/** From its narrow end: each table is looked up by the one before. Where statistics are old, a plain join begins with all sites or prescriptions of the firm, each with every subject. */
const subjectTables = (sql: FirmSql) => sql`
  job_subject i join lateral (select * from tree where firm_id = i.firm_id and id = i.tree_id offset 0) t on true
  join lateral (select time_zone from site where firm_id = t.firm_id and id = t.site_id offset 0) s on true
  join lateral (select occurrence_id from job_item where firm_id = i.firm_id and id = i.job_item_id offset 0) ji on true
  join lateral (select * from item_subject where firm_id = i.firm_id and id = i.subject_id offset 0) x on true
  join lateral (select * from prescription_item where firm_id = x.firm_id and id = x.item_id offset 0) pi on true
  join lateral (select * from prescription where firm_id = pi.firm_id and id = pi.prescription_id offset 0) pr on true`

const subjectSelect = (sql: FirmSql) => sql`
  select ${crewColumns(sql)}, x.checks, x.working, ${productBody(sql)} as product, ${useBody(sql)} as use
  from ${subjectTables(sql)}
  join card_use u on u.firm_id = pi.firm_id and u.id = pi.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id`

const ofJobs = (sql: FirmSql, jobIds: readonly string[]) =>
  sql`where i.job_id = any(${[...jobIds]}) and i.status <> 'withdrawn' order by i.job_item_id, t.tag, i.id`

const withKept = (r: JobSubjectRow): JobSubjectRow => ({
  ...r,
  plan: readKept('plan', r.plan),
  use: readUse(r.useId, r.use),
})

/** The trees of a job that are not taken back, by what is done and by tag. */
export async function subjectsOfJob(sql: FirmSql, jobId: string): Promise<JobSubjectRow[]> {
  return (await sql<JobSubjectRow[]>`${subjectSelect(sql)} ${ofJobs(sql, [jobId])}`).map(withKept)
}

/** The same of several jobs, as the crew has them in the hand. */
export async function crewSubjects(sql: FirmSql, jobIds: readonly string[]): Promise<CrewSubjectRow[]> {
  if (jobIds.length === 0) return []
  const rows = await sql<
    CrewSubjectRow[]
  >`select ${crewColumns(sql)} from ${subjectTables(sql)} ${ofJobs(sql, jobIds)}`
  return rows.map((r) => ({ ...r, plan: readKept('plan', r.plan) }))
}

/** What else comes out of the tank of a tree's item on the same job, by name and registration. */
export async function tankMates(
  sql: FirmSql,
  s: Pick<JobSubjectRow, 'jobId' | 'treeId' | 'tank' | 'useId'>,
): Promise<string[]> {
  const rows = await sql<{ said: string }[]>`
    select distinct c.name || coalesce(', ' || c.registration, '') as said
    from job_subject i join item_subject x on x.firm_id = i.firm_id and x.id = i.subject_id
      join prescription_item pi on pi.firm_id = x.firm_id and pi.id = x.item_id
      join card_use u on u.firm_id = pi.firm_id and u.id = pi.card_use_id join card c on c.firm_id = u.firm_id and c.id = u.card_id
    where i.job_id = ${s.jobId} and i.tree_id = ${s.treeId} and i.status <> 'withdrawn' and pi.tank = ${s.tank} and u.id <> ${s.useId}
    order by said`
  return rows.map((r) => r.said)
}

/** Trees of a job, by their ids there. */
export async function jobSubjects(sql: FirmSql, ids: string[]): Promise<JobSubjectRow[]> {
  return (
    await sql<JobSubjectRow[]>`${subjectSelect(sql)} where i.id = any(${ids}) order by t.tag, i.id`
  ).map(withKept)
}

/**
 * Trees of a job, held until the transaction ends: steps at them and their signing take turns. Held in the order of their
 * ids, so that two hands never wait for each other in a ring.
 */
export async function jobSubjectsForChange(sql: FirmSql, ids: string[]): Promise<JobSubjectRow[]> {
  await sql`select 1 from job_subject where id = any(${ids}) order by id for update`
  return jobSubjects(sql, ids)
}

/** One tree of a job, held until the transaction ends. */
export async function jobSubjectForChange(sql: FirmSql, id: string): Promise<JobSubjectRow | undefined> {
  return (await jobSubjectsForChange(sql, [id]))[0]
}

export async function confirmSubjects(sql: FirmSql, ids: string[], at: Date, seen: Seen): Promise<void> {
  await sql`update job_subject set confirmed_at = ${at}, seen = ${sql.json(seen)}
    where id = any(${ids}) and confirmed_at is null`
}

/** Releases what is only done when something is found, with what that was. */
export async function releaseSubjects(sql: FirmSql, ids: string[], at: Date, found: string): Promise<void> {
  await sql`update job_subject set released_at = ${at}, found = ${found} where id = any(${ids}) and released_at is null`
}

/** Closes the ground of a tree from a moment on, or opens it again. */
export async function closeGround(sql: FirmSql, id: string, from: Date | null): Promise<void> {
  await sql`update job_subject set closed_from = ${from} where id = ${id}`
}

/** Closes a tree of a job with what came of its prescription; with the last of its item the occurrence is done. */
export async function closeJobSubject(
  sql: FirmSql,
  s: Pick<JobSubjectRow, 'id' | 'jobId' | 'subjectId' | 'occurrenceId'>,
  came: 'done' | 'partly' | 'not treated',
): Promise<void> {
  await sql`update job_subject set status = 'recorded' where id = ${s.id}`
  await sql`update job set recorded = recorded + 1 where id = ${s.jobId}`
  await sql`update item_subject set status = ${came} where id = ${s.subjectId}`
  await sql`update occurrence set status = 'done' where id = ${s.occurrenceId}
    and not exists (select 1 from job_item o join job_subject i on i.firm_id = o.firm_id and i.job_item_id = o.id
      where o.occurrence_id = ${s.occurrenceId} and i.status = 'open')`
}

/** Takes a tree that was taken back up into its job again: something was done at it all the same. */
export async function reopenSubject(sql: FirmSql, s: Pick<JobSubjectRow, 'id' | 'jobId'>): Promise<void> {
  const back =
    await sql`update job_subject set status = 'open' where id = ${s.id} and status = 'withdrawn' returning 1`
  if (back.length > 0) await sql`update job set trees = trees + 1 where id = ${s.jobId}`
}

/** Moves trees of a job to another job of the site, each under its own item there. */
export async function moveSubjects(
  sql: FirmSql,
  m: {
    firmId: string
    subjects: readonly Pick<JobSubjectRow, 'id' | 'jobItemId' | 'occurrenceId' | 'method'>[]
    from: string
    to: string
    newId: () => string
  },
): Promise<void> {
  for (const itemId of new Set(m.subjects.map((s) => s.jobItemId))) {
    const own = m.subjects.filter((s) => s.jobItemId === itemId)
    await sql`insert into job_item (id, firm_id, job_id, occurrence_id)
      values (${m.newId()}, ${m.firmId}, ${m.to}, ${own[0]!.occurrenceId}) on conflict (firm_id, job_id, occurrence_id) do nothing`
    // What was confirmed on one day is confirmed anew on another.
    await sql`update job_subject set job_id = ${m.to}, confirmed_at = null, seen = default, job_item_id = (
        select id from job_item where job_id = ${m.to} and occurrence_id = ${own[0]!.occurrenceId})
      where id = any(${own.map((s) => s.id)})`
  }
  const methods = [...new Set(m.subjects.map((s) => s.method))]
  await sql`update job set trees = trees - ${m.subjects.length}, methods = array(
      select x from unnest(methods) with ordinality u (x, n) where exists (
        select 1 from job_subject i join item_subject s on s.firm_id = i.firm_id and s.id = i.subject_id
          join prescription_item p on p.firm_id = s.firm_id and p.id = s.item_id
        where i.job_id = ${m.from} and i.status <> 'withdrawn' and p.method = x) order by n)
    where id = ${m.from}`
  await sql`update job set trees = trees + ${m.subjects.length},
    methods = methods || array(select x from unnest(${methods}::text[]) x where x <> all(methods)) where id = ${m.to}`
}
