import { host as hostOf, hostName } from '@/almanac/hosts'
import { withOwn } from '@/almanac/own'
import { oneToExamine } from '@/core/diagnose/toExamine'
import { askedOf, causesOf } from '@/core/diagnose/weigh'
import { grouped } from '@/core/grouped'
import { dateIn, monthIn } from '@/core/time/calendar'
import { findingsOfAll, newestOfTrees, newestOnSites } from '@/db/queries/assessment'
import { photosOf } from '@/db/queries/photo'
import { holesOfTrees, marksOfTrees } from '@/db/queries/ring'
import { neighboursOf, treesById, treesWaiting } from '@/db/queries/tree'
import { ownOf } from '../almanac'
import { seenOf } from '../seen'
import type { Reading } from '../verb'
import { isId, reading } from './reader'
import { holesOnRing, plainMarks } from './ring'

/** As many trees as a device keeps of those that wait to be looked at. */
const MOST_KEPT = 120

/**
 * Trees with all that their examination is made of: the running one, or none yet, what the site shares, what was signed last, and what is
 * asked of their kind in this month. A closed examination is shown and not written to. Of several trees the way goes from one to the next
 * among them.
 */
export async function treesToExamine({ sql, person, now }: Reading, ids: string[]) {
  const [trees, marks, holes, newest, own] = await Promise.all([
    treesById(sql, ids),
    marksOfTrees(sql, ids),
    holesOfTrees(sql, ids),
    newestOfTrees(sql, ids),
    ownOf(sql),
  ])
  const sites = [...new Set(trees.map((t) => t.siteId))]
  const newestThere = await newestOnSites(
    sql,
    sites.map((siteId) => ({ siteId, besides: null })),
  )
  // The tree that was looked at last on its site is shown what was seen at another.
  const besides = await newestOnSites(
    sql,
    newestThere
      .filter((a) => ids.includes(a.treeId))
      .map(({ siteId, treeId }) => ({ siteId, besides: treeId })),
  )
  const onSites = grouped([...newestThere, ...besides], (a) => a.siteId)
  const rows = grouped(trees, (t) => t.siteId)
  const findings = grouped(
    await findingsOfAll(sql, [
      ...[...newest.values()].flatMap((n) => [n.newest.id, ...(n.signed ? [n.signed.id] : [])]),
      ...[...onSites.values()].flat().map((a) => a.assessmentId),
    ]),
    (f) => f.assessmentId,
  )
  const { causes, district, findings: known, foliage } = withOwn(own)
  const ofTree = grouped(marks, (m) => m.treeId)
  const drilled = grouped(holes, (h) => h.treeId)
  const months = new Map(trees.map((t) => [t.host, monthIn(t.timeZone, now)]))
  return {
    shared: {
      own,
      district,
      units: person.units,
    },
    kinds: Object.fromEntries(
      [...months].map(([host, month]) => {
        const lookAlike = hostOf(host)?.confusedWith?.host
        const ofKind = causesOf(host, causes)
        return [
          host,
          {
            kind: hostOf(host),
            kindName: hostName(host),
            lookAlike: lookAlike === undefined ? null : hostName(lookAlike),
            /** The causes of its kind, the firm's own among them, for what would matter most now. */
            causes: ofKind,
            /** Findings that a cause of its kind makes and that can be seen this month, and the tests of its kind. */
            asked: askedOf({ host, month, causes: ofKind, findings: known, foliage }).map((f) => f.id),
          },
        ]
      }),
    ),
    trees: trees.map((tree) => {
      const today = dateIn(tree.timeZone, now)
      const { newest: running, signed } = newest.get(tree.id) ?? { newest: null, signed: null }
      const seen = running ? (findings.get(running.id) ?? []) : []
      const on = onSites.get(tree.siteId)?.find((a) => a.treeId !== tree.id)
      const row = rows.get(tree.siteId)!
      const at = row.indexOf(tree)
      const own = ofTree.get(tree.id) ?? []
      return {
        tree,
        marks: plainMarks(own),
        holes: holesOnRing(own, drilled.get(tree.id) ?? [], today),
        assessment: running,
        previous: row[at - 1]?.id ?? null,
        next: row[at + 1]?.id ?? null,
        timeZone: tree.timeZone,
        today,
        month: monthIn(tree.timeZone, now),
        seen: seenOf(seen),
        details: Object.fromEntries(seen.map((f) => [f.finding, f.detail])),
        photos: [] as { id: string; takenAt: number; by: string }[],
        lastOnSite: on
          ? {
              tag: on.tag,
              host: on.host,
              findings: (findings.get(on.assessmentId) ?? []).map(({ finding, state }) => ({
                finding,
                state,
              })),
            }
          : null,
        last: signed ? { at: signed.closedAt!, findings: findings.get(signed.id) ?? [] } : null,
      }
    }),
  }
}

/** The trees that a device keeps for a walk without a signal, as they come from the server. */
export type TreesToExamine = Awaited<ReturnType<typeof treesToExamine>>

/** The examination of a tree, with its photographs and the way to its neighbours on the site; null where there is no such tree. */
export function examineView(id: string) {
  return reading(async (context) => {
    const one = isId(id) ? oneToExamine(await treesToExamine(context, [id]), id) : null
    if (!one) return null
    const { sql } = context
    const [neighbours, photos] = await Promise.all([
      neighboursOf(sql, one.tree),
      one.assessment ? photosOf(sql, one.assessment.id) : [],
    ])
    return {
      ...one,
      ...neighbours,
      photos: photos.map(({ id, by, takenAt }) => ({ id, by, takenAt: takenAt.getTime() })),
    }
  })
}

export type ExamineView = NonNullable<Awaited<ReturnType<typeof examineView>>>

/** The trees that wait to be looked at, by site and tag, as a device keeps them; those that are being looked at first. */
export const waitingToExamine = () => reading(waitingOf)

/** The same for whoever looks. */
export async function waitingOf(context: Reading) {
  const begun = await treesWaiting(context.sql, 'weigh', null, MOST_KEPT / 2)
  const waiting = await treesWaiting(context.sql, 'examine', null, MOST_KEPT - begun.trees.length)
  return treesToExamine(
    context,
    [...begun.trees, ...waiting.trees].map((t) => t.id),
  )
}
