import { causeName, cause as causeOf } from '@/almanac/causes'
import { host as hostOf } from '@/almanac/hosts'
import { showWeight } from '@/core/diagnose/showWeight'
import { SOMETHING_ELSE } from '@/core/diagnose/weigh'
import { monthIn, spokenDate } from '@/core/time/calendar'
import {
  assessmentOfTree,
  decisionsOfTree,
  diagnosesOfTree,
  findingsOf,
  lastOnSite,
} from '@/db/queries/assessment'
import { followUpsOfTree } from '@/db/queries/followUp'
import { houseRules } from '@/db/queries/almanac'
import { photosOf } from '@/db/queries/photo'
import { recordsOfTree } from '@/db/queries/record'
import { holesOfTree, marksOfTree, readingsOfTree, treeById, type TreeRow } from '@/db/queries/tree'
import { labelCards, prescriptionsOfTree } from '@/db/queries/work'
import { ownOf } from '../almanac'
import { proposalFor } from '../assess'
import { seenOf } from '../seen'
import { DECIDED } from '../decided'
import { labelSource, planBase, READING_GOOD_FOR_YEARS } from '../prescribe'
import type { Reading } from '../verb'
import { isId, reading } from './reader'
import { holesOnRing, plainMarks } from './ring'

async function base(context: Reading, id: string) {
  const { sql, person, today } = context
  const tree = isId(id) ? await treeById(sql, id) : undefined
  if (!tree) return null
  const [marks, drilled, assessment, own, neighbours] = await Promise.all([
    marksOfTree(sql, id),
    holesOfTree(sql, id),
    assessmentOfTree(sql, id),
    ownOf(sql),
    sql<{ before: string | null; after: string | null }[]>`
      select (select id from tree x where x.site_id = ${tree.siteId} and x.status = 'standing' and x.tag < ${tree.tag} order by x.tag desc, x.id limit 1) as before,
        (select id from tree x where x.site_id = ${tree.siteId} and x.status = 'standing' and x.tag > ${tree.tag} order by x.tag, x.id limit 1) as after`,
  ])
  const holes = holesOnRing(marks, drilled, person, today)
  return {
    tree,
    kind: hostOf(tree.host),
    own,
    marks: plainMarks(marks),
    holes,
    assessment: assessment ?? null,
    previous: neighbours[0]?.before ?? null,
    next: neighbours[0]?.after ?? null,
    units: person.units,
    role: person.role,
    timeZone: person.timeZone,
    today,
    month: monthIn(person.timeZone, context.now),
  }
}

export type TreeBase = NonNullable<Awaited<ReturnType<typeof base>>>

export interface HistoryEntry {
  at: number
  what:
    'reading' | 'diagnosis' | 'decision' | 'prescription' | 'record' | 'correction' | 'follow-up' | 'planned'
  title: string
  detail: string
  by: string | null
  href?: string
}

/** The tree's page: the tree, its ring, its readings and everything that happened to it, newest first. */
export function treeView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const { sql } = context
    const [readings, diagnoses, decisions, prescriptions, records, checks] = await Promise.all([
      readingsOfTree(sql, id),
      diagnosesOfTree(sql, id),
      decisionsOfTree(sql, id),
      prescriptionsOfTree(sql, id),
      recordsOfTree(sql, id),
      followUpsOfTree(sql, id),
    ])
    const history: HistoryEntry[] = [
      ...diagnoses.map((d): HistoryEntry => ({
        at: d.signedAt.getTime(),
        what: 'diagnosis',
        title: causeName(d.cause),
        detail: `weighed ${showWeight(d.probability)}${d.overrideReason ? `; ${d.overrideReason}` : ''}`,
        by: d.signedBy,
        href: d.cause === SOMETHING_ELSE ? undefined : `/almanac/cause/${d.cause}`,
      })),
      ...decisions.map((d): HistoryEntry => ({
        at: d.signedAt.getTime(),
        what: 'decision',
        title: DECIDED[d.action],
        detail: d.words ?? d.reasons.map((r) => r.text).join(' '),
        by: d.signedBy,
      })),
      ...prescriptions.map((p): HistoryEntry => ({
        at: p.signedAt.getTime(),
        what: 'prescription',
        title: `Trunk injection, ${p.labelName}`,
        detail: `${(p.dose.volumeM3 * 1e6).toFixed(1)} mL in ${p.dose.ports.length} ports${p.onDate ? `, for ${spokenDate(p.onDate)}` : ''}`,
        by: p.signedBy,
        href: p.jobId ? `/run/${p.jobId}` : undefined,
      })),
      ...records.map((r): HistoryEntry => ({
        at: r.signedAt.getTime(),
        what: r.kind === 'correction' ? 'correction' : 'record',
        title:
          r.kind === 'correction'
            ? `Correction of a record`
            : `Record ${r.seq}: ${String(r.body.method ?? 'application')}`,
        detail:
          r.kind === 'correction'
            ? String(r.body.correction ?? '')
            : `${((r.body.volumeM3 as number) * 1e6).toFixed(1)} mL of ${(r.body.product as { name: string }).name}, ${((r.body.ports as unknown[]) ?? []).length} ports`,
        by: r.signedBy,
        href: `/ledger/${r.id}`,
      })),
      ...checks
        .filter((c) => c.verdict)
        .map((c): HistoryEntry => ({
          at: c.measuredAt!.getTime(),
          what: 'follow-up',
          title: c.what,
          detail: `${c.value} ${c.expectation.unit}, ${c.verdict}; next: ${c.nextStep}`,
          by: c.measuredBy,
          href: `/follow-up/${c.id}`,
        })),
      ...checks
        .filter((c) => !c.verdict)
        .map((c): HistoryEntry => ({
          at: Date.parse(`${c.dueOn}T12:00:00Z`),
          what: 'planned',
          title: c.what,
          detail: 'promised',
          by: null,
          href: `/follow-up/${c.id}`,
        })),
      ...readings.map((r): HistoryEntry => ({
        at: r.readAt.getTime(),
        what: 'reading',
        title: `Measured by ${r.tape} tape`,
        detail: r.typed,
        by: r.readBy,
      })),
    ]
    history.sort((a, b) => b.at - a.at)
    return {
      ...shared,
      readings,
      diagnosis: diagnoses[0] ?? null,
      decision: decisions[0] ?? null,
      prescription: prescriptions[0] ?? null,
      history,
    }
  })
}

