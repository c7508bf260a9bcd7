import type { Basis } from '@/core/diagnose/basis'
import type { Beside } from '@/core/diagnose/parts'
import type { FindingDetail } from '@/core/diagnose/detail'
import type { Action, Reason, ReasonCode } from '@/core/decide/propose'
import type { FirmSql } from '../client'

export interface AssessmentRow {
  id: string
  treeId: string
  startedAt: Date
  closedAt: Date | null
  /** Null for one that looked at this tree itself. */
  bySample: BySample | null
}

/** The newest assessment of a tree. */
export async function assessmentOfTree(sql: FirmSql, treeId: string): Promise<AssessmentRow | undefined> {
  const rows = await sql<AssessmentRow[]>`
    select id, tree_id as "treeId", started_at as "startedAt", closed_at as "closedAt", by_sample as "bySample"
    from assessment where tree_id = ${treeId} order by started_at desc, id desc limit 1`
  return rows[0]
}

/** Examinations of a tree, newest first, with how much was looked at in each. */
export async function assessmentsOfTree(
  sql: FirmSql,
  treeId: string,
): Promise<(AssessmentRow & { startedBy: string; looked: number; there: number })[]> {
  return sql<(AssessmentRow & { startedBy: string; looked: number; there: number })[]>`
    select a.id, a.tree_id as "treeId", a.started_at as "startedAt", a.closed_at as "closedAt", a.by_sample as "bySample", p.name as "startedBy",
      x.looked, x.there
    from assessment a join person p on p.id = a.started_by cross join lateral (
      select count(*)::int as looked, (count(*) filter (where state = 'there'))::int as there
      from finding f where f.firm_id = a.firm_id and f.assessment_id = a.id) x
    where a.tree_id = ${treeId} order by a.started_at desc, a.id desc limit 20`
}

/** One assessment, whichever tree's it is. */
export async function assessmentById(sql: FirmSql, id: string): Promise<AssessmentRow | undefined> {
  const rows = await sql<AssessmentRow[]>`
    select id, tree_id as "treeId", started_at as "startedAt", closed_at as "closedAt", by_sample as "bySample" from assessment where id = ${id}`
  return rows[0]
}

export async function openAssessment(
  sql: FirmSql,
  a: { id: string; firmId: string; treeId: string; at: Date; by: string },
): Promise<void> {
  await sql`insert into assessment (id, firm_id, tree_id, started_at, started_by)
    values (${a.id}, ${a.firmId}, ${a.treeId}, ${a.at}, ${a.by})`
}

/** Which trees of a block an examination rests on that stands for a tree nobody looked at by itself. */
export interface BySample {
  block: string
  of: number
  looked: string[]
}

/** An examination by sample; it is closed as it is made. */
export async function openSampled(
  sql: FirmSql,
  a: { id: string; firmId: string; treeId: string; at: Date; by: string; bySample: BySample },
): Promise<void> {
  await sql`insert into assessment (id, firm_id, tree_id, started_at, started_by, closed_at, by_sample)
    values (${a.id}, ${a.firmId}, ${a.treeId}, ${a.at}, ${a.by}, ${a.at}, ${sql.json(a.bySample as never)})`
}

export async function closeAssessment(sql: FirmSql, id: string, at: Date): Promise<void> {
  await sql`update assessment set closed_at = ${at} where id = ${id} and closed_at is null`
}

export interface FindingRow {
  finding: string
  state: 'there' | 'not-there' | 'unsure'
  by: string
  detail: FindingDetail
}

/** Findings of an examination. */
export async function findingsOf(sql: FirmSql, assessmentId: string): Promise<FindingRow[]> {
  return (await findingsOfAll(sql, [assessmentId])).map(({ assessmentId: _, ...row }) => row)
}

/** Findings of several examinations at once. */
export async function findingsOfAll(
  sql: FirmSql,
  assessmentIds: readonly string[],
): Promise<(FindingRow & { assessmentId: string })[]> {
  if (assessmentIds.length === 0) return []
  return sql<(FindingRow & { assessmentId: string })[]>`
    select a.id as "assessmentId", f.finding, f.state, f.detail, p.name as by
    -- One after the other: where statistics are old, the planner begins with all findings of the firm.
    from unnest(${[...new Set(assessmentIds)]}::uuid[]) a (id) cross join lateral (
      select * from finding x where x.assessment_id = a.id offset 0) f
    join person p on p.id = f.by_person order by a.id, f.finding`
}

