import { z } from 'zod'
import { ALMANAC_VERSION, cause as causeOf, causeName } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { withOwn } from '@/almanac/own'
import { weighTree } from '@/almanac/weighing'
import type { Seen } from '@/core/diagnose/almanac'
import { checkDetail } from '@/core/diagnose/detail'
import { SOMETHING_ELSE } from '@/core/diagnose/weigh'
import { ACTIONS, propose, type Action } from '@/core/decide/propose'
import { ok, refuse, type Result } from '@/core/problem'
import { monthIn } from '@/core/time/calendar'
import {
  assessmentOfTree,
  closeAssessment,
  diagnosesOfTree,
  findingsOf,
  setDetail,
  setFinding,
  signDecision,
  signDiagnosis,
  type DiagnosisRow,
} from '@/db/queries/assessment'
import { restage, type TreeRow } from '@/db/queries/tree'
import { firmAlmanac, ownOf } from './almanac'
import { openExamination } from './examination'
import { seenOf, signsOfDanger } from './seen'
import { standingTree } from './standing'
import { id, line, words } from './text'
import { verb } from './verb'

const findingId = z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'There is no such finding.' })

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
    const { sql, person, at } = context
    if (!FINDING_BY_ID.has(input.finding) && !(await firmAlmanac(sql)).findings.has(input.finding))
      return refuse('unknown', 'finding', 'There is no such finding.')
    const open = await openExamination(context, input)
    if (!open.ok) return open
    await setFinding(sql, { ...input, firmId: person.firmId, at, by: person.id })
    await restage(sql, input.treeId)
    return ok({ assessmentId: input.assessmentId })
  },
})

/** Notes how much of a finding there is, on which side, counted on what. */
export const setDetailVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.assessmentId,
  input: z.strictObject({
    treeId: id('treeId'),
    assessmentId: id('assessmentId'),
    finding: findingId,
    detail: z.strictObject({
      amount: z.enum(['little', 'some', 'much']).optional(),
      bearing: z.number({ error: 'A bearing is a number of degrees.' }).optional(),
      count: z.number({ error: 'A count is a whole number.' }).optional(),
      sample: z
        .strictObject({
          size: z.number({ error: 'A sample is a whole number.' }),
          of: line('What was counted', 30),
        })
        .optional(),
      words: line('Your words', 300).optional(),
    }),
  }),
  run: async (context, input): Promise<Result<{ kept: true }>> => {
    const checked = checkDetail(input.detail)
    if (!checked.ok) return checked
    const open = await openExamination(context, input)
    if (!open.ok) return open
    return (await setDetail(context.sql, input.assessmentId, input.finding, checked.value)) === 1
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
  about: (i) => i.treeId,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    assessmentId: id('assessmentId'),
    cause: z.string().max(80),
    reason: words('Reasons'),
  }),
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
    const { weighed, judgement } = weighTree(tree.host, month, seenOf(rows), withOwn(own))
    const chosen = weighed.find((w) => w.cause === input.cause)
    if (!chosen) return refuse('unknown', 'cause', 'This cause is not one that this kind of tree can have.')
    const leads = weighed[0]!.cause === input.cause
    if ((!leads || judgement.hold) && (input.reason ?? '').length < 8)
      return refuse(
        'missing',
        'reason',
        judgement.hold
          ? `${judgement.hold.reason} To sign all the same, write why.`
          : `${causeName(weighed[0]!.cause)} weighs more than ${causeName(input.cause).toLowerCase()}. To sign all the same, write why.`,
      )
    await signDiagnosis(sql, {
      id: input.id,
      firmId: person.firmId,
      assessmentId: assessment.id,
      treeId: tree.id,
      cause: input.cause,
      probability: chosen.probability,
      weights: weighed.map(({ cause, probability }) => ({ cause, probability })),
      almanacVersion: own.length === 0 ? ALMANAC_VERSION : `${ALMANAC_VERSION} with ${own.length} own`,
      held: judgement.hold?.reason ?? null,
      overrideReason: input.reason || null,
      at: now,
      by: person.id,
    })
    await closeAssessment(sql, assessment.id, now)
    await restage(sql, tree.id)
    return ok({ id: input.id })
  },
})

/** What the product proposes for a signed diagnosis, with reasons. */
export function proposalFor(tree: TreeRow, diagnosis: DiagnosisRow, seen: Seen) {
  const there = (finding: string) => seen[finding] === 'there'
  return propose({
    calls: causeOf(diagnosis.cause)?.action ?? 'none',
    causeName: causeName(diagnosis.cause),
    probability: diagnosis.probability,
    liveCrown: tree.liveCrownPercent,
    held:
      diagnosis.cause === SOMETHING_ELSE
        ? 'Something else explains it best. Look further before anything is bought.'
        : diagnosis.overrideReason
          ? null
          : diagnosis.held,
    drought: there('soil-dry') || there('leaf-fold-crisp'),
    saturated: there('soil-wet'),
    buriedFlare: there('flare-hidden'),
    unsafe: signsOfDanger(seen),
    girdles: causeOf(diagnosis.cause)?.girdles ?? false,
  })
}

const PROPOSED: Record<Action, string> = {
  treat: 'To treat',
  care: 'Care without a product',
  watch: 'To watch',
  sample: 'To send a sample',
  refer: 'To refer it to a risk assessor',
  remove: 'To remove the tree',
}

/** Signs what is to be done. Other than proposed needs the arborist's own words. */
export const signDecisionVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    diagnosisId: id('diagnosisId'),
    action: z.enum(ACTIONS, { error: 'Choose treat, care, watch, sample, refer or remove.' }),
    words: words('Words'),
  }),
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, now } = context
    const standing = await standingTree(context, input.treeId)
    if (!standing.ok) return standing
    const tree = standing.value
    const diagnosis = (await diagnosesOfTree(sql, tree.id))[0]
    if (!diagnosis || diagnosis.id !== input.diagnosisId)
      return refuse(
        'conflict',
        'diagnosisId',
        'There is a newer diagnosis of this tree; load the page again and decide on that one.',
      )
    const proposal = proposalFor(tree, diagnosis, seenOf(await findingsOf(sql, diagnosis.assessmentId)))
    if (proposal.action !== input.action && (input.words ?? '').length < 8)
      return refuse(
        'missing',
        'words',
        `${PROPOSED[proposal.action]} is proposed. To decide otherwise, write why.`,
      )
    if (input.action === 'treat' && proposal.action === 'refer')
      return refuse(
        'not-allowed',
        'action',
        'This tree is a safety case first: nothing is drilled or climbed until a qualified risk assessor has looked. Refer it.',
      )
    await signDecision(sql, {
      id: input.id,
      firmId: person.firmId,
      diagnosisId: diagnosis.id,
      treeId: tree.id,
      action: input.action,
      proposed: proposal.action,
      reasons: proposal.reasons,
      words: input.words || null,
      at: now,
      by: person.id,
    })
    await restage(sql, tree.id, null)
    return ok({ id: input.id })
  },
})
