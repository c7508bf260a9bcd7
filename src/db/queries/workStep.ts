import { readKept, writeKept } from '@/core/methods/kept'
import type { RunningStep, StepEvent } from '@/core/methods/running'
import type { PlannedStep } from '@/core/methods/step'
import type { FirmSql } from '../client'

/** A step at a tree of a job: as planned, and as everything that was done at it makes it. */
export interface WorkStepRow {
  id: string
  jobSubjectId: string
  n: number
  what: PlannedStep
  state: RunningStep
}

/** The steps of trees of a job, in their order. */
export async function stepsOfSubjects(sql: FirmSql, jobSubjectIds: string[]): Promise<WorkStepRow[]> {
  if (jobSubjectIds.length === 0) return []
  const rows = await sql<WorkStepRow[]>`
    select s.id, s.job_subject_id as "jobSubjectId", s.n, s.what, x.state
    from step s join step_state x on x.firm_id = s.firm_id and x.step_id = s.id
    where s.job_subject_id = any(${jobSubjectIds}) order by s.job_subject_id, s.n`
  return rows.map((r) => ({ ...r, what: readKept('step', r.what), state: readKept('state', r.state) }))
}

/** The same as they were planned alone, by tree of the job, a row a tree: a job has some thousand steps. */
export async function plannedSteps(
  sql: FirmSql,
  jobSubjectIds: string[],
): Promise<Map<string, Pick<WorkStepRow, 'id' | 'n' | 'what'>[]>> {
  if (jobSubjectIds.length === 0) return new Map()
  const rows = await sql<{ subject: string; steps: Pick<WorkStepRow, 'id' | 'n' | 'what'>[] }[]>`
    select job_subject_id as subject, json_agg(json_build_object('id', id, 'n', n, 'what', what) order by n) as steps
    from step where job_subject_id = any(${jobSubjectIds}) group by job_subject_id`
  return new Map(rows.map((r) => [r.subject, r.steps.map((s) => ({ ...s, what: readKept('step', s.what) }))]))
}

/** Which tree of a job each step belongs to, by step. */
export async function subjectsOfSteps(sql: FirmSql, stepIds: string[]): Promise<Map<string, string>> {
  const rows = await sql<{ id: string; subject: string }[]>`
    select id, job_subject_id as subject from step where id = any(${stepIds})`
  return new Map(rows.map((r) => [r.id, r.subject]))
}

/** Everything that was done at the steps of a tree, as it was sent, by step. */
export async function eventsOfSubject(sql: FirmSql, jobSubjectId: string): Promise<Map<string, StepEvent[]>> {
  return eventsOfSubjects(sql, [jobSubjectId])
}

/** Everything that was done at the steps of trees, by step. */
export async function eventsOfSubjects(
  sql: FirmSql,
  jobSubjectIds: string[],
): Promise<Map<string, StepEvent[]>> {
  if (jobSubjectIds.length === 0) return new Map()
  const rows = await sql<
    {
      id: string
      stepId: string
      kind: StepEvent['kind']
      at: Date
      detail: Omit<StepEvent, 'id' | 'at' | 'kind'>
    }[]
  >`
    select e.id, e.step_id as "stepId", e.kind, e.at, e.detail
    from step_event e where e.job_subject_id = any(${jobSubjectIds}) order by e.at, e.id`
  const byStep = new Map<string, StepEvent[]>()
  for (const { stepId, id, kind, at, detail } of rows)
    byStep.set(stepId, [...(byStep.get(stepId) ?? []), { ...detail, id, kind, at: at.getTime() }])
  return byStep
}

/** Plans the steps of trees of a job. */
export async function addSteps(
  sql: FirmSql,
  firmId: string,
  steps: { id: string; jobSubjectId: string; n: number; what: PlannedStep; state: RunningStep }[],
): Promise<void> {
  for (let i = 0; i < steps.length; i += 2000) {
    const some = steps.slice(i, i + 2000)
    await sql`insert into step ${sql(
      some.map((s) => ({
        id: s.id,
        firm_id: firmId,
        job_subject_id: s.jobSubjectId,
        n: s.n,
        kind: s.what.kind,
        what: sql.json(writeKept('step', s.what) as never),
      })) as never,
    )}`
    await sql`insert into step_state ${sql(
      some.map((s) => ({
        step_id: s.id,
        firm_id: firmId,
        job_subject_id: s.jobSubjectId,
        state: sql.json(writeKept('state', s.state) as never),
      })) as never,
    )}`
  }
}

/** Notes what happened at a step, and what it comes to with it. */
export async function noteStepEvent(
  sql: FirmSql,
  e: {
    firmId: string
    stepId: string
    jobSubjectId: string
    by: string
    event: StepEvent
    state: RunningStep
    isIn: boolean
    isOver: boolean
  },
): Promise<void> {
  const { id, kind, at, ...detail } = e.event
  await sql`insert into step_event (id, firm_id, step_id, job_subject_id, kind, at, by_person, detail)
    values (${id}, ${e.firmId}, ${e.stepId}, ${e.jobSubjectId}, ${kind}, ${new Date(at)}, ${e.by}, ${sql.json(detail)})`
  await sql`update step_state set state = ${sql.json(writeKept('state', e.state) as never)}, is_in = ${e.isIn}, is_over = ${e.isOver}
    where step_id = ${e.stepId}`
}