/** Sets a finding's state; null takes it back to not looked at. What comes `late` leaves what was seen after it. */
export async function setFinding(
  sql: FirmSql,
  f: {
    firmId: string
    assessmentId: string
    finding: string
    state: FindingRow['state'] | null
    at: Date
    by: string
    late?: boolean
  },
): Promise<void> {
  const { late = false } = f
  if (f.state === null) {
    await sql`delete from finding
      where assessment_id = ${f.assessmentId} and finding = ${f.finding} and (not ${late} or at <= ${f.at})`
    return
  }
  await sql`insert into finding (firm_id, assessment_id, finding, state, at, by_person)
    values (${f.firmId}, ${f.assessmentId}, ${f.finding}, ${f.state}, ${f.at}, ${f.by})
    on conflict (firm_id, assessment_id, finding) do update set state = excluded.state, at = excluded.at, by_person = excluded.by_person
      where not ${late} or finding.at <= excluded.at`
}

/** Notes how much, where and counted on what. Answers how many findings that was: 0 when it was not looked at. */
export async function setDetail(
  sql: FirmSql,
  assessmentId: string,
  finding: string,
  detail: FindingDetail,
): Promise<number> {
  const rows = await sql`update finding set detail = ${sql.json(detail as never)}
    where assessment_id = ${assessmentId} and finding = ${finding} returning finding`
  return rows.length
}

/** Takes what was seen in one examination over into another, with who saw it when; what stands there already stays. */
export async function carryFindings(sql: FirmSql, from: string, to: string): Promise<void> {
  await sql`insert into finding (firm_id, assessment_id, finding, state, at, by_person, detail)
    select firm_id, ${to}, finding, state, at, by_person, detail from finding where assessment_id = ${from}
    on conflict (firm_id, assessment_id, finding) do nothing`
}

/** The newest examination of each tree, and its newest signed one, by tree. */
export async function newestOfTrees(
  sql: FirmSql,
  treeIds: readonly string[],
): Promise<Map<string, { newest: AssessmentRow; signed: AssessmentRow | null }>> {
  const rows = await sql<(AssessmentRow & { signed: boolean })[]>`
    select a.id, a.tree_id as "treeId", a.started_at as "startedAt", a.closed_at as "closedAt", a.by_sample as "bySample", w.signed
    from unnest(${[...treeIds]}::uuid[]) t (id) cross join (values (false), (true)) w (signed) cross join lateral (
      select * from assessment x where x.tree_id = t.id and (not w.signed or x.closed_at is not null)
      order by x.started_at desc, x.id desc limit 1) a
    order by w.signed`
  const byTree = new Map<string, { newest: AssessmentRow; signed: AssessmentRow | null }>()
  for (const { signed, ...row } of rows)
    byTree.set(row.treeId, { newest: byTree.get(row.treeId)?.newest ?? row, signed: signed ? row : null })
  return byTree
}

/** The newest examination on each site, of another tree than the one that is named, if any is. */
export async function newestOnSites(
  sql: FirmSql,
  sites: readonly { siteId: string; besides: string | null }[],
): Promise<{ siteId: string; assessmentId: string; treeId: string; tag: string; host: string }[]> {
  if (sites.length === 0) return []
  return sql`
    select s.id as "siteId", a.id as "assessmentId", a.tree_id as "treeId", a.tag, a.host
    from unnest(${sites.map((s) => s.siteId)}::uuid[], ${sites.map((s) => s.besides)}::uuid[]) s (id, besides)
    cross join lateral (
      select x.id, x.tree_id, t.tag, t.host from assessment x join tree t on t.id = x.tree_id
      where t.site_id = s.id and t.id is distinct from s.besides order by x.started_at desc, x.id desc limit 1) a`
}

export interface DiagnosisRow {
  id: string
  assessmentId: string
  cause: string
  probability: number
  weights: { cause: string; probability: number }[]
  /** What it was weighed by; null where that was not kept yet. */
  basis: Basis | null
  /** What was signed with it. */
  beside: Beside[]
  almanacVersion: string
  held: string | null
  overrideReason: string | null
  signedAt: Date
  signedBy: string
}

const diagnosisColumns = (sql: FirmSql) => sql`
  d.id, d.assessment_id as "assessmentId", d.cause, d.probability, d.weights, d.basis, d.almanac_version as "almanacVersion", d.beside,
  d.held, d.override_reason as "overrideReason", d.signed_at as "signedAt", p.name as "signedBy"`

