import type { Method } from '@/core/card/card'
import type { FirmSql } from '../client'
import { applied } from './applied'

export interface RecordRow {
  id: string
  seq: number
  kind: 'application' | 'correction'
  corrects: string | null
  /** Of what was put on one tree; null when it was put on several. */
  treeId: string | null
  tag: string | null
  host: string | null
  siteId: string
  siteName: string
  /** The site's. */
  timeZone: string
  applicationId: string | null
  signedAt: Date
  signedBy: string
  /** As it was signed; read by server/ledger/body. */
  body: unknown
  prevHash: string
  hash: string
}

const select = (sql: FirmSql) => sql`
  select r.id, r.seq::int as seq, r.kind, r.corrects, r.tree_id as "treeId", t.tag, t.host, r.site_id as "siteId",
    s.name as "siteName", s.time_zone as "timeZone", r.application_id as "applicationId", r.signed_at as "signedAt", p.name as "signedBy", r.body,
    r.prev_hash as "prevHash", r.hash
  from record r left join tree t on t.id = r.tree_id join site s on s.id = r.site_id join person p on p.id = r.signed_by`

/** Records newest first; go on below a sequence number. */
export async function records(sql: FirmSql, before: number | null = null, limit = 50): Promise<RecordRow[]> {
  return sql<
    RecordRow[]
  >`${select(sql)} ${before === null ? sql`` : sql`where r.seq < ${before}`} order by r.seq desc limit ${limit}`
}

export async function recordById(sql: FirmSql, id: string): Promise<RecordRow | undefined> {
  const rows = await sql<RecordRow[]>`${select(sql)} where r.id = ${id}`
  return rows[0]
}

/** Records of a tree under every listing of it, newest first. */
export async function recordsOfTree(sql: FirmSql, listings: string[]): Promise<RecordRow[]> {
  return sql<RecordRow[]>`${select(sql)} where r.id in (
    select id from record where tree_id = any(${listings})
    union select w.id from application_subject a join record w on w.firm_id = a.firm_id and w.application_id = a.application_id
      where w.kind = 'application' and a.tree_id = any(${listings})
    union select k.id from application_subject a join record w on w.firm_id = a.firm_id and w.application_id = a.application_id
      join record k on k.firm_id = w.firm_id and k.corrects = w.id
      where w.kind = 'application' and k.corrects is not null and a.tree_id = any(${listings})) order by r.seq desc limit 50`
}

export async function correctionsOf(sql: FirmSql, id: string): Promise<RecordRow[]> {
  return sql<RecordRow[]>`${select(sql)} where r.corrects = ${id} order by r.seq`
}

export interface NewRecord {
  id: string
  firmId: string
  kind: 'application' | 'correction'
  corrects: string | null
  treeId: string | null
  siteId: string
  applicationId: string | null
  signedAt: Date
  signedBy: string
  body: unknown
}

/** Adds an entry; the database numbers and chains it. Answers its place in the chain. */
export async function addRecord(sql: FirmSql, r: NewRecord): Promise<{ seq: number; hash: string }> {
  const rows = await sql<
    { seq: number; hash: string }[]
  >`insert into record (id, firm_id, kind, corrects, tree_id, site_id, application_id, signed_at, signed_by, body, seq, prev_hash, hash)
    values (${r.id}, ${r.firmId}, ${r.kind}, ${r.corrects}, ${r.treeId}, ${r.siteId}, ${r.applicationId}, ${r.signedAt}, ${r.signedBy},
      ${sql.json(r.body as never)}, 0, '', '') returning seq::int as seq, hash`
  return rows[0]!
}

export interface ChainRow {
  seq: number
  prevHash: string
  hash: string
  covered: string
}

/** A stretch of the chain after an entry, oldest first: each entry's hash beside the text it covers. */
export async function chainFrom(sql: FirmSql, after: number, limit: number): Promise<ChainRow[]> {
  return sql<
    ChainRow[]
  >`select ${covered(sql)} from record r where r.seq > ${after} order by r.seq limit ${limit}`
}

/** One entry with the text its hash covers. */
export async function chainEntry(sql: FirmSql, id: string): Promise<ChainRow | undefined> {
  const rows = await sql<ChainRow[]>`select ${covered(sql)} from record r where r.id = ${id}`
  return rows[0]
}

const covered = (sql: FirmSql) => sql`
  r.seq::int as seq, r.prev_hash as "prevHash", r.hash, concat_ws(E'\n',
    r.prev_hash, r.firm_id, r.seq, r.id, r.kind, coalesce(r.corrects::text, '-'), coalesce(r.tree_id::text, '-'), r.site_id,
    coalesce(r.application_id::text, '-'), to_char(r.signed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'),
    r.signed_by, r.body::text) as covered`