export type TreeView = NonNullable<Awaited<ReturnType<typeof treeView>>>

/** The running examination, or none yet; a closed one is shown but not written to. */
export function examineView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const rows = shared.assessment ? await findingsOf(context.sql, shared.assessment.id) : []
    const photos = shared.assessment ? await photosOf(context.sql, shared.assessment.id) : []
    return {
      ...shared,
      seen: seenOf(rows),
      details: Object.fromEntries(rows.map((r) => [r.finding, r.detail])),
      photos: photos.map((p) => ({ ...p, takenAt: p.takenAt.getTime() })),
      lastOnSite: (await lastOnSite(context.sql, shared.tree.siteId, shared.tree.id)) ?? null,
    }
  })
}

export type ExamineView = NonNullable<Awaited<ReturnType<typeof examineView>>>

/** A signed diagnosis beside the running examination. */
export function weighView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const rows = shared.assessment ? await findingsOf(context.sql, shared.assessment.id) : []
    const diagnoses = await diagnosesOfTree(context.sql, id)
    return {
      ...shared,
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
    return {
      ...shared,
      diagnosis: diagnosis && { ...diagnosis, name: causeName(diagnosis.cause) },
      cause: diagnosis ? (causeOf(diagnosis.cause) ?? null) : null,
      proposal: diagnosis ? proposalFor(shared.tree, diagnosis, seen) : null,
      rules: await houseRules(context.sql),
      decision: decision && diagnosis && decision.diagnosisId === diagnosis.id ? decision : null,
    }
  })
}

export type DecideView = NonNullable<Awaited<ReturnType<typeof decideView>>>

export function prescribeView(id: string) {
  return reading(async (context) => {
    const shared = await base(context, id)
    if (!shared) return null
    const { sql } = context
    const [[reading = null], [diagnosis = null], [decision = null], allCards, prescriptions] =
      await Promise.all([
        readingsOfTree(sql, id),
        diagnosesOfTree(sql, id),
        decisionsOfTree(sql, id),
        labelCards(sql),
        prescriptionsOfTree(sql, id),
      ])
    const cards = allCards.filter(
      (l) =>
        l.body.hosts.includes(shared.tree.host) && (!diagnosis || l.body.targets.includes(diagnosis.cause)),
    )
    // What protects longest stands first.
    cards.sort((a, b) => b.body.use.retreatYears - a.body.use.retreatYears)
    return {
      ...shared,
      diagnosis: diagnosis && { ...diagnosis, name: causeName(diagnosis.cause) },
      decision: decision && diagnosis && decision.diagnosisId === diagnosis.id ? decision : null,
      cards: cards.map((c) => ({ ...c, source: labelSource(c) })),
      reading,
      readingGoodForYears: READING_GOOD_FOR_YEARS,
      plan: reading ? await planBase(context, id, reading) : null,
      handed:
        prescriptions.find((p) => p.status !== 'withdrawn' && decision && p.decisionId === decision.id) ??
        null,
    }
  })
}

export type PrescribeView = NonNullable<Awaited<ReturnType<typeof prescribeView>>>

/** A tree's stand in the chain of work, for the line of steps. */
export type Steps = Pick<TreeRow, 'stage' | 'diameterM'>