export async function diagnosesOfTree(sql: FirmSql, treeId: string): Promise<DiagnosisRow[]> {
  return sql<
    DiagnosisRow[]
  >`select ${diagnosisColumns(sql)} from diagnosis d join person p on p.id = d.signed_by
    where d.tree_id = ${treeId} order by d.signed_at desc, d.id desc limit 20`
}

export async function signDiagnosis(
  sql: FirmSql,
  d: {
    id: string
    firmId: string
    assessmentId: string
    treeId: string
    cause: string
    probability: number
    weights: { cause: string; probability: number }[]
    basis: Basis | null
    /** What was signed with it; nothing for one cause alone. */
    beside?: readonly Beside[]
    almanacVersion: string
    held: string | null
    overrideReason: string | null
    at: Date
    by: string
  },
): Promise<void> {
  await sql`insert into diagnosis (id, firm_id, assessment_id, tree_id, cause, probability, weights, basis, beside, almanac_version, held, override_reason, signed_at, signed_by)
    values (${d.id}, ${d.firmId}, ${d.assessmentId}, ${d.treeId}, ${d.cause}, ${d.probability}, ${sql.json(d.weights)}, ${d.basis === null ? null : sql.json(d.basis as never)}, ${sql.json((d.beside ?? []).map(({ cause, part }) => ({ cause, part })))}, ${d.almanacVersion},
      ${d.held}, ${d.overrideReason}, ${d.at}, ${d.by})`
}

export interface DecisionRow {
  id: string
  diagnosisId: string
  cause: string
  action: Action
  proposed: string
  reasons: (Omit<Reason, 'code'> & { code?: ReasonCode })[]
  words: string | null
  signedAt: Date
  signedBy: string
}

export async function decisionsOfTree(sql: FirmSql, treeId: string): Promise<DecisionRow[]> {
  return sql<DecisionRow[]>`
    select c.id, c.diagnosis_id as "diagnosisId", d.cause, c.action, c.proposed, c.reasons, c.words, c.signed_at as "signedAt", p.name as "signedBy"
    from decision c join person p on p.id = c.signed_by join diagnosis d on d.firm_id = c.firm_id and d.id = c.diagnosis_id
    where c.tree_id = ${treeId} order by c.signed_at desc, c.id desc limit 20`
}

export async function signDecision(
  sql: FirmSql,
  d: {
    id: string
    firmId: string
    diagnosisId: string
    treeId: string
    action: DecisionRow['action']
    proposed: string
    reasons: DecisionRow['reasons']
    words: string | null
    at: Date
    by: string
  },
): Promise<void> {
  await sql`insert into decision (id, firm_id, diagnosis_id, tree_id, action, proposed, reasons, words, signed_at, signed_by)
    values (${d.id}, ${d.firmId}, ${d.diagnosisId}, ${d.treeId}, ${d.action}, ${d.proposed}, ${sql.json(d.reasons)}, ${d.words}, ${d.at}, ${d.by})`
}

/** The newest signed cause of a tree, what was decided on it, and what was there when it was signed. */
export interface DecidedRow {
  treeId: string
  diagnosisId: string
  cause: string
  probability: number
  /** Why the weighing said to hold, and the arborist's reason to sign all the same. */
  held: string | null
  overrideReason: string | null
  signedAt: Date
  signedBy: string
  /** The newest decision of the tree, of whatever cause. */
  decisionId: string | null
  action: Action | null
  /** The diagnosis that decision is on. */
  decidedOn: string | null
  /** State of each finding of the examination that was signed. */
  seen: Record<string, 'there' | 'not-there' | 'unsure'>
}

/** What was signed and decided for trees, one row each; trees without a signed cause have none. */
export async function decidedOfTrees(sql: FirmSql, treeIds: string[]): Promise<DecidedRow[]> {
  if (treeIds.length === 0) return []
  return sql<DecidedRow[]>`
    select t.id as "treeId", d.id as "diagnosisId", d.cause, d.probability, d.held, d.override_reason as "overrideReason", d.signed_at as "signedAt", p.name as "signedBy",
      c.id as "decisionId", c.action, c.diagnosis_id as "decidedOn",
      coalesce((select jsonb_object_agg(f.finding, f.state) from finding f where f.firm_id = d.firm_id and f.assessment_id = d.assessment_id), '{}') as seen
    from unnest(${treeIds}::uuid[]) t (id)
    join lateral (select * from diagnosis where tree_id = t.id order by signed_at desc, id desc limit 1) d on true
    join person p on p.firm_id = d.firm_id and p.id = d.signed_by
    left join lateral (select * from decision where tree_id = t.id order by signed_at desc, id desc limit 1) c on true`
}
