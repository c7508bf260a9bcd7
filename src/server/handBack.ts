import { handBackAsks } from '@/asks/work'
import { ok, type Result } from '@/core/problem'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { openSubjects, waitingFor, withdrawSubjects } from '@/db/queries/prescription'
import { restage } from '@/db/queries/tree'
import { freeLimit } from './anew'
import { notBegun } from './notBegun'
import { verb } from './verb'

/**
 * Hands trees of a job back to the arborist before anything was done at them, with the reason: the arborist plans them anew.
 * By the arborist it is the taking back of a whole group.
 */
export const handBackVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.jobSubjectIds[0]!,
  input: handBackAsks,
  run: async (context, input): Promise<Result<{ back: number }>> => {
    const { sql, person, at } = context
    const found = await notBegun(sql, input.jobSubjectIds)
    if (!found.ok) return found
    const { subjects, trees } = found.value
    for (const prescriptionId of new Set(subjects.map((s) => s.prescriptionId))) {
      const own = subjects.filter((s) => s.prescriptionId === prescriptionId)
      // What waited for a step that is handed back is planned anew with it; what is only done if something is found falls with what waits for it.
      const led = own.filter((s) => s.onlyIf === null).map((s) => s.treeId)
      const waiting = (await openSubjects(sql, prescriptionId)).filter(
        (s) => s.jobSubjectId === null && led.includes(s.treeId),
      )
      // What waits for a finding that was not made is never done either.
      const after = await waitingFor(
        sql,
        own.map((s) => s.subjectId),
      )
      await withdrawSubjects(
        sql,
        prescriptionId,
        [...new Set([...own, ...waiting, ...after].map((s) => s.subjectId))],
        input.words,
      )
    }
    const said =
      person.role === 'arborist'
        ? null
        : `Handed back by ${person.name} on ${spokenDate(dateIn(subjects[0]!.timeZone, at))}: ${input.words}`
    for (const treeId of new Set(subjects.map((s) => s.treeId))) await restage(sql, treeId, said)
    await freeLimit(
      context,
      trees.map((t) => t.siteId),
    )
    return ok({ back: subjects.length })
  },
})
