import { isBegun } from '@/core/methods/running'
import { ok, refuse, type Result } from '@/core/problem'
import type { FirmSql } from '@/db/client'
import { jobSubjects, jobSubjectsForChange, type JobSubjectRow } from '@/db/queries/job'
import { treesForChange, type TreeRow } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'

/** Trees of jobs at which nothing was done yet, held until the transaction ends; or why one of them is not such a tree. */
export async function notBegun(
  sql: FirmSql,
  jobSubjectIds: readonly string[],
): Promise<Result<{ subjects: JobSubjectRow[]; trees: TreeRow[] }>> {
  const ids = [...new Set(jobSubjectIds)]
  const found = await jobSubjects(sql, ids)
  // The tree before what is done at it, as in every step.
  const trees = await treesForChange(sql, [...new Set(found.map((s) => s.treeId))])
  const subjects = await jobSubjectsForChange(sql, ids)
  if (subjects.length < ids.length)
    return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
  const closed = subjects.find((s) => s.status !== 'open')
  if (closed)
    return refuse(
      'conflict',
      'jobSubjectId',
      closed.status === 'recorded'
        ? `${closed.tag} is signed and recorded; what was done stands.`
        : `${closed.tag} was taken back already. Load the page again.`,
    )
  const begun = (await stepsOfSubjects(sql, ids)).find((s) => isBegun(s.state))
  if (begun)
    return refuse(
      'conflict',
      'jobSubjectId',
      `Work at ${subjects.find((s) => s.id === begun.jobSubjectId)!.tag} has begun. Finish it or give it up, and sign what went on.`,
    )
  return ok({ subjects, trees })
}
