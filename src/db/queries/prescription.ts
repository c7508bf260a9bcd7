import type { Working } from '@/core/working/working'
import type { FirmSql } from '../client'
import type { Length, Volume } from '@/core/quantity/units'

/** Doses and layout of an injection as signed. SI. */
export interface InjectionDose {
  choice: number
  portGirthM: Length
  diameterM: Length
  volumeM3: Volume
  perPortM3: Volume
  uptake: { from: number; to: number }
  ports: { bearing: number; suitability: number; moved: boolean }[]
  largestGapM: Length
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
  readingId: string
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
      i.id as "itemId", i.reading_id as "readingId", i.method, u.id as "labelId", l.name as "labelName", l.code as "labelCode", l.version as "labelVersion",
      i.dose, i.working, j.id as "jobId", ji.id as "jobItemId", j.on_date::text as "onDate"
    from prescription p
    join prescription_item i on i.prescription_id = p.id
    join card_use u on u.id = i.card_use_id
    join card l on l.id = u.card_id
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
    cardUseId: string
    readingId: string
    dose: InjectionDose
    working: Working
    expectations: unknown
  },
): Promise<void> {
  await sql`insert into prescription (id, firm_id, tree_id, decision_id, cause, signed_at, signed_by)
    values (${p.id}, ${p.firmId}, ${p.treeId}, ${p.decisionId}, ${p.cause}, ${p.at}, ${p.by})`
  await sql`insert into prescription_item (id, firm_id, prescription_id, method, card_use_id, reading_id, dose, working, expectations)
    values (${p.itemId}, ${p.firmId}, ${p.id}, 'trunk-injection', ${p.cardUseId}, ${p.readingId}, ${sql.json(p.dose as never)},
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
