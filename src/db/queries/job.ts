import type { LabelCard } from '@/core/dose/labelCard'
import type { Working } from '@/core/working/working'
import type { FirmSql } from '../client'
import { labelBody } from './card'
import type { Length, Volume } from '@/core/quantity/units'
import type { InjectionDose, PrescriptionRow } from './prescription'

/** The injection job of a site on a day, opened if there is none yet. */
export async function jobOfDay(
  sql: FirmSql,
  j: { id: string; firmId: string; siteId: string; onDate: string; title: string },
): Promise<string> {
  await sql`insert into job (id, firm_id, site_id, on_date, title)
    values (${j.id}, ${j.firmId}, ${j.siteId}, ${j.onDate}, ${j.title}) on conflict (firm_id, site_id, on_date, title) do nothing`
  const found = await sql<{ id: string }[]>`
    select id from job where site_id = ${j.siteId} and on_date = ${j.onDate} and title = ${j.title}`
  return found[0]!.id
}

export async function addJobItem(
  sql: FirmSql,
  i: { id: string; firmId: string; jobId: string; itemId: string; treeId: string },
  ports: { id: string; number: number; bearing: number; volumeM3: Volume }[],
): Promise<void> {
  await sql`insert into job_item (id, firm_id, job_id, prescription_item_id, tree_id)
    values (${i.id}, ${i.firmId}, ${i.jobId}, ${i.itemId}, ${i.treeId})`
  await sql`insert into port ${sql(
    ports.map((p) => ({
      id: p.id,
      firm_id: i.firmId,
      job_item_id: i.id,
      number: p.number,
      planned_deg: p.bearing,
      bearing_deg: p.bearing,
      volume_m3: p.volumeM3,
    })) as never,
  )}`
  await sql`update job set trees = trees + 1, ports = ports + ${ports.length},
    volume_m3 = volume_m3 + ${ports.reduce((sum, p) => sum + p.volumeM3, 0)} where id = ${i.jobId}`
}

export interface JobRow {
  id: string
  siteId: string
  siteName: string
  onDate: string
  title: string
  trees: number
  recorded: number
  ports: number
  volumeM3: Volume
  inTrees: number
}

/**
 * Jobs between two dates, and any earlier ones with something still open, with their totals, a page at a time: pass the
 * last row's day and id to go on.
 */
export async function jobsBetween(
  sql: FirmSql,
  from: string,
  to: string,
  after: { onDate: string; id: string } | null = null,
  limit = 200,
): Promise<JobRow[]> {
  const rest = after ? sql`and (on_date, id) > (${after.onDate}, ${after.id})` : sql``
  return sql<JobRow[]>`
    select j.id, j.site_id as "siteId", s.name as "siteName", j.on_date::text as "onDate", j.title, j.trees, j.recorded,
      j.ports, j.volume_m3 as "volumeM3",
      (select count(*)::int from job_item i join port p on p.job_item_id = i.id
        where i.job_id = j.id and i.status = 'open' and p.started_at is not null and p.out_at is null) as "inTrees"
    from (
      (select * from job where on_date between ${from} and ${to} and trees > 0 ${rest} order by on_date, id limit ${limit})
      union all
      (select * from job where on_date < ${from} and recorded < trees ${rest} order by on_date, id limit ${limit})) j
    join site s on s.id = j.site_id
    order by j.on_date, j.id limit ${limit}`
}

/** The first few trees of each job as small rings. */
export async function ringsOfJobs(
  sql: FirmSql,
  jobIds: string[],
): Promise<{ jobId: string; tag: string; diameterM: Length; bearings: number[]; done: boolean }[]> {
  if (jobIds.length === 0) return []
  return sql`
    select j.id as "jobId", x.* from unnest(${jobIds}::uuid[]) j (id) cross join lateral (
      select t.tag, (pi.dose->>'diameterM')::double precision as "diameterM",
        (select array_agg((p->>'bearing')::int) from jsonb_array_elements(pi.dose->'ports') p) as bearings,
        i.status = 'recorded' as done
      from job_item i join tree t on t.id = i.tree_id join prescription_item pi on pi.id = i.prescription_item_id
      where i.job_id = j.id and i.status <> 'withdrawn' order by t.tag, i.id limit 5) x`
}

