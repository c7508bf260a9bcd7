import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { ALMANAC_VERSION, cause as causeOf, causeName } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { withOwn } from '@/almanac/own'
import { weighTree } from '@/almanac/weighing'
import type { Seen } from '@/core/diagnose/almanac'
import { checkDetail } from '@/core/diagnose/detail'
import { judgeHealthy } from '@/core/diagnose/healthy'
import { HEALTHY, SOMETHING_ELSE } from '@/core/diagnose/weigh'
import { promisedBy } from '@/core/decide/promised'
import { ACTIONS, propose, type Action } from '@/core/decide/propose'
import { turnOf } from '@/core/plan/turn'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, isDate, monthIn, spokenDate } from '@/core/time/calendar'
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
import { addFollowUp, dropPromises } from '@/db/queries/followUp'
import { restage, type TreeRow } from '@/db/queries/tree'
import { firmAlmanac, ownOf } from './almanac'
import { openExamination } from './examination'
import { promiseReports } from './localRule'
import { seenOf, signsOfDanger } from './seen'
import { standingTree } from './standing'
import { findingId, id, line, words } from './text'
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
    const almanac = withOwn(own)
    const seen = seenOf(rows)
    const { weighed, judgement } = weighTree(tree.host, month, seen, almanac)
    const healthy =
      input.cause === HEALTHY ? judgeHealthy({ host: tree.host, month, seen, ...almanac }) : null
    const probability = healthy?.chance ?? weighed.find((w) => w.cause === input.cause)?.probability
    if (probability === undefined)
      return refuse('unknown', 'cause', 'This cause is not one that this kind of tree can have.')
    const leads = weighed[0]!.cause === input.cause
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
    if (!healthy && (!leads || judgement.hold) && !reasoned)
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
      probability,
      weights: weighed.map(({ cause, probability }) => ({ cause, probability })),
      almanacVersion: own.length === 0 ? ALMANAC_VERSION : `${ALMANAC_VERSION} with ${own.length} own`,
      held: healthy ? null : (judgement.hold?.reason ?? null),
      overrideReason: input.reason || null,
      at: now,
      by: person.id,
    })
    await closeAssessment(sql, assessment.id, now)
    await promiseReports(context, tree, input.cause, causeName(input.cause).toLowerCase())
    await restage(sql, tree.id)
    return ok({ id: input.id })
  },
})

/** What the product proposes for a signed diagnosis, with reasons. */
export function proposalFor(tree: TreeRow, diagnosis: DiagnosisRow, seen: Seen) {
  const there = (finding: string) => seen[finding] === 'there'
  return propose({
    calls: diagnosis.cause === HEALTHY ? 'healthy' : (causeOf(diagnosis.cause)?.action ?? 'none'),
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
  healthy: 'Healthy, with a date to look again',
}

/** Signs what is to be done. Other than proposed needs the arborist's own words. */
export const signDecisionVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    diagnosisId: id('diagnosisId'),
    action: z.enum(ACTIONS, { error: 'Choose treat, care, watch, sample, refer, remove or healthy.' }),
    words: words('Words'),
    /** Of every decision but to treat: the day on which somebody looks, or an answer is due. */
    due: z.string().refine(isDate, { error: 'The day is not a calendar date.' }).nullable().default(null),
    /** The assessor, the laboratory, whoever takes it down. */
    whom: line('Whom', 80).nullable().default(null),
    /** Of a watch: what is counted, and how many are too many. */
    watch: z
      .strictObject({
        count: line('What is counted', 80, 3),
        threshold: z
          .int({ error: 'The threshold is a whole number.' })
          .min(0, { error: 'The threshold is zero or more.' })
          .max(100_000, { error: 'The threshold is too high to count to.' }),
      })
      .nullable()
      .default(null),
  }),
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, now } = context
    const standing = await standingTree(context, input.treeId)
    if (!standing.ok) return standing
    const tree = standing.value
    const today = dateIn(tree.timeZone, now)
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
    if (input.action === 'healthy' && proposal.action !== 'healthy')
      return refuse(
        'not-allowed',
        'action',
        `${causeName(diagnosis.cause)} is signed as the cause. To call the tree healthy, examine it again and sign that.`,
      )
    if (input.watch && input.action !== 'watch')
      return refuse('not-allowed', 'watch', 'A threshold belongs to a watch; take it out.')
    const promised = input.action === 'treat' ? null : promisedBy(input.action, { ...input, today })
    if (promised && !promised.ok) return promised
    await dropPromises(sql, tree.id, `decided anew on ${spokenDate(today)}.`)
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
    if (promised)
      await addFollowUp(sql, {
        ...promised.value,
        id: uuidv7(),
        firmId: person.firmId,
        treeId: tree.id,
        prescriptionId: null,
        decisionId: input.id,
        turn: turnOf(promised.value.expectation),
      })
    await restage(sql, tree.id, null)
    return ok({ id: input.id })
  },
})
