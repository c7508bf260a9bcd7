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
  return sql<{ id: string; number: string; expiresOn: string | null }[]>`
    select id, number, expires_on::text as "expiresOn" from lot where label_code = ${code} order by expires_on, number`
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
  cause: string
  status: 'handed' | 'done' | 'withdrawn'
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
  onDate: string | null
}

export async function prescriptionsOfTree(sql: FirmSql, treeId: string): Promise<PrescriptionRow[]> {
  return sql<PrescriptionRow[]>`
    select p.id, p.tree_id as "treeId", p.cause, p.status, p.signed_at as "signedAt", w.name as "signedBy",
      i.id as "itemId", i.method, l.id as "labelId", l.name as "labelName", l.code as "labelCode", l.version as "labelVersion",
      i.dose, i.working, j.id as "jobId", j.on_date::text as "onDate"
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
): Promise<'added' | 'repeated'> {
  const rows =
    await sql`insert into prescription (id, firm_id, tree_id, decision_id, cause, signed_at, signed_by)
    values (${p.id}, ${p.firmId}, ${p.treeId}, ${p.decisionId}, ${p.cause}, ${p.at}, ${p.by}) on conflict (id) do nothing returning id`
  if (rows.length === 0) return 'repeated'
  await sql`insert into prescription_item (id, firm_id, prescription_id, method, label_card_id, reading_id, dose, working, expectations)
    values (${p.itemId}, ${p.firmId}, ${p.id}, 'trunk-injection', ${p.labelCardId}, ${p.readingId}, ${sql.json(p.dose as never)},
      ${sql.json(p.working as never)}, ${sql.json(p.expectations as never)})`
  return 'added'
}

/** The injection job of a site on a day, opened if there is none yet. */
export async function jobOfDay(
  sql: FirmSql,
  j: { id: string; firmId: string; siteId: string; onDate: string; title: string },
): Promise<string> {
  const found = await sql<{ id: string }[]>`
    select id from job where site_id = ${j.siteId} and on_date = ${j.onDate} and title = ${j.title} order by id limit 1`
  if (found[0]) return found[0].id
  await sql`insert into job (id, firm_id, site_id, on_date, title) values (${j.id}, ${j.firmId}, ${j.siteId}, ${j.onDate}, ${j.title})`
  return j.id
}

export async function addJobItem(
  sql: FirmSql,
  i: { id: string; firmId: string; jobId: string; itemId: string; treeId: string },
  ports: { id: string; number: number; bearing: number; volumeM3: number }[],
): Promise<void> {
  await sql`insert into job_item (id, firm_id, job_id, prescription_item_id, tree_id)
    values (${i.id}, ${i.firmId}, ${i.jobId}, ${i.itemId}, ${i.treeId})`
  for (const p of ports)
    await sql`insert into port (id, firm_id, job_item_id, number, planned_deg, bearing_deg, volume_m3)
      values (${p.id}, ${i.firmId}, ${i.id}, ${p.number}, ${p.bearing}, ${p.bearing}, ${p.volumeM3})`
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

/** Jobs between two dates, and any earlier ones with something still open, with their totals. */
export async function jobsBetween(sql: FirmSql, from: string, to: string): Promise<JobRow[]> {
  return sql<JobRow[]>`
    select j.id, j.site_id as "siteId", s.name as "siteName", j.on_date::text as "onDate", j.title,
      count(distinct i.id)::int as trees, count(distinct i.id) filter (where i.status = 'recorded')::int as recorded,
      count(p.id)::int as ports, coalesce(sum(p.volume_m3), 0)::double precision as "volumeM3",
      count(p.id) filter (where p.started_at is not null and p.out_at is null)::int as "inTrees"
    from job j join site s on s.id = j.site_id
    join job_item i on i.job_id = j.id left join port p on p.job_item_id = i.id
    where (j.on_date between ${from} and ${to})
      or (j.on_date < ${from} and exists (select 1 from job_item o where o.job_id = j.id and o.status = 'open'))
    group by j.id, s.name order by j.on_date, j.id limit 200`
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
  status: 'open' | 'recorded'
  confirmedAt: Date | null
  itemId: string
  prescriptionId: string
  cause: string
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
  return sql<JobItemRow[]>`${itemSelect(sql)} where i.job_id = ${jobId} order by t.tag, i.id`
}

export async function jobItemById(sql: FirmSql, id: string): Promise<JobItemRow | undefined> {
  const rows = await sql<JobItemRow[]>`${itemSelect(sql)} where i.id = ${id}`
  return rows[0]
}

const itemSelect = (sql: FirmSql) => sql`
  select i.id, i.job_id as "jobId", i.tree_id as "treeId", t.tag, t.host, t.note as "treeNote", i.status,
    i.confirmed_at as "confirmedAt", pi.id as "itemId", pr.id as "prescriptionId", pr.cause, pi.dose, pi.working,
    l.id as "labelId", l.name as "labelName", l.code as "labelCode", l.version as "labelVersion", l.registration, l.body as label,
    (select r.id from record r where r.job_item_id = i.id and r.kind = 'application') as "recordId"
  from job_item i join tree t on t.id = i.tree_id
  join prescription_item pi on pi.id = i.prescription_item_id
  join prescription pr on pr.id = pi.prescription_id
  join label_card l on l.id = pi.label_card_id`

export async function confirmJobItem(sql: FirmSql, id: string, at: Date): Promise<void> {
  await sql`update job_item set confirmed_at = ${at} where id = ${id} and confirmed_at is null`
}

export async function closeJobItem(sql: FirmSql, id: string): Promise<void> {
  await sql`update job_item set status = 'recorded' where id = ${id}`
  await sql`update prescription set status = 'done' where id = (
    select pi.prescription_id from job_item i join prescription_item pi on pi.id = i.prescription_item_id where i.id = ${id})`
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

/** The port, locked until the transaction ends, so that two hands on it take turns. */
export async function portForChange(sql: FirmSql, id: string): Promise<PortRow | undefined> {
  const rows = await sql<
    { jobItemId: string }[]
  >`select job_item_id as "jobItemId" from port where id = ${id} for update`
  if (!rows[0]) return undefined
  return (await portsOfItems(sql, [rows[0].jobItemId])).find((p) => p.id === id)
}

/** Notes an event; answers false when this very event was noted before. */
export async function notePortEvent(
  sql: FirmSql,
  e: { id: string; firmId: string; portId: string; kind: string; at: Date; by: string; detail: unknown },
): Promise<boolean> {
  const rows = await sql`insert into port_event (id, firm_id, port_id, kind, at, by_person, detail)
    values (${e.id}, ${e.firmId}, ${e.portId}, ${e.kind}, ${e.at}, ${e.by}, ${sql.json(e.detail as never)})
    on conflict (id) do nothing returning id`
  return rows.length > 0
}

export async function savePort(sql: FirmSql, p: PortRow): Promise<void> {
  await sql`update port set bearing_deg = ${p.bearingDeg}, drilled_at = ${p.drilledAt}, started_at = ${p.startedAt},
    stopped_at = ${p.stoppedAt}, out_at = ${p.outAt}, left_m3 = ${p.leftM3}, given_up = ${p.givenUp} where id = ${p.id}`
}
