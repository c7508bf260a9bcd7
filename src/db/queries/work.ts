import type { PortEvent } from '@/core/ports/running'
import type { LabelCard } from '@/core/dose/labelCard'
import type { Working } from '@/core/working/working'
import type { FirmSql } from '../client'

export interface LabelRow {
  id: string
  code: string
  version: number
  name: string
  registration: string
  body: LabelCard
}

/** The newest version of every label card of the firm. */
export async function labelCards(sql: FirmSql): Promise<LabelRow[]> {
  return sql<LabelRow[]>`
    select distinct on (code) id, code, version, name, registration, body from label_card order by code, version desc`
}

export async function labelById(sql: FirmSql, id: string): Promise<LabelRow | undefined> {
  const rows = await sql<
    LabelRow[]
  >`select id, code, version, name, registration, body from label_card where id = ${id}`
  return rows[0]
}

export async function lotsOf(
  sql: FirmSql,
  code: string,
): Promise<{ id: string; number: string; expiresOn: string | null }[]> {
  return lotsOfCodes(sql, [code])
}

/** Lots on the shelf for several cards at once, by card. */
export async function lotsOfCodes(
  sql: FirmSql,
  codes: string[],
): Promise<{ id: string; code: string; number: string; expiresOn: string | null }[]> {
  return sql<{ id: string; code: string; number: string; expiresOn: string | null }[]>`
    select id, label_code as code, number, expires_on::text as "expiresOn" from lot
    where label_code = any(${codes}) order by label_code, expires_on, number`
}

/** Doses and layout of an injection as signed. SI. */
export interface InjectionDose {
  choice: number
  portGirthM: number
  diameterM: number
  volumeM3: number
  perPortM3: number
  uptake: { from: number; to: number }
  ports: { bearing: number; suitability: number; moved: boolean }[]
  largestGapM: number
}

export interface PrescriptionRow {
  id: string
  treeId: string
  decisionId: string
  cause: string
  status: 'handed' | 'done' | 'partly' | 'not treated' | 'withdrawn'
  signedAt: Date
  signedBy: string
  itemId: string
  method: string
  labelId: string
  labelName: string
  labelCode: string
  labelVersion: number
  dose: InjectionDose
  working: Working
  jobId: string | null
  jobItemId: string | null
  onDate: string | null
}

export async function prescriptionsOfTree(sql: FirmSql, treeId: string): Promise<PrescriptionRow[]> {
  return sql<PrescriptionRow[]>`
    select p.id, p.tree_id as "treeId", p.decision_id as "decisionId", p.cause, p.status, p.signed_at as "signedAt", w.name as "signedBy",
      i.id as "itemId", i.method, l.id as "labelId", l.name as "labelName", l.code as "labelCode", l.version as "labelVersion",
      i.dose, i.working, j.id as "jobId", ji.id as "jobItemId", j.on_date::text as "onDate"
    from prescription p
    join prescription_item i on i.prescription_id = p.id
    join label_card l on l.id = i.label_card_id
    join person w on w.id = p.signed_by
    left join job_item ji on ji.prescription_item_id = i.id
    left join job j on j.id = ji.job_id
    where p.tree_id = ${treeId} order by p.signed_at desc, p.id desc limit 20`
}

export async function addPrescription(
  sql: FirmSql,
  p: {
    id: string
    firmId: string
    treeId: string
    decisionId: string
    cause: string
    at: Date
    by: string
    itemId: string
    labelCardId: string
    readingId: string
    dose: InjectionDose
    working: Working
    expectations: unknown
  },
): Promise<void> {
  await sql`insert into prescription (id, firm_id, tree_id, decision_id, cause, signed_at, signed_by)
    values (${p.id}, ${p.firmId}, ${p.treeId}, ${p.decisionId}, ${p.cause}, ${p.at}, ${p.by})`
  await sql`insert into prescription_item (id, firm_id, prescription_id, method, label_card_id, reading_id, dose, working, expectations)
    values (${p.itemId}, ${p.firmId}, ${p.id}, 'trunk-injection', ${p.labelCardId}, ${p.readingId}, ${sql.json(p.dose as never)},
      ${sql.json(p.working as never)}, ${sql.json(p.expectations as never)})`
}

/** The prescription that stands on a decision, with its day and job. */
export async function prescriptionOn(sql: FirmSql, decisionId: string) {
  const rows = await sql<{ id: string; onDate: string | null; jobId: string | null; signedBy: string }[]>`
    select p.id, j.on_date::text as "onDate", j.id as "jobId", w.name as "signedBy"
    from prescription p join person w on w.id = p.signed_by
      join prescription_item i on i.prescription_id = p.id
      left join job_item ji on ji.prescription_item_id = i.id
      left join job j on j.id = ji.job_id
    where p.decision_id = ${decisionId} and p.status <> 'withdrawn'`
  return rows[0]
}

