import type { PromisedCheck } from '@/core/methods/facts'
import type { Method } from '@/core/card/card'
import { readKept, readUse, writeKept } from '@/core/methods/kept'
import type { SubjectPlan, UseOf } from '@/core/methods/plan'
import type { Anew } from '@/core/plan/anew'
import type { Working } from '@/core/working/working'
import { TREAT_AGAIN } from '@/core/respond/compare'
import type { AsAgreed } from '@/core/schools/house'
import type { FirmSql } from '../client'
import { applied } from './applied'
import { useBody, usesByIds, type ProductRow } from './card'
import { stands, waits } from './occurrence'

/** `client`: it is the client's own to do. */
export type SubjectStatus = 'handed' | 'client' | 'done' | 'partly' | 'not treated' | 'withdrawn'

/** One tree of one item of a prescription, with its day. */
export interface PrescriptionRow {
  /** The prescription's. */
  id: string
  treeId: string
  decisionId: string
  cause: string
  status: SubjectStatus
  /** Why its dose must be worked out again; null while it stands. */
  anew: Anew | null
  signedAt: Date
  signedBy: string
  itemId: string
  /** How often it is done in all. */
  times: number
  subjectId: string
  readingId: string
  method: Method
  useId: string
  use: UseOf<Method>
  cardName: string
  cardCode: string
  cardVersion: number
  agreed: AsAgreed
  plan: SubjectPlan
  jobId: string | null
  jobSubjectId: string | null
  onDate: string | null
  /** It is done, and a check said that the tree is treated again. */
  again: boolean
}

/** A prescription `p` is done at a tree `x`, and a check of it said that it is treated again. */
const treatedAgain = (sql: FirmSql) => sql`(x.status = 'done' and exists (
  select 1 from follow_up u join measurement m on m.firm_id = u.firm_id and m.follow_up_id = u.id
  where u.firm_id = p.firm_id and u.prescription_id = p.id and u.tree_id = x.tree_id and m.next_step = ${TREAT_AGAIN}))`

/** What was prescribed for a tree, the newest first. */
export async function prescriptionsOfTree(sql: FirmSql, treeId: string): Promise<PrescriptionRow[]> {
  const rows = await sql<PrescriptionRow[]>`
    select p.id, x.tree_id as "treeId", x.decision_id as "decisionId", p.cause, x.status, x.anew, p.signed_at as "signedAt", w.name as "signedBy",
      i.id as "itemId", i.times, x.id as "subjectId", x.reading_id as "readingId", i.method, u.id as "useId", ${useBody(sql)} as use, l.name as "cardName", l.code as "cardCode",
      l.version as "cardVersion", p.agreed, x.plan, j.id as "jobId", js.id as "jobSubjectId", j.on_date::text as "onDate", ${treatedAgain(sql)} as again
    from item_subject x
    join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
    join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
    join card_use u on u.id = i.card_use_id
    join card l on l.id = u.card_id
    join person w on w.id = p.signed_by
    left join job_subject js on js.firm_id = x.firm_id and js.subject_id = x.id
    left join job j on j.firm_id = js.firm_id and j.id = js.job_id
    where x.tree_id = ${treeId} order by p.signed_at desc, p.id desc, i.n, j.on_date desc nulls last limit 20`
  return rows.map((r) => ({ ...r, plan: readKept('plan', r.plan), use: readUse(r.useId, r.use) }))
}

/** What of earlier and planned work on trees bears on new work: by tree. */
export interface EarlierRow {
  treeId: string
  /** Null for what is promised, on no day yet. */
  jobSubjectId: string | null
  prescriptionId: string
  cause: string
  useId: string
  product: ProductRow
  use: UseOf<Method>
  /** The day it was done, or is planned for. */
  on: string
  /** Of what is promised, the last of its days, and its occurrence. */
  to: string | null
  occurrenceId: string | null
  /** m³ or kg that went on; of what is only planned, what was prescribed. */
  amount: number
  outcome: 'treated' | 'partly treated' | 'not treated' | null
  /** Of its record; null while it is planned. */
  seq: number | null
  failed: boolean
  /** What of the root zone was cut, or is to be, per cent as it was written; null for work at which none is. */
  rootsCut: string | null
  /** How deep a line between joined roots went everywhere, as it was written; null for other work and until it is noted. */
  reached: string | null
}

