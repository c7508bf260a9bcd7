import { setDetailAsks, signDiagnosisAsks } from '@/asks/examine'
import { z } from 'zod'
import { causeName } from '@/almanac/causes'
import { versionWith } from '@/almanac/version'
import { FINDING_BY_ID } from '@/almanac/findings'
import { withOwn } from '@/almanac/own'

import { weighTree } from '@/almanac/weighing'
import { basisOf } from '@/core/diagnose/basis'
import { checkDetail } from '@/core/diagnose/detail'
import { judgeHealthy } from '@/core/diagnose/healthy'
import { asksForReason, type Beside } from '@/core/diagnose/parts'
import { BESIDE, HEALTHY, type Weighed } from '@/core/diagnose/weigh'
import { ok, refuse, type Result } from '@/core/problem'
import { monthIn } from '@/core/time/calendar'
import {
  assessmentOfTree,
  closeAssessment,
  findingsOf,
  setDetail,
  setFinding,
  signDiagnosis,
} from '@/db/queries/assessment'
import { rulesAt } from '@/db/queries/localRule'
import { restage } from '@/db/queries/tree'
import { firmAlmanac, ownOf } from './almanac'
import { openExamination } from './examination'
import { promiseReports } from './localRule'
import { seenOf } from './seen'
import { standingTree } from './standing'
import { findingId, id } from '@/asks/text'
import { verb } from './verb'

/** Sets one finding of the running examination; the first one opens it. Null takes it back to not looked at. */
export const setFindingVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.treeId,
  input: z.strictObject({
    treeId: id('treeId'),
    assessmentId: id('assessmentId'),
    finding: findingId,
    state: z.enum(['there', 'not-there', 'unsure']).nullable(),
  }),
  run: async (context, input): Promise<Result<{ assessmentId: string }>> => {
    const { sql, person, at, away } = context
    if (!FINDING_BY_ID.has(input.finding) && !(await firmAlmanac(sql)).findings.has(input.finding))
      return refuse('unknown', 'finding', 'There is no such finding.')
    const open = await openExamination(context, input)
    if (!open.ok) return open
    const assessmentId = open.value
    await setFinding(sql, { ...input, assessmentId, firmId: person.firmId, at, by: person.id, late: away })
    await restage(sql, input.treeId)
    return ok({ assessmentId })
  },
})

/** Notes how much of a finding there is, on which side, counted on what. */
export const setDetailVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.assessmentId,
  input: setDetailAsks,
  run: async (context, input): Promise<Result<{ kept: true }>> => {
    const checked = checkDetail(input.detail)
    if (!checked.ok) return checked
    const open = await openExamination(context, input)
    if (!open.ok) return open
    return (await setDetail(context.sql, open.value, input.finding, checked.value)) === 1
      ? ok({ kept: true })
      : refuse('conflict', 'finding', 'Set the finding first, then note how much of it there is.')
  },
})

/**
 * Signs what explains the findings. The weights as they were then are kept with the almanac's version.
 * A cause other than the leading one, or one on hold, needs the arborist's reason.
 */
export const signDiagnosisVerb = verb({
  roles: ['arborist'],
  signs: true,
  about: (i) => i.treeId,
  input: signDiagnosisAsks,
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, now } = context
    const standing = await standingTree(context, input.treeId)
    if (!standing.ok) return standing
    const tree = standing.value
    const assessment = await assessmentOfTree(sql, tree.id)
    if (!assessment || assessment.id !== input.assessmentId)
      return refuse(
        'conflict',
        'assessmentId',
        'There is a newer examination of this tree; load the page again and weigh that one.',
      )
    if (assessment.closedAt) return refuse('conflict', 'assessmentId', 'This examination is signed already.')
    const rows = await findingsOf(sql, assessment.id)
    if (rows.length === 0)
      return refuse('missing', 'findings', 'Nothing has been looked at yet; examine the tree first.')
    const own = await ownOf(sql)
    const month = monthIn(tree.timeZone, now)
    const almanac = withOwn(own)
    const seen = seenOf(rows)
    const weighing = weighTree(tree.host, month, seen, almanac)
    const { weighed, judgement } = weighing
    const probability = weighed.find((w) => w.cause === input.cause)?.probability
    if (probability === undefined)
      return refuse('unknown', 'cause', 'This cause is not one that this kind of tree can have.')
    const healthy =
      input.cause === HEALTHY ? judgeHealthy({ host: tree.host, month, seen, ...almanac }, probability) : null
    const beside = input.beside ?? []
    const strange = besideProblem(input.cause, beside, weighed)
    if (strange) return strange
    const reasoned = (input.reason ?? '').length >= 8
    if (healthy && healthy.unsafe.length > 0)
      return refuse(
        'not-allowed',
        'cause',
        `${healthy.unsafe.join(', ')}: this is no healthy tree. Sign what explains it and refer it to a risk assessor.`,
      )
    if (healthy && healthy.doubts.length > 0 && !reasoned)
      return refuse(
        'missing',
        'reason',
        `${healthy.doubts.join(' ')} To sign it healthy all the same, write why.`,
      )
    const waits = judgement.hold?.danger ? null : judgement.hold
    if (!healthy && asksForReason(weighing, input.cause) && !reasoned)
      return refuse(
        'missing',
        'reason',
        waits
          ? `${waits.reason} To sign all the same, write why.`
          : `${causeName(weighed[0]!.cause)} weighs more than ${causeName(input.cause).toLowerCase()}. To sign all the same, write why.`,
      )
    await signDiagnosis(sql, {
      id: input.id,
      firmId: person.firmId,
      assessmentId: assessment.id,
      treeId: tree.id,
      cause: input.cause,
      probability,
      weights: weighed.map(({ cause, probability }) => ({ cause, probability })),
      basis: basisOf(weighed, seen, almanac),
      beside,
      almanacVersion: versionWith(own),
      held: healthy ? null : (waits?.reason ?? null),
      overrideReason: input.reason || null,
      at: now,
      by: person.id,
    })
    await closeAssessment(sql, assessment.id, now)
    await promiseReports(context, await rulesAt(sql, tree.siteId), tree, input.cause)
    await restage(sql, tree.id)
    return ok({ id: input.id })
  },
})

/** What cannot be signed beside a cause: the cause itself, one twice, one its kind cannot have, or anything beside a healthy tree. */
function besideProblem(main: string, beside: readonly Beside[], weighed: readonly Weighed[]) {
  if (beside.length > 0 && BESIDE.includes(main))
    return refuse('conflict', 'beside', 'Beside a healthy tree, or something else, no other cause is signed.')
  const ids = beside.map((b) => b.cause)
  const wrong = ids.find(
    (id, i) =>
      id === main || ids.indexOf(id) !== i || BESIDE.includes(id) || !weighed.some((w) => w.cause === id),
  )
  return wrong === undefined
    ? null
    : refuse(
        'unknown',
        'beside',
        `${causeName(wrong)} cannot be signed beside it: each cause of this kind of tree stands once.`,
      )
}