export async function jobById(sql: FirmSql, id: string) {
  const rows = await sql<
    { id: string; siteId: string; siteName: string; timeZone: string; onDate: string; title: string }[]
  >`
    select j.id, j.site_id as "siteId", s.name as "siteName", s.time_zone as "timeZone", j.on_date::text as "onDate", j.title
    from job j join site s on s.id = j.site_id where j.id = ${id}`
  return rows[0]
}

export interface JobItemRow {
  id: string
  jobId: string
  treeId: string
  /** The site's. */
  timeZone: string
  tag: string
  host: string
  treeNote: string | null
  status: 'open' | 'recorded' | 'withdrawn'
  confirmedAt: Date | null
  itemId: string
  readingId: string
  prescriptionId: string
  decisionId: string
  prescriptionStatus: PrescriptionRow['status']
  cause: string
  expectations: unknown
  dose: InjectionDose
  working: Working
  labelId: string
  labelName: string
  labelCode: string
  labelVersion: number
  registration: string
  label: LabelCard
  recordId: string | null
}

export async function itemsOfJob(sql: FirmSql, jobId: string): Promise<JobItemRow[]> {
  return sql<
    JobItemRow[]
  >`${itemSelect(sql)} where i.job_id = ${jobId} and i.status <> 'withdrawn' order by t.tag, i.id`
}

export async function jobItemById(sql: FirmSql, id: string): Promise<JobItemRow | undefined> {
  const rows = await sql<JobItemRow[]>`${itemSelect(sql)} where i.id = ${id}`
  return rows[0]
}

const itemSelect = (sql: FirmSql) => sql`
  select i.id, i.job_id as "jobId", i.tree_id as "treeId", s.time_zone as "timeZone", t.tag, t.host, t.note as "treeNote", i.status,
    i.confirmed_at as "confirmedAt", pi.id as "itemId", pi.reading_id as "readingId", pr.id as "prescriptionId",
    pr.decision_id as "decisionId", pr.status as "prescriptionStatus", pr.cause, pi.expectations, pi.dose, pi.working,
    u.id as "labelId", c.name as "labelName", c.code as "labelCode", c.version as "labelVersion", c.registration,
    ${labelBody(sql)} as label,
    (select r.id from record r where r.job_item_id = i.id and r.kind = 'application') as "recordId"
  from job_item i join tree t on t.id = i.tree_id join site s on s.firm_id = t.firm_id and s.id = t.site_id
  join prescription_item pi on pi.id = i.prescription_item_id
  join prescription pr on pr.id = pi.prescription_id
  join card_use u on u.id = pi.card_use_id join card c on c.id = u.card_id`

export async function confirmJobItem(sql: FirmSql, id: string, at: Date): Promise<void> {
  await sql`update job_item set confirmed_at = ${at} where id = ${id} and confirmed_at is null`
}

/** The tree of a job, held until the transaction ends: steps at its ports and its signing take turns. */
export async function jobItemForChange(sql: FirmSql, id: string): Promise<JobItemRow | undefined> {
  const rows = await sql`select 1 from job_item where id = ${id} for update`
  return rows[0] ? jobItemById(sql, id) : undefined
}

/** Closes a tree of a job with what came of its prescription. */
export async function closeJobItem(
  sql: FirmSql,
  item: Pick<JobItemRow, 'id' | 'jobId' | 'prescriptionId'>,
  came: 'done' | 'partly' | 'not treated',
): Promise<void> {
  await sql`update job_item set status = 'recorded' where id = ${item.id}`
  await sql`update job set recorded = recorded + 1 where id = ${item.jobId}`
  await sql`update prescription set status = ${came} where id = ${item.prescriptionId}`
}