/** Everything that was put on trees or is planned for them, under every listing given. */
export async function earlierWork(sql: FirmSql, treeIds: string[]): Promise<EarlierRow[]> {
  if (treeIds.length === 0) return []
  const rows = await sql<Omit<EarlierRow, 'product' | 'use'>[]>`
    select x.tree_id as "treeId", js.id as "jobSubjectId", p.id as "prescriptionId", p.cause, i.card_use_id as "useId", coalesce(a.on_date, j.on_date)::text as on,
      null::text as to, null::uuid as "occurrenceId", coalesce(a.amount, (x.plan->>'product')::double precision) as amount,
      a.outcome, r.seq::int as seq,
      case when i.method = 'collar' then coalesce((select st.state->>'noted' from step s join step_state st on st.firm_id = s.firm_id and st.step_id = s.id
        where s.firm_id = js.firm_id and s.job_subject_id = js.id and s.what->>'task' = 'roots'), x.plan->'shape'->>'cut') end as "rootsCut",
      case when i.method = 'barrier' then (select st.state->>'noted' from step s join step_state st on st.firm_id = s.firm_id and st.step_id = s.id
        where s.firm_id = js.firm_id and s.job_subject_id = js.id and s.what->>'task' = 'cut') end as "reached",
      exists (select 1 from follow_up f join measurement m on m.firm_id = f.firm_id and m.follow_up_id = f.id
        where f.firm_id = x.firm_id and f.tree_id = x.tree_id and f.prescription_id = p.id and m.verdict = 'not working') as failed
    from item_subject x
    join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
    join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
    join job_subject js on js.firm_id = x.firm_id and js.subject_id = x.id
    join job j on j.firm_id = js.firm_id and j.id = js.job_id
    left join ${applied(sql)} a on a.firm_id = js.firm_id and a.job_subject_id = js.id
    left join record r on r.firm_id = a.firm_id and r.application_id = a.application_id and r.kind = 'application'
    where x.tree_id = any(${treeIds}) and x.status <> 'withdrawn' and js.status <> 'withdrawn'
    union all
    select y.tree_id, null, p.id, p.cause, i.card_use_id, o.due_from::text, coalesce(least(o.due_to, o.ends_on), o.due_to)::text, o.id,
      (y.plan->>'product')::double precision, null, null, null, null, false
    from item_subject y
    join prescription_item i on i.firm_id = y.firm_id and i.id = y.item_id
    join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
    join occurrence o on o.firm_id = i.firm_id and o.item_id = i.id
    where y.tree_id = any(${treeIds}) and o.again and o.status in ('open', 'waiting') and ${waits(sql)}
      and y.status = case when o.n = 1 then 'handed' else 'done' end and ${stands(sql)}
    order by 1, "on" desc`
  // Few products were put on many trees: each is read once.
  const uses = await usesByIds(sql, [...new Set(rows.map((r) => r.useId))])
  return rows.map((r) => {
    const { product, use } = uses.get(r.useId)!
    return { ...r, product, use }
  })
}

export interface NewSubject {
  id: string
  treeId: string
  decisionId: string
  readingId: string
  plan: SubjectPlan
  working: Working
  checks: PromisedCheck[]
}

export interface NewItem {
  id: string
  occurrenceId: string
  method: Method
  useId: string
  /** How often it is done in all. */
  times: number
  /** After how many days it is done again, where that was chosen. */
  apart: number | null
  /** Shared by items that come out of one tank; null where it is put on by itself. */
  tank: string | null
  /** The item it waits for, and how many days after that is done; null for what goes on the day itself. */
  after: { itemId: string; days: number } | null
  /** What must be found on site before it is done; null where it is done in any case. */
  onlyIf: string | null
  who: 'crew' | 'client'
  dueFrom: string
  dueTo: string
  subjects: NewSubject[]
}

/** Signs a prescription with its items, each with its trees and the first time it is due. */
export async function addPrescription(
  sql: FirmSql,
  p: {
    id: string
    firmId: string
    siteId: string
    cause: string
    harvestOn: string | null
    agreed: AsAgreed
    at: Date
    by: string
    items: NewItem[]
    /** Which time its decision is prescribed, from 1. */
    roundOf: (decisionId: string) => number
  },
): Promise<void> {
  await sql`insert into prescription (id, firm_id, site_id, cause, harvest_on, agreed, signed_at, signed_by)
    values (${p.id}, ${p.firmId}, ${p.siteId}, ${p.cause}, ${p.harvestOn}, ${sql.json(p.agreed as never)}, ${p.at}, ${p.by})`
  for (const [i, item] of p.items.entries()) {
    await sql`insert into prescription_item (id, firm_id, prescription_id, n, method, card_use_id, times, tank, after_item, after_days, only_if, who, apart)
      values (${item.id}, ${p.firmId}, ${p.id}, ${i + 1}, ${item.method}, ${item.useId}, ${item.times}, ${item.tank},
        ${item.after?.itemId ?? null}, ${item.after?.days ?? null}, ${item.onlyIf}, ${item.who}, ${item.apart})`
    await sql`insert into item_subject ${sql(
      item.subjects.map((s) => ({
        id: s.id,
        firm_id: p.firmId,
        item_id: item.id,
        n: i + 1,
        tree_id: s.treeId,
        decision_id: s.decisionId,
        round: p.roundOf(s.decisionId),
        reading_id: s.readingId,
        plan: sql.json(writeKept('plan', s.plan) as never),
        working: sql.json(s.working as never),
        checks: sql.json(s.checks as never),
        status: item.who === 'client' ? 'client' : 'handed',
      })) as never,
    )}`
    // What the client does stands on no day of the crew.
    if (item.who === 'crew')
      await sql`insert into occurrence (id, firm_id, item_id, n, due_from, due_to, status, again)
      values (${item.occurrenceId}, ${p.firmId}, ${item.id}, 1, ${item.dueFrom}, ${item.dueTo},
        ${item.after ? 'waiting' : 'open'}, ${item.after !== null})`
  }
}

