import { releaseLineAsks } from '@/asks/work'
import { ok, refuse, type Result } from '@/core/problem'
import { jobSubjectsForChange, releaseSubjects } from '@/db/queries/job'
import { unlessAway } from './away'
import { verb } from './verb'
import { whyStopped } from './whyNotBegun'

/** Releases a line that was signed to be done only when something is found, with what was found on site. */
export const releaseLineVerb = verb({
  roles: ['crew lead', 'arborist'],
  about: (i) => i.jobSubjectIds[0]!,
  input: releaseLineAsks,
  run: async (context, input): Promise<Result<{ released: number }>> => {
    const { sql, at } = context
    const ids = [...new Set(input.jobSubjectIds)]
    const subjects = await jobSubjectsForChange(sql, ids)
    if (subjects.length < ids.length)
      return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
    for (const subject of subjects) {
      if (subject.onlyIf === null)
        return refuse('not-allowed', 'jobSubjectId', 'This is done in any case; nothing is to be released.')
      if (subject.status !== 'open' || subject.releasedAt !== null)
        return refuse('conflict', 'jobSubjectId', `${subject.tag} is released or closed already.`)
      const stopped = await unlessAway(context, subject, () => whyStopped(sql, subject))
      if (stopped) return stopped
    }
    await releaseSubjects(sql, ids, at, input.found)
    return ok({ released: ids.length })
  },
})
