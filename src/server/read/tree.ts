import { causeName, cause as causeOf } from '@/almanac/causes'
import { host as hostOf, hostName } from '@/almanac/hosts'
import { dateIn, monthIn } from '@/core/time/calendar'
import { assessmentOfTree, decisionsOfTree, diagnosesOfTree, findingsOf } from '@/db/queries/assessment'
import { followUpsOfTree } from '@/db/queries/followUp'
import { readingsOfTree } from '@/db/queries/reading'
import { holesOfTree, marksOfTree } from '@/db/queries/ring'
import { siteById } from '@/db/queries/site'
import { neighboursOf, treeById, type TreeRow } from '@/db/queries/tree'
import { usesOnShelf } from '@/db/queries/card'
import { screensOfTrees } from '@/db/queries/decideSite'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { ownOf } from '../almanac'
import { hoursAhead, HOURS_AHEAD } from '../weather/known'
import { mattersAt } from '../houseRule'
import { proposalFor } from '../decide'
import { seenOf } from '../seen'
import { READING_GOOD_FOR_YEARS } from '../planItem'
import { dayFor, readingSource, treesAtHand } from '../treesAtHand'
import { withoutPrescription } from '../mayGoOn'
import { limitsAtHand } from '../limitsAtHand'
import { waysFor } from '../waysFor'
import { proposeRate } from '@/core/methods/proposeRate'
import type { Reading } from '../verb'
import { historyOf } from './history'
import { isId, reading } from './reader'
import { holesOnRing, plainMarks } from './ring'
import { blockedBy } from '@/core/plan/blocked'
import { BESIDE, causesOf } from '@/core/diagnose/weigh'
import { withOwn } from '@/almanac/own'
import { isBorne } from '@/core/gate/kind'
import { carriesOn, waysOf } from '@/almanac/ways'

/** What every page of a tree shows, with the rows it was made from. */
async function readTree(context: Reading, id: string) {
  const { sql, person } = context
  const tree = isId(id) ? await treeById(sql, id) : undefined
  if (!tree) return null
  const today = dateIn(tree.timeZone, context.now)
  const [marks, drilled, assessment, own, neighbours] = await Promise.all([
    marksOfTree(sql, id),
    holesOfTree(sql, id),
    assessmentOfTree(sql, id),
    ownOf(sql),
    neighboursOf(sql, tree),
  ])
  const lookAlike = hostOf(tree.host)?.confusedWith?.host
  const holes = holesOnRing(marks, drilled, today)
  const shared = {
    tree,
    kind: hostOf(tree.host),
    kindName: hostName(tree.host),
    lookAlike: lookAlike === undefined ? null : hostName(lookAlike),
    own,
    marks: plainMarks(marks),
    holes,
    assessment: assessment ?? null,
    ...neighbours,
    units: person.units,
    timeZone: tree.timeZone,
    today,
    month: monthIn(tree.timeZone, context.now),
  }
  return { shared, rows: { marks, drilled } }
}

async function base(context: Reading, id: string) {
  return (await readTree(context, id))?.shared ?? null
}

export type TreeBase = NonNullable<Awaited<ReturnType<typeof base>>>

/** The tree's page: the tree, its ring, its readings and everything that happened to it, newest first. */
export function treeView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const { sql } = context
    const [readings, diagnoses, decisions, prescriptions, checks, into] = await Promise.all([
      readingsOfTree(sql, id),
      diagnosesOfTree(sql, id),
      decisionsOfTree(sql, id),
      prescriptionsOfTree(sql, id),
      followUpsOfTree(sql, id),
      shared.tree.mergedInto ? treeById(sql, shared.tree.mergedInto) : undefined,
    ])
    return {
      ...shared,
      readings,
      diagnosis: diagnoses[0] ?? null,
      decision: decisions[0] ?? null,
      prescription: prescriptions[0] ?? null,
      /** Something of it is the client's own to do. */
      forClient: prescriptions.some((p) => p.status === 'client')
        ? ('does' as const)
        : decisions[0] && decisions[0].diagnosisId === diagnoses[0]?.id
          ? ('told' as const)
          : null,
      /** What is promised and not answered yet, the next due first. */
      promised: checks
        .filter((c) => c.verdict === null && c.dropped === null)
        .map((c) => ({ id: c.id, what: c.what, dueOn: c.dueOn })),
      history: await historyOf(context, id, { diagnoses, decisions, prescriptions }),
      into: into ? { id: into.id, tag: into.tag } : null,
    }
  })
}

export type TreeView = NonNullable<Awaited<ReturnType<typeof treeView>>>

/** A signed diagnosis beside the running examination. */
export function weighView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const rows = shared.assessment ? await findingsOf(context.sql, shared.assessment.id) : []
    const diagnoses = await diagnosesOfTree(context.sql, id)
    const { causes, district } = withOwn(shared.own)
    const ofKind = causesOf(shared.tree.host, causes)
    const named = [
      ...BESIDE,
      ...ofKind.flatMap((c) => [c.id, ...c.lookAlikes.map((l) => l.cause)]),
      ...diagnoses.flatMap((d) => [d.cause, ...d.weights.map((w) => w.cause)]),
    ]
    return {
      ...shared,
      /** The causes of its kind, the firm's own among them; no others are weighed. */
      causes: ofKind,
      district,
      names: Object.fromEntries(named.map((c) => [c, causeName(c)])),
      seen: seenOf(rows),
      signed: diagnoses.find((d) => d.assessmentId === shared.assessment?.id) ?? null,
      earlier: diagnoses.filter((d) => d.assessmentId !== shared.assessment?.id),
    }
  })
}

