import { decisionAsks, followsAsks, signDecisionAsks } from '@/asks/decide'
import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { brittleOf } from '@/almanac/brittle'
import { callsOf, ownWayOn } from '@/almanac/calls'
import { causeName } from '@/almanac/causes'
import { testsFor } from '@/almanac/laboratory'
import type { OwnEntry } from '@/almanac/ownEntry'
import { treatableOf } from '@/almanac/treatable'
import type { Seen } from '@/core/diagnose/almanac'
import { SOMETHING_ELSE } from '@/core/diagnose/weigh'
import { promisedBy } from '@/core/decide/promised'
import { ACTIONS, ENDS_ALL, propose, type Action } from '@/core/decide/propose'
import { turnOf } from '@/core/plan/turn'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, spokenDate } from '@/core/time/calendar'
import {
  decisionsOfTree,
  diagnosesOfTree,
  findingsOf,
  signDecision,
  type DiagnosisRow,
} from '@/db/queries/assessment'
import { screensOfTrees, type ScreenRow } from '@/db/queries/decideSite'
import { addFollowUp, dropPromises } from '@/db/queries/followUp'
import { restage, treesForChange, type TreeRow } from '@/db/queries/tree'
import { ownOf } from './almanac'
import { screenedDanger, seenOf, signsOfDanger } from './seen'
import { gone, standingTree } from './standing'
import { id } from '@/asks/text'
import { verb, type Context } from './verb'

/** What the product proposes for a signed diagnosis, with reasons; `own` is what the firm has added to the almanac. */
export function proposalFor(
  tree: Pick<TreeRow, 'liveCrownPercent' | 'host'>,
  diagnosis: Pick<DiagnosisRow, 'cause' | 'probability' | 'held' | 'overrideReason'>,
  seen: Seen,
  screen: ScreenRow | null,
  own: readonly OwnEntry[],
) {
  const there = (finding: string) => seen[finding] === 'there'
  return propose({
    calls: callsOf(diagnosis.cause, own),
    ownWay: ownWayOn(diagnosis.cause, own),
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
    unsafe: [...signsOfDanger(seen), ...screenedDanger(screen)],
    treatable: treatableOf(diagnosis.cause, tree.host),
    proved: testsFor(diagnosis.cause, own).some((test) => there(test.id)),
    brittle: brittleOf(diagnosis.cause, tree.host),
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

type Signed = Pick<
  z.output<typeof decisionAsks>,
  'id' | 'treeId' | 'diagnosisId' | 'action' | 'words' | 'over'
>
type Following = z.output<typeof followsAsks>

/** Signs what is to be done with a tree that is held. Other than proposed needs the arborist's own words. */
async function decideOne(
  { sql, person, now }: Context,
  tree: TreeRow,
  input: Signed & Following,
  own: readonly OwnEntry[],
): Promise<Result<{ id: string }>> {
  const today = dateIn(tree.timeZone, now)
  const diagnosis = (await diagnosesOfTree(sql, tree.id))[0]
  if (!diagnosis || diagnosis.id !== input.diagnosisId)
    return refuse(
      'conflict',
      'diagnosisId',
      'There is a newer diagnosis of this tree; load the page again and decide on that one.',
    )
  const stands = (await decisionsOfTree(sql, tree.id)).find((d) => d.diagnosisId === diagnosis.id)
  if (stands && stands.id !== input.over)
    return refuse(
      'conflict',
      'action',
      `${stands.signedBy} decided on this in the meantime: ${PROPOSED[stands.action].toLowerCase()}. Load the page again and decide over that, if it is to be otherwise.`,
    )
  const screen = (await screensOfTrees(sql, [tree.id]))[0] ?? null
  const proposal = proposalFor(
    tree,
    diagnosis,
    seenOf(await findingsOf(sql, diagnosis.assessmentId)),
    screen,
    own,
  )
  if (
    proposal.action !== input.action &&
    !proposal.also?.includes(input.action) &&
    (input.words ?? '').length < 8
  )
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
  const ends = ENDS_ALL.includes(input.action)
  await dropPromises(
    sql,
    { treeId: tree.id, cause: ends ? null : diagnosis.cause },
    `decided anew on ${spokenDate(today)}.`,
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
}

/** Signs what is to be done with one tree. */
export const signDecisionVerb = verb({
  roles: ['arborist'],
  signs: true,
  about: (i) => i.treeId,
  input: signDecisionAsks,
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const standing = await standingTree(context, input.treeId)
    return standing.ok ? decideOne(context, standing.value, input, await ownOf(context.sql)) : standing
  },
})

/** As many trees as are decided by one signature. */
export const MOST_DECIDED = 400

/**
 * Signs what is to be done with many trees of a site at once, each with its own decision; what follows holds for all that are
 * decided alike. One that cannot be signed is named, and none is.
 */
export const decideManyVerb = verb({
  roles: ['arborist'],
  signs: true,
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    siteId: id('siteId'),
    decisions: z
      .array(decisionAsks)
      .min(1, { error: 'Choose at least one tree.' })
      .max(MOST_DECIDED, {
        error: `At most ${MOST_DECIDED} trees are decided by one signature; do the rest next.`,
      }),
    follows: z.partialRecord(z.enum(ACTIONS), followsAsks).default({}),
  }),
  run: async (context, input): Promise<Result<{ signed: number }>> => {
    const ids = input.decisions.map((d) => d.treeId)
    if (new Set(ids).size < ids.length)
      return refuse('conflict', 'decisions', 'A tree stands in the list twice; take it out once.')
    const trees = new Map((await treesForChange(context.sql, ids)).map((t) => [t.id, t]))
    const own = await ownOf(context.sql)
    for (const [n, decision] of input.decisions.entries()) {
      const tree = trees.get(decision.treeId)
      if (!tree || tree.siteId !== input.siteId)
        return refuse('unknown', `decisions[${n}].treeId`, 'One of the trees does not stand on this site.')
      const follows = input.follows[decision.action] ?? NOTHING_FOLLOWS
      const signed = gone(tree) ?? (await decideOne(context, tree, { ...decision, ...follows }, own))
      if (!signed.ok)
        return refuse(signed.problem.code, `decisions[${n}]`, `${tree.tag}: ${signed.problem.message}`)
    }
    return ok({ signed: input.decisions.length })
  },
})

const NOTHING_FOLLOWS: Following = { due: null, whom: null, referTo: 'risk assessor', watch: null }
