import type { FirmSql } from '../client'

export interface PracticeRow {
  caseId: string
  host: string
  trueCause: string
  answer: string
  action: string
  checks: string[]
  score: number
  minutes: number
  at: Date
}

/** A person's practice, newest first. */
export async function practiceOf(sql: FirmSql, personId: string, most = 50): Promise<PracticeRow[]> {
  return sql<PracticeRow[]>`
    select case_id as "caseId", host, true_cause as "trueCause", answer, action, checks, score, minutes, at
    from practice_run where person_id = ${personId} order by at desc, id desc limit ${most}`
}

export async function addPractice(
  sql: FirmSql,
  r: PracticeRow & { id: string; firmId: string; personId: string },
): Promise<void> {
  await sql`insert into practice_run (id, firm_id, person_id, case_id, host, true_cause, checks, answer, action, score, minutes, at)
    values (${r.id}, ${r.firmId}, ${r.personId}, ${r.caseId}, ${r.host}, ${r.trueCause}, ${sql.json(r.checks)}, ${r.answer}, ${r.action}, ${r.score}, ${r.minutes}, ${r.at})`
}
