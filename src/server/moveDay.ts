import { moveDayAsks } from '@/asks/work'
import { refuse, type Result } from '@/core/problem'
import { spokenDate } from '@/core/time/calendar'
import { jobById, jobSubjects } from '@/db/queries/job'
import { moveTrees } from './moveTrees'
import { verb } from './verb'

/** Moves trees of a job at which nothing was begun to another day, with the reason: rain, a locked gate, too much for one day. */
export const moveDayVerb = verb({
  roles: ['arborist', 'crew lead'],
  bearing: 'use',
  about: (i) => i.jobSubjectIds[0]!,
  input: moveDayAsks,
  run: async (context, input): Promise<Result<{ jobId: string; trees: number }>> => {
    const first = (await jobSubjects(context.sql, input.jobSubjectIds.slice(0, 1)))[0]
    const job = first && (await jobById(context.sql, first.jobId))
    if (job?.onDate === input.onDate)
      return refuse(
        'conflict',
        'onDate',
        `It stands on ${spokenDate(job.onDate)} already; choose another day.`,
      )
    return moveTrees(context, input)
  },
})