/** Takes a prescription back before anything of it was done. */
export async function withdrawPrescription(sql: FirmSql, id: string, words: string): Promise<void> {
  await sql`update prescription set status = 'withdrawn', withdrawn_words = ${words} where id = ${id}`
  const rows = await sql<{ id: string; jobId: string }[]>`
    update job_item set status = 'withdrawn' where status = 'open' and prescription_item_id in (
      select pi.id from prescription_item pi where pi.prescription_id = ${id}) returning id, job_id as "jobId"`
  for (const item of rows)
    await sql`update job j set trees = j.trees - 1, ports = j.ports - x.ports, volume_m3 = greatest(0, j.volume_m3 - x.volume)
      from (select count(*)::int as ports, coalesce(sum(volume_m3), 0) as volume from port where job_item_id = ${item.id}) x
      where j.id = ${item.jobId}`
}

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
  ports: { id: string; number: number; bearing: number; volumeM3: number }[],
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
  volumeM3: number
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
): Promise<{ jobId: string; tag: string; diameterM: number; bearings: number[]; done: boolean }[]> {
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
  const rows = await sql<{ id: string; siteId: string; siteName: string; onDate: string; title: string }[]>`
    select j.id, j.site_id as "siteId", s.name as "siteName", j.on_date::text as "onDate", j.title
    from job j join site s on s.id = j.site_id where j.id = ${id}`
  return rows[0]
}

export interface JobItemRow {
  id: string
  jobId: string
  treeId: string
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
  select i.id, i.job_id as "jobId", i.tree_id as "treeId", t.tag, t.host, t.note as "treeNote", i.status,
    i.confirmed_at as "confirmedAt", pi.id as "itemId", pi.reading_id as "readingId", pr.id as "prescriptionId",
    pr.decision_id as "decisionId", pr.status as "prescriptionStatus", pr.cause, pi.expectations, pi.dose, pi.working,
    l.id as "labelId", l.name as "labelName", l.code as "labelCode", l.version as "labelVersion", l.registration, l.body as label,
    (select r.id from record r where r.job_item_id = i.id and r.kind = 'application') as "recordId"
  from job_item i join tree t on t.id = i.tree_id
  join prescription_item pi on pi.id = i.prescription_item_id
  join prescription pr on pr.id = pi.prescription_id
  join label_card l on l.id = pi.label_card_id`

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

/** The newest version of a label card of this code. */
export async function newestVersion(sql: FirmSql, code: string): Promise<number> {
  const rows = await sql<{ version: number }[]>`
    select version from label_card where code = ${code} order by version desc limit 1`
  return rows[0]?.version ?? 0
}

export interface PortRow {
  id: string
  jobItemId: string
  number: number
  plannedDeg: number
  bearingDeg: number
  volumeM3: number
  drilledAt: Date | null
  startedAt: Date | null
  stoppedAt: Date | null
  outAt: Date | null
  leftM3: number
  givenUp: string | null
}

export async function portsOfItems(sql: FirmSql, itemIds: string[]): Promise<PortRow[]> {
  if (itemIds.length === 0) return []
  return sql<PortRow[]>`
    select id, job_item_id as "jobItemId", number, planned_deg as "plannedDeg", bearing_deg as "bearingDeg",
      volume_m3 as "volumeM3", drilled_at as "drilledAt", started_at as "startedAt", stopped_at as "stoppedAt",
      out_at as "outAt", left_m3 as "leftM3", given_up as "givenUp"
    from port where job_item_id in ${sql(itemIds)} order by job_item_id, number`
}

/** Which tree of a job a port belongs to. */
export async function itemOfPort(sql: FirmSql, portId: string): Promise<string | undefined> {
  const rows = await sql<{ id: string }[]>`select job_item_id as id from port where id = ${portId}`
  return rows[0]?.id
}

/** Everything that was done at the ports of a tree, as it was sent. */
export async function portEventsOf(
  sql: FirmSql,
  jobItemId: string,
): Promise<{ id: string; portId: string; kind: PortEvent['kind']; at: Date; detail: PortEventDetail }[]> {
  return sql`select e.id, e.port_id as "portId", e.kind, e.at, e.detail
    from port p join port_event e on e.firm_id = p.firm_id and e.port_id = p.id
    where p.job_item_id = ${jobItemId} order by e.at, e.id`
}

/** What a step at a port carries beside its kind. SI. */
export interface PortEventDetail {
  reason?: string | null
  leftM3?: number | null
  bearing?: number | null
}

export async function notePortEvent(
  sql: FirmSql,
  e: {
    id: string
    firmId: string
    portId: string
    kind: string
    at: Date
    by: string
    detail: PortEventDetail
  },
): Promise<void> {
  await sql`insert into port_event (id, firm_id, port_id, kind, at, by_person, detail)
    values (${e.id}, ${e.firmId}, ${e.portId}, ${e.kind}, ${e.at}, ${e.by}, ${sql.json(e.detail as never)})`
}

export async function savePort(sql: FirmSql, p: PortRow): Promise<void> {
  await sql`update port set bearing_deg = ${p.bearingDeg}, drilled_at = ${p.drilledAt}, started_at = ${p.startedAt},
    stopped_at = ${p.stoppedAt}, out_at = ${p.outAt}, left_m3 = ${p.leftM3}, given_up = ${p.givenUp} where id = ${p.id}`
}
