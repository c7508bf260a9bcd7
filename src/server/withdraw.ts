import { withdrawPrescriptionAsks } from '@/asks/work'
import { isBegun } from '@/core/methods/running'
import { ok, refuse, type Result } from '@/core/problem'
import { jobSubjectsForChange } from '@/db/queries/job'
import { openSubjects, prescriptionsOfTree, withdrawSubjects } from '@/db/queries/prescription'
import { restage, treeForChange } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { freeLimit } from './anew'
import { verb } from './verb'

/** Takes a tree's prescription back before any of it was done, so that it can be planned anew. */
export const withdrawPrescriptionVerb = verb({
  roles: ['arborist'],
  about: (i) => i.prescriptionId,
  input: withdrawPrescriptionAsks,
  run: async (context, input): Promise<Result<{ withdrawn: true }>> => {
    const { sql } = context
    const tree = await treeForChange(sql, input.treeId)
    const found =
      tree && (await prescriptionsOfTree(sql, tree.id)).filter((p) => p.id === input.prescriptionId)
    if (!tree || !found?.[0])
      return refuse('unknown', 'prescriptionId', 'There is no such prescription of this tree.')
    if (!found.some((p) => p.status === 'handed' || p.status === 'client'))
      return refuse(
        'conflict',
        'prescriptionId',
        found.every((p) => p.status === 'withdrawn')
          ? 'This prescription was taken back already.'
          : 'This prescription is recorded; what was done stands.',
      )
    const open = (await openSubjects(sql, input.prescriptionId)).filter((s) => s.treeId === tree.id)
    const withCrew = open.flatMap((s) => (s.jobSubjectId ? [s.jobSubjectId] : []))
    await jobSubjectsForChange(sql, withCrew)
    const begun = (await stepsOfSubjects(sql, withCrew)).filter((s) => isBegun(s.state))
    if (begun.length > 0) {
      const ports = begun[0]!.state.kind === 'port'
      return refuse(
        'conflict',
        'prescriptionId',
        `The crew has begun: ${begun.length} ${ports ? (begun.length === 1 ? 'port is drilled' : 'ports are drilled') : begun.length === 1 ? 'step is done' : 'steps are done'}. Decide anew instead; the crew then opens nothing more and records what is in.`,
      )
    }
    await withdrawSubjects(
      sql,
      input.prescriptionId,
      open.map((s) => s.subjectId),
      input.words,
    )
    await restage(sql, tree.id)
    await freeLimit(context, [tree.siteId])
    return ok({ withdrawn: true })
  },
})
