import { METHOD_NAME } from '@/core/methods/names'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { showWeight } from '@/core/diagnose/showWeight'
import { BESIDE } from '@/core/diagnose/weigh'
import { sayPlan } from '@/core/methods/say'
import { showGround, type UnitSystem } from '@/core/quantity/format'
import { spokenDate } from '@/core/time/calendar'
import {
  assessmentsOfTree,
  decisionsOfTree,
  diagnosesOfTree,
  type DecisionRow,
  type DiagnosisRow,
} from '@/db/queries/assessment'
import { followUpsOfTree } from '@/db/queries/followUp'
import { allReadings } from '@/db/queries/reading'
import { recordsOfTree } from '@/db/queries/record'
import { changesOfTree, type TreeChange } from '@/db/queries/step'
import { listingsOf } from '@/db/queries/tree'
import { prescriptionsOfTree, type PrescriptionRow } from '@/db/queries/prescription'
import { sayAnswer } from '@/core/respond/answer'
import { DECIDED } from '../decided'
import type { Reading } from '../verb'
import { inOneLine, readRecord } from '../ledger/body'

/** One thing that happened to a tree, or is promised for it. */
export interface HistoryEntry {
  at: number
  what:
    | 'reading'
    | 'examination'
    | 'diagnosis'
    | 'decision'
    | 'prescription'
    | 'record'
    | 'correction'
    | 'follow-up'
    | 'planned'
    | 'change'
  title: string
  detail: string
  by: string | null
  href?: string
  /** A reading that can be struck out. */
  readingId?: string
  /** It does not count any more; it stays to be read. */
  struck?: boolean
}

/** What a page has read of the tree itself already. */
export interface ReadAlready {
  diagnoses: DiagnosisRow[]
  decisions: DecisionRow[]
  prescriptions: PrescriptionRow[]
}

/** Everything that happened to a tree, under every listing of it, newest first. */
export async function historyOf(
  { sql, person }: Pick<Reading, 'sql' | 'person'>,
  id: string,
  already?: ReadAlready,
): Promise<HistoryEntry[]> {
  const listings = await listingsOf(sql, id)
  const each = <T>(read: (treeId: string) => Promise<T[]>, own?: T[]) =>
    Promise.all(listings.map(async (t) => (t === id && own ? own : read(t)))).then((all) => all.flat())
  const [readings, examinations, diagnoses, decisions, prescriptions, records, checks, changes] =
    await Promise.all([
      allReadings(sql, listings),
      each((t) => assessmentsOfTree(sql, t)),
      each((t) => diagnosesOfTree(sql, t), already?.diagnoses),
      each((t) => decisionsOfTree(sql, t), already?.decisions),
      each((t) => prescriptionsOfTree(sql, t), already?.prescriptions),
      recordsOfTree(sql, listings),
      each((t) => followUpsOfTree(sql, t)),
      each((t) => changesOfTree(sql, t)),
    ])
  const history: HistoryEntry[] = [
    ...examinations.map((a): HistoryEntry => ({
      at: a.startedAt.getTime(),
      what: 'examination',
      title: a.bySample
        ? `By sample, with ${a.bySample.looked.length} of ${a.bySample.of} trees of ${a.bySample.block}`
        : `${a.looked} ${a.looked === 1 ? 'finding' : 'findings'} looked at, ${a.there} there`,
      detail: a.closedAt ? 'signed with its cause' : 'still open',
      by: a.startedBy,
      href: `/trees/${a.treeId}/examine`,
    })),
    ...diagnoses.map((d): HistoryEntry => ({
      at: d.signedAt.getTime(),
      what: 'diagnosis',
      title: causeName(d.cause),
      detail: `weighed ${showWeight(d.probability)}${d.overrideReason ? `; ${d.overrideReason}` : ''}`,
      by: d.signedBy,
      href: BESIDE.includes(d.cause) ? undefined : `/almanac/cause/${d.cause}`,
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
      title: `${METHOD_NAME[p.method]}, ${p.cardName}`,
      detail: `${sayPlan(p.plan, p.use, person.units)}${p.onDate ? `, for ${spokenDate(p.onDate)}` : ''}${p.status === 'withdrawn' ? '; taken back' : ''}`,
      by: p.signedBy,
      href: p.jobId && p.status !== 'withdrawn' ? `/run/${p.jobId}` : undefined,
      struck: p.status === 'withdrawn',
    })),
    ...records.map(readRecord).map((r): HistoryEntry => ({
      at: r.signedAt.getTime(),
      what: r.kind === 'correction' ? 'correction' : 'record',
      title:
        r.kind === 'correction'
          ? 'Correction of a record'
          : `Record ${r.seq}: ${r.body ? METHOD_NAME[r.body.method].toLowerCase() : 'cannot be read'}`,
      detail: inOneLine(r, person.units),
      by: r.signedBy,
      href: `/ledger/${r.id}`,
    })),
    ...checks.map((c): HistoryEntry =>
      c.verdict
        ? {
            at: c.measuredAt!.getTime(),
            what: 'follow-up',
            title: c.what,
            detail: `${sayAnswer(c)}, ${c.verdict}; next: ${c.nextStep}`,
            by: c.measuredBy,
            href: `/follow-up/${c.id}`,
          }
        : {
            at: Date.parse(`${c.dueOn}T12:00:00Z`),
            what: 'planned',
            title: c.what,
            detail: c.dropped === null ? 'promised' : `fell away: ${c.dropped}`,
            by: null,
            href: c.dropped === null ? `/follow-up/${c.id}` : undefined,
            struck: c.dropped !== null,
          },
    ),
    ...readings.map((r): HistoryEntry => ({
      at: r.readAt.getTime(),
      what: 'reading',
      title: `${r.typed} by ${r.tape} tape`,
      detail: r.struck === null ? '' : `struck out by ${r.struckBy}: ${r.struck}`,
      by: r.readBy,
      readingId: r.struck === null && r.treeId === id ? r.id : undefined,
      struck: r.struck !== null,
    })),
    ...changes.flatMap((c) => toldChange(c, person.units)),
  ]
  return history.sort((a, b) => b.at - a.at)
}