export type WeighView = NonNullable<Awaited<ReturnType<typeof weighView>>>

export function decideView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const diagnosis = (await diagnosesOfTree(context.sql, id))[0] ?? null
    const decision = (await decisionsOfTree(context.sql, id))[0] ?? null
    const seen = diagnosis ? seenOf(await findingsOf(context.sql, diagnosis.assessmentId)) : {}
    const screen = (await screensOfTrees(context.sql, [id]))[0] ?? null
    return {
      ...shared,
      diagnosis: diagnosis && { ...diagnosis, name: causeName(diagnosis.cause) },
      cause: diagnosis ? (causeOf(diagnosis.cause) ?? null) : null,
      proposal: diagnosis ? proposalFor(shared.tree, diagnosis, seen, screen, shared.own) : null,
      screen,
      /** It goes on to neighbours through roots and wood: its removal is a line of works. */
      carries: diagnosis !== null && carriesOn(waysOf(diagnosis.cause, shared.own)),
      matters: diagnosis
        ? await mattersAt(context.sql, {
            cause: diagnosis.cause,
            hosts: [shared.tree.host],
            siteId: shared.tree.siteId,
            treeId: id,
          })
        : [],
      decision: decision && diagnosis && decision.diagnosisId === diagnosis.id ? decision : null,
    }
  })
}

export type DecideView = NonNullable<Awaited<ReturnType<typeof decideView>>>

/** The ways on the shelf for the signed cause of a tree: what may be chosen, in order of merit, and what may not, with why. */
export function prescribeView(id: string) {
  return reading(async (context) => {
    const read = await readTree(context, id)
    if (!read) return null
    const { shared, rows } = read
    const { sql, person, now } = context
    const ofTree = <T>(row: T) => ({ ...row, treeId: id })
    const uses = await usesOnShelf(sql)
    const [site, [hand], prescriptions] = await Promise.all([
      siteById(sql, shared.tree.siteId),
      treesAtHand(context, [shared.tree], uses, {
        marks: rows.marks.map(ofTree),
        holes: rows.drilled.map(ofTree),
        own: shared.own,
      }),
      prescriptionsOfTree(sql, id),
    ])
    const { reading, facts, decided } = hand!
    // What was decided on an earlier cause does not hold for the newest one.
    const decision =
      decided?.decisionId && decided.action && decided.decidedOn === decided.diagnosisId
        ? { id: decided.decisionId, action: decided.action }
        : null
    const signed = prescriptions.filter(
      (p) => p.status !== 'withdrawn' && decision && p.decisionId === decision.id,
    )
    const onIt = signed.filter((p) => !p.again)
    // Of a line what is still to come bears on it, whatever of it is done.
    const handed =
      onIt.find((p) => p.status === 'handed') ?? onIt.find((p) => p.status === 'client') ?? onIt[0] ?? null
    const asked = {
      on: shared.today,
      units: person.units,
      action: decision?.action ?? null,
      // What it counts itself is no limit to it.
      ...(!handed && site && { limits: await limitsAtHand(sql, site, uses, shared.today, person.units) }),
    }
    const held = handed ? withoutPrescription(hand!, handed.id) : hand!
    const ways = waysFor(held, uses, asked)
    const day = dayFor(hand!.weather, shared.timeZone, now, shared.today)
    return {
      ...shared,
      diagnosis: decided && {
        name: causeName(decided.cause),
        probability: decided.probability,
        signedAt: decided.signedAt,
        signedBy: decided.signedBy,
      },
      decision,
      blocked: blockedBy({
        handed: handed && {
          done: handed.status === 'done',
          byClient: handed.status === 'client',
          onDate: handed.onDate,
        },
        measured: reading !== null,
        diagnosed: decided !== null,
        decided: decision?.action ?? null,
        kindOpen: !shared.tree.identityConfirmedAt && shared.kind?.confusedWith !== undefined,
        cards: ways.length,
      }),
      siteNote: site?.note || null,
      matters: decided
        ? await mattersAt(sql, {
            cause: decided.cause,
            hosts: [shared.tree.host],
            siteId: shared.tree.siteId,
            treeId: id,
          })
        : [],
      features: hand!.features,
      water: hand!.water,
      /** What the almanac knows of working on the cause that no card on the shelf carries for this tree. */
      byHand: decided
        ? hand!.cause!.ways.filter(
            (w) => !ways.some((s) => s.use.method === w.method) && isBorne(w, hand!.host),
          )
        : [],
      ways,
      /** Feed capsules that may go in beside an injection. */
      feeds: waysFor(held, uses, { ...asked, beside: true }),
      reading,
      readingGoodForYears: READING_GOOD_FOR_YEARS,
      facts: facts && { ...facts, marks: plainMarks(hand!.marks) },
      day,
      forecast: hand!.weather ? hoursAhead(hand!.weather, now, HOURS_AHEAD, site?.hours) : [],
      readingSource: reading && readingSource(reading, shared.timeZone),
      rate: proposeRate({
        crownLost: shared.tree.liveCrownPercent === null ? null : 100 - shared.tree.liveCrownPercent,
        diameter: facts?.diameter ?? null,
      }),
      handed,
      /** What it was treated with, where it is treated again: the newest first. */
      last: signed
        .filter((p) => p.again)
        .map((p) => ({ code: p.cardCode, method: p.method, choice: p.plan.choice })),
    }
  })
}

export type PrescribeView = NonNullable<Awaited<ReturnType<typeof prescribeView>>>

/** A tree's stand in the chain of work, for the line of steps. */
export type Steps = Pick<TreeRow, 'stage' | 'diameterM'>