/** A record with what counts of it in rows of their own. */
export interface CountedRow {
  seq: number
  kind: 'application' | 'correction'
  signedAt: Date
  body: unknown
  counted: { amount: number; activeKg: number | null; active: string | null; onDate: string }[]
}

/** A stretch of the chain after an entry, each record beside the rows that limits and intervals count by. */
export async function countedFrom(sql: FirmSql, after: number, limit: number): Promise<CountedRow[]> {
  return sql<CountedRow[]>`
    select r.seq::int as seq, r.kind, r.signed_at as "signedAt", r.body, coalesce(case r.kind
      when 'application' then (select jsonb_agg(jsonb_build_object('amount', s.amount, 'activeKg', s.active_kg, 'active', s.active, 'onDate', s.on_date))
        from application_subject s where s.firm_id = r.firm_id and s.application_id = r.application_id)
      else (select jsonb_agg(jsonb_build_object('amount', c.amount, 'activeKg', c.active_kg, 'active', null, 'onDate', r.signed_at::date))
        from application_correction c where c.firm_id = r.firm_id and c.record_id = r.id) end, '[]') as counted
    from record r where r.seq > ${after} order by r.seq limit ${limit}`
}

/** The number of the newest entry; numbers have no gaps, so it is also how many there are. */
export async function lastSeq(sql: FirmSql): Promise<number> {
  const rows = await sql<
    { seq: number }[]
  >`select seq::int as seq from record order by record.seq desc limit 1`
  return rows[0]?.seq ?? 0
}

/** What was put on, with what each of its trees got; the record is of it. */
export interface NewApplication {
  id: string
  firmId: string
  jobId: string
  siteId: string
  method: string
  useId: string
  lot: string
  startedAt: Date
  endedAt: Date
  /** How long it took, where that was watched; null where it was ticked or told. */
  watchedMinutes: number | null
  signedAt: Date
  signedBy: string
  subjects: {
    subjectId: string
    jobSubjectId: string
    treeId: string
    onDate: string
    /** m³ or kg. */
    amount: number
    outcome: string
    active: string | null
    activeKg: number | null
  }[]
}

export async function addApplication(sql: FirmSql, a: NewApplication): Promise<void> {
  await sql`insert into application (id, firm_id, job_id, site_id, method, card_use_id, lot, started_at, ended_at, watched_minutes, signed_at, signed_by)
    values (${a.id}, ${a.firmId}, ${a.jobId}, ${a.siteId}, ${a.method}, ${a.useId}, ${a.lot}, ${a.startedAt}, ${a.endedAt},
      ${a.watchedMinutes}, ${a.signedAt}, ${a.signedBy})`
  await sql`insert into application_subject ${sql(
    a.subjects.map((s) => ({
      firm_id: a.firmId,
      application_id: a.id,
      subject_id: s.subjectId,
      job_subject_id: s.jobSubjectId,
      tree_id: s.treeId,
      site_id: a.siteId,
      on_date: s.onDate,
      amount: s.amount,
      outcome: s.outcome,
      active: s.active,
      active_kg: s.activeKg,
    })) as never,
  )}`
}

/** What each tree of an application got, as it is known now, with what was planned for it. m³ or kg. */
export async function amountsOf(sql: FirmSql, applicationId: string) {
  return sql<
    {
      subjectId: string
      tag: string
      method: Method
      kind: 'liquid' | 'weight'
      amount: number
      planned: number
      plannedActive: number | null
    }[]
  >`
    select a.subject_id as "subjectId", t.tag, i.method, x.plan->>'kind' as kind, a.amount,
      (x.plan->>'product')::double precision as planned, (x.plan->>'active')::double precision as "plannedActive"
    from ${applied(sql)} a join tree t on t.firm_id = a.firm_id and t.id = a.tree_id
      join item_subject x on x.firm_id = a.firm_id and x.id = a.subject_id
      join prescription_item i on i.firm_id = x.firm_id and i.id = x.item_id
    where a.application_id = ${applicationId} order by t.tag, a.subject_id`
}

/** What a correction says trees really got. */
export async function addCorrectedAmounts(
  sql: FirmSql,
  c: {
    recordId: string
    applicationId: string
    firmId: string
    at: Date
    amounts: readonly { subjectId: string; amount: number; activeKg: number | null }[]
  },
): Promise<void> {
  await sql`insert into application_correction ${sql(
    c.amounts.map((a) => ({
      firm_id: c.firmId,
      record_id: c.recordId,
      application_id: c.applicationId,
      subject_id: a.subjectId,
      corrected_at: c.at,
      amount: a.amount,
      active_kg: a.activeKg,
    })) as never,
  )}`
}
