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

export interface TeamRow {
  personId: string
  name: string
  cases: number
  mean: number
  /** Causes that were missed, the most often first. */
  missed: string[]
}

/** How each person of the firm stands with their practice, by name; a run is right from a score of `right` on. */
export async function practiceOfTeam(sql: FirmSql, right: number): Promise<TeamRow[]> {
  return sql<TeamRow[]>`
    select p.id as "personId", p.name, sum(c.runs)::int as cases, round(sum(c.score) / sum(c.runs))::int as mean,
      coalesce(array_agg(c.cause order by c.missed desc, c.cause) filter (where c.missed > 0), '{}') as missed
    from person p
      join (select person_id, true_cause as cause, count(*) as runs, sum(score) as score, count(*) filter (where score < ${right}) as missed
        from practice_run group by person_id, true_cause) c on c.person_id = p.id
    group by p.id, p.name order by p.name, p.id`
}