/** What stands on decisions already: the prescription, its day and who signed it. */
export async function prescriptionsOn(sql: FirmSql, decisionIds: string[]) {
  return sql<
    {
      id: string
      decisionId: string
      round: number
      again: boolean
      onDate: string | null
      jobId: string | null
      signedBy: string
    }[]
  >`
    select p.id, x.decision_id as "decisionId", x.round, ${treatedAgain(sql)} as again, j.on_date::text as "onDate", j.id as "jobId", w.name as "signedBy"
    from item_subject x
      join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
      join prescription p on p.firm_id = i.firm_id and p.id = i.prescription_id
      join person w on w.id = p.signed_by
      left join job_subject js on js.firm_id = x.firm_id and js.subject_id = x.id
      left join job j on j.firm_id = js.firm_id and j.id = js.job_id
    where x.decision_id = any(${decisionIds}) and x.n = 1 and x.status <> 'withdrawn'`
}

/** The trees of a prescription that are still with the crew, and where. */
export async function openSubjects(sql: FirmSql, prescriptionId: string) {
  return sql<{ subjectId: string; treeId: string; tag: string; jobSubjectId: string | null }[]>`
    select x.id as "subjectId", x.tree_id as "treeId", t.tag, js.id as "jobSubjectId"
    from prescription_item i
      join item_subject x on x.firm_id = i.firm_id and x.item_id = i.id
      join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
      left join job_subject js on js.firm_id = x.firm_id and js.subject_id = x.id and js.status = 'open'
    where i.prescription_id = ${prescriptionId} and x.status in ('handed', 'client') order by t.tag, i.n`
}

/** What waits, over any number of steps, for what is done at trees by these subjects, and stands on no day: by tree. */
export async function waitingFor(
  sql: FirmSql,
  subjectIds: string[],
): Promise<{ subjectId: string; treeId: string; prescriptionId: string }[]> {
  if (subjectIds.length === 0) return []
  return sql<{ subjectId: string; treeId: string; prescriptionId: string }[]>`
    with recursive led (item_id, tree_id) as (
      select i.id, x.tree_id from item_subject x join prescription_item i on i.firm_id = x.firm_id and i.after_item = x.item_id
        where x.id = any(${subjectIds})
      union select i.id, l.tree_id from led l join prescription_item i on i.after_item = l.item_id)
    select distinct x.id as "subjectId", x.tree_id as "treeId", i.prescription_id as "prescriptionId"
    from led l join item_subject x on x.item_id = l.item_id and x.tree_id = l.tree_id
      join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
    where x.status in ('handed', 'client')
      and not exists (select 1 from job_subject js where js.firm_id = x.firm_id and js.subject_id = x.id and js.status = 'open')`
}

/** Takes trees of a prescription back before anything was done at them; with the last of them the whole of it. */
export async function withdrawSubjects(
  sql: FirmSql,
  prescriptionId: string,
  subjectIds: string[],
  words: string,
): Promise<void> {
  await sql`update prescription set withdrawn_words = ${words} where id = ${prescriptionId}`
  // What was done before stands: only what is still to come is taken back.
  await sql`update item_subject x set status = case when exists (
      select 1 from job_subject js where js.firm_id = x.firm_id and js.subject_id = x.id and js.status = 'recorded')
    then 'done' else 'withdrawn' end where id = any(${subjectIds})`
  // Nobody asks a client any more whether they did what was taken back.
  await sql`update follow_up f set dropped = ${words}, done = true
    where f.prescription_id = ${prescriptionId} and not f.done and f.expectation->>'kind' = 'care'
      and not exists (select 1 from prescription_item i join item_subject x on x.firm_id = i.firm_id and x.item_id = i.id
        where i.firm_id = f.firm_id and i.prescription_id = f.prescription_id and x.tree_id = f.tree_id and x.status = 'client')`
  await sql`update occurrence o set status = 'withdrawn' from prescription_item i
    where i.firm_id = o.firm_id and i.id = o.item_id and i.prescription_id = ${prescriptionId} and o.status in ('open', 'waiting')
      and not exists (select 1 from item_subject x where x.firm_id = i.firm_id and x.item_id = i.id and x.status = 'handed')`
  const jobs = await sql<{ jobId: string; trees: number }[]>`
    with gone as (
      update job_subject set status = 'withdrawn' where status = 'open' and subject_id = any(${subjectIds}) returning job_id)
    select job_id as "jobId", count(*)::int as trees from gone group by job_id`
  for (const { jobId, trees } of jobs) await sql`update job set trees = trees - ${trees} where id = ${jobId}`
}
