import { v7 as uuidv7 } from 'uuid'
import { foldStep } from '@/core/methods/running'
import { refuse, type Result } from '@/core/problem'
import { daysBetween } from '@/core/time/calendar'
import { addJobItem } from '@/db/queries/job'
import type { NewItem } from '@/db/queries/prescription'
import { addSteps } from '@/db/queries/workStep'
import type { Context } from './verb'

/** Why work cannot be put on a day, or null: the day is over, or so far off that the reading would be too old. */
export function refusedDay(today: string, onDate: string): Result<never> | null {
  if (onDate < today)
    return refuse('out-of-range', 'onDate', 'The day lies in the past; choose today or later.')
  if (daysBetween(today, onDate) > 366)
    return refuse(
      'out-of-range',
      'onDate',
      'The day is more than a year away; the reading would be too old. Choose a nearer day.',
    )
  return null
}

/** What is put on a job: an occurrence of an item with the trees it is due at. */
export interface Due extends Pick<NewItem, 'occurrenceId' | 'method'> {
  subjects: Pick<NewItem['subjects'][number], 'id' | 'treeId' | 'plan'>[]
}

/** Puts an item with its trees and their steps on a job. */
export async function putOnJob({ sql, person }: Context, jobId: string, item: Due): Promise<void> {
  const subjects = item.subjects.map((s) => ({
    id: uuidv7(),
    subjectId: s.id,
    treeId: s.treeId,
    plan: s.plan,
  }))
  await addJobItem(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    jobId,
    occurrenceId: item.occurrenceId,
    method: item.method,
    subjects,
  })
  await addSteps(
    sql,
    person.firmId,
    subjects.flatMap(({ id: jobSubjectId, plan }) =>
      plan.steps.map((what, i) => {
        const { state } = foldStep(i + 1, what, [])
        return { id: uuidv7(), jobSubjectId, n: i + 1, what, state }
      }),
    ),
  )
}
