import type { FirmSql } from '../client'

/** What was moved to another day, or is not done any more, and why. */
export interface MovedRow {
  fromOn: string
  toOn: string | null
  trees: number
  why: string
  by: string
  /** Epoch ms. */
  at: number
}

/** Keeps that something promised for a day is done on another one, or not any more. */
export async function addMoved(
  sql: FirmSql,
  m: {
    id: string
    firmId: string
    of: { followUpId: string } | { jobId: string; toJobId: string }
    fromOn: string
    toOn: string | null
    trees: number
    why: string
    by: string
    at: Date
  },
): Promise<void> {
  const [check, job, toJob] =
    'followUpId' in m.of ? [m.of.followUpId, null, null] : [null, m.of.jobId, m.of.toJobId]
  await sql`insert into moved (id, firm_id, follow_up_id, job_id, to_job_id, from_on, to_on, trees, why, by_person, at)
    values (${m.id}, ${m.firmId}, ${check}, ${job}, ${toJob}, ${m.fromOn}, ${m.toOn}, ${m.trees}, ${m.why}, ${m.by}, ${m.at})`
}

const select = (sql: FirmSql) => sql`
  select m.from_on::text as "fromOn", m.to_on::text as "toOn", m.trees, m.why, p.name as by,
    (extract(epoch from m.at) * 1000)::double precision as at
  from moved m join person p on p.firm_id = m.firm_id and p.id = m.by_person`

/** Every time a promised check was moved, the first first. */
export async function movesOfCheck(sql: FirmSql, followUpId: string): Promise<MovedRow[]> {
  return sql<MovedRow[]>`${select(sql)} where m.follow_up_id = ${followUpId} order by m.at, m.id limit 50`
}

/** What was moved away from a job, and what came to it. */
export async function movesOfJob(
  sql: FirmSql,
  jobId: string,
): Promise<{ away: MovedRow[]; here: MovedRow[] }> {
  return {
    away: await sql<MovedRow[]>`${select(sql)} where m.job_id = ${jobId} order by m.at, m.id limit 20`,
    here: await sql<MovedRow[]>`${select(sql)} where m.to_job_id = ${jobId} order by m.at, m.id limit 20`,
  }
}
