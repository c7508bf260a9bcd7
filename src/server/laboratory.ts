import { enterAnswerAsks } from '@/asks/work'
import { findingsWithOwn } from '@/almanac/ownFindings'
import { ok, refuse, type Result } from '@/core/problem'
import { WEIGH_ANEW } from '@/core/respond/compare'
import { carryFindings, newestOfTrees, setFinding } from '@/db/queries/assessment'
import { addMeasurement, followUpById, followUpForChange } from '@/db/queries/followUp'
import { restage } from '@/db/queries/tree'
import { ownOf } from './almanac'
import { openExamination } from './examination'
import { verb } from './verb'

/**
 * Enters what a laboratory answered. It opens a new examination with what was seen when the sample was decided on, and the
 * answer beside it, to be weighed anew; the check is done.
 */
export const enterAnswerVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.followUpId,
  input: enterAnswerAsks,
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ treeId: string }>> => {
    const { sql, person, at } = context
    const found = await followUpById(sql, input.followUpId)
    if (!found) return refuse('unknown', 'followUpId', 'There is no such check.')
    if (found.expectation.kind !== 'laboratory')
      return refuse(
        'not-allowed',
        'followUpId',
        'No sample was sent for this check; enter its result instead.',
      )
    const findings = findingsWithOwn(await ownOf(sql))
    const other = input.answers.find((a) => findings.get(a.finding)?.place !== 'lab')
    if (other) return refuse('unknown', 'answers', 'This is nothing a laboratory answers.')
    // Whoever enters an answer sees the page it is entered on.
    const open = await openExamination(
      { ...context, away: false },
      { treeId: found.treeId, assessmentId: input.assessmentId },
    )
    if (!open.ok) return open
    const check = (await followUpForChange(sql, found.id))!
    if (check.verdict)
      return refuse(
        'conflict',
        'followUpId',
        `${check.measuredBy} has entered ${check.said} for this check already. Load the page again to see it.`,
      )
    if (check.dropped !== null)
      return refuse('conflict', 'followUpId', `This is no longer waited for: ${check.dropped}`)
    const before = (await newestOfTrees(sql, [found.treeId])).get(found.treeId)?.signed
    if (before) await carryFindings(sql, before.id, input.assessmentId)
    for (const a of input.answers)
      await setFinding(sql, {
        ...a,
        assessmentId: input.assessmentId,
        firmId: person.firmId,
        at,
        by: person.id,
      })
    await addMeasurement(sql, {
      id: input.id,
      firmId: person.firmId,
      followUpId: found.id,
      value: null,
      said: input.answers.map((a) => `${findings.get(a.finding)!.name}: ${SAID[a.state]}`).join('; '),
      verdict: 'answer arrived',
      nextStep: WEIGH_ANEW,
      words: input.words || null,
      at,
      by: person.id,
    })
    await restage(sql, found.treeId)
    return ok({ treeId: found.treeId })
  },
})

const SAID = { there: 'positive', 'not-there': 'negative', unsure: 'unclear' } as const
