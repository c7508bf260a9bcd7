import type { FirmSql } from '../client'

/** Work that was done without a signal, with what stood against it when it was entered. */
export interface DoneAwayRow {
  id: string
  words: string
  by: string
  /** By the device. */
  at: Date
  enteredAt: Date
}

/** Enters what stood against work that was done; `by` is the id of whoever did it. The same words of a tree are entered once. */
export async function noteDoneAway(
  sql: FirmSql,
  d: DoneAwayRow & { firmId: string; jobSubjectId: string },
): Promise<void> {
  await sql`
    insert into done_away (id, firm_id, job_subject_id, words, by_person, at, entered_at)
    select ${d.id}, ${d.firmId}, ${d.jobSubjectId}, ${d.words}, ${d.by}, ${d.at}, ${d.enteredAt}
    where not exists (select 1 from done_away where job_subject_id = ${d.jobSubjectId} and words = ${d.words})`
}

/** What stood against the work at trees of a job, by tree, the first first. */
export async function doneAwayAt(
  sql: FirmSql,
  jobSubjectIds: readonly string[],
): Promise<Map<string, DoneAwayRow[]>> {
  const rows = await sql<(DoneAwayRow & { subject: string })[]>`
    select d.id, d.job_subject_id as subject, d.words, p.name as by, d.at, d.entered_at as "enteredAt"
    from done_away d join person p on p.firm_id = d.firm_id and p.id = d.by_person
    where d.job_subject_id = any(${[...jobSubjectIds]}) order by d.at, d.id`
  const byTree = new Map<string, DoneAwayRow[]>()
  for (const { subject, ...row } of rows) byTree.set(subject, [...(byTree.get(subject) ?? []), row])
  return byTree
}

/** So many are shown at once. */
const UNSEEN_SHOWN = 20

/** What no arborist has seen yet, the oldest first. */
export async function unseenDoneAway(
  sql: FirmSql,
): Promise<(DoneAwayRow & { tag: string; siteName: string; treeId: string; jobId: string })[]> {
  return sql`
    select d.id, d.words, p.name as by, d.at, d.entered_at as "enteredAt", t.tag, s.name as "siteName", t.id as "treeId",
      i.job_id as "jobId"
    from done_away d join person p on p.firm_id = d.firm_id and p.id = d.by_person
      join job_subject i on i.firm_id = d.firm_id and i.id = d.job_subject_id
      join tree t on t.firm_id = i.firm_id and t.id = i.tree_id join site s on s.firm_id = t.firm_id and s.id = t.site_id
    where d.seen_at is null order by d.entered_at, d.id limit ${UNSEEN_SHOWN}`
}

/** Says that somebody has seen it; answers how many there were. */
export async function seeDoneAway(
  sql: FirmSql,
  ids: readonly string[],
  by: string,
  at: Date,
): Promise<number> {
  const rows = await sql`
    update done_away set seen_at = ${at}, seen_by = ${by} where id = any(${[...ids]}) and seen_at is null returning 1`
  return rows.length
}