/** A change of a tree's own fields in words: what it is now, and what it was. Nothing where nothing changed. */
function toldChange(c: TreeChange, units: UnitSystem): HistoryEntry[] {
  const entry = (title: string, detail: string): HistoryEntry[] => [
    { at: c.at.getTime(), what: 'change', title, detail, by: c.by },
  ]
  const { input, was } = c
  switch (c.verb) {
    case 'confirm-identity':
      return entry(
        `Kind confirmed: ${hostName(String(input.host)).toLowerCase()}`,
        was && was.host !== input.host ? `was listed as ${hostName(was.host).toLowerCase()}` : '',
      )
    case 'change-tree': {
      const of = (name: string, before: string | number | null, now: unknown) => {
        const said = (v: unknown) =>
          (typeof v === 'string' || typeof v === 'number') && v !== '' ? `${v}` : 'nothing'
        return said(before) === said(now) ? [] : [`${name} ${said(before)} → ${said(now)}`]
      }
      const changed = was
        ? [
            ...of('tag', was.tag, input.tag),
            ...of('kind', hostName(was.host), hostName(String(input.host))),
            ...of('live crown, %', was.live_crown_percent, input.liveCrownPercent),
            ...of('note', was.note, input.note),
          ]
        : []
      return changed.length === 0 ? [] : entry('Changed', changed.join('; '))
    }
    case 'move-tree': {
      const at = (east: unknown, north: unknown) =>
        `${showGround(Number(east), units)} east, ${showGround(Number(north), units)} north`
      return entry(
        'Moved on the plan',
        `to ${at(input.eastM, input.northM)}${was ? `; was ${at(was.east_m, was.north_m)}` : ''}`,
      )
    }
    case 'remove-tree':
      return entry('Taken from the list', String(input.words))
    case 'merge-trees':
      return entry(`Merged with ${String(input.into)}`, 'one tree, listed twice')
    case 'stand-again':
      return entry('Put back on the list', '')
    default:
      return []
  }
}
