import { mergeTreesAsks, moveTreeAsks, removeTreeAsks, strikeReadingAsks } from '@/asks/trees'
import { z } from 'zod'
import { hostName } from '@/almanac/hosts'
import { ok, refuse, type Result } from '@/core/problem'
import { spokenDate } from '@/core/time/calendar'
import type { FirmSql } from '@/db/client'
import { readingById, strikeReading } from '@/db/queries/reading'
import {
  moveTree,
  standAgain,
  standingTagged,
  takeFromStanding,
  treeForChange,
  type TreeRow,
} from '@/db/queries/tree'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { remark } from './anew'
import { noteMoved } from './plan/planStep'
import { askAboutPlace } from './place'
import { changedMeanwhile, standingTree } from './standing'
import { id } from '@/asks/text'
import { verb } from './verb'

/** Puts a tree where it stands on the plan. */
export const moveTreeVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.treeId,
  input: moveTreeAsks,
  run: async (context, input): Promise<Result<{ version: number }>> => {
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    const asked = await askAboutPlace(context, tree.value.siteId, input, tree.value)
    if (asked) return asked
    const moved = await moveTree(context.sql, input.treeId, input.version, input)
    if (moved === null) return changedMeanwhile()
    await noteMoved(context, tree.value, input)
    // It may stand nearer to water now.
    await remark(context, { treeIds: [input.treeId] })
    return ok({ version: moved })
  },
})

/** Strikes a reading out, with the reason. It stays to be read; no dose rests on it any more. */
export const strikeReadingVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.treeId,
  input: strikeReadingAsks,
  run: async (context, input): Promise<Result<{ struck: true }>> => {
    const { sql, person, now } = context
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    const reading = await readingById(sql, input.readingId)
    if (!reading || reading.treeId !== input.treeId)
      return refuse('unknown', 'readingId', 'There is no such reading of this tree.')
    if (reading.struck !== null)
      return refuse(
        'conflict',
        'readingId',
        `${reading.struckBy} has struck this reading out already: ${reading.struck}`,
      )
    const open = (await prescriptionsOfTree(sql, input.treeId)).find(
      (p) => p.status === 'handed' && p.readingId === reading.id,
    )
    if (open)
      return refuse(
        'not-allowed',
        'readingId',
        `The dose that is with the crew${onDay(open.onDate)} rests on this reading. Take that prescription back first, then strike the reading out and plan anew.`,
      )
    await strikeReading(sql, { ...input, firmId: person.firmId, at: now, by: person.id })
    await remark(context, { treeIds: [input.treeId] })
    return ok({ struck: true })
  },
})

const onDay = (day: string | null) => (day ? ` for ${spokenDate(day)}` : '')

/** Takes a tree from the standing ones: felled, fallen, never there. Everything done to it stays to be read. */
export const removeTreeVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.treeId,
  input: removeTreeAsks,
  run: async (context, input): Promise<Result<{ removed: true }>> => {
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    if (tree.value.version !== input.version) return changedMeanwhile()
    const busy = await withTheCrew(context.sql, tree.value)
    if (busy) return busy
    await takeFromStanding(context.sql, {
      ...tree.value,
      words: input.words,
      at: context.now,
      mergedInto: null,
    })
    return ok({ removed: true })
  },
})

/**
 * Joins a tree that was listed twice with the listing that stays. What was done under either counts for the one that stays:
 * its holes, its doses and its history.
 */
export const mergeTreesVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  input: mergeTreesAsks,
  run: async (context, input): Promise<Result<{ treeId: string; tag: string }>> => {
    const { sql, now } = context
    const listed = await standingTree(context, input.treeId)
    if (!listed.ok) return listed
    const tree = listed.value
    if (tree.version !== input.version) return changedMeanwhile()
    const intoId = await standingTagged(sql, tree.siteId, input.into)
    if (intoId === tree.id)
      return refuse('out-of-range', 'into', 'That is this very listing; type the tag of the other one.')
    const into = intoId && (await treeForChange(sql, intoId))
    if (!into)
      return refuse(
        'unknown',
        'into',
        `No standing tree of ${tree.siteName} has the tag "${input.into}". Read it off the list of the site.`,
      )
    const busy = await withTheCrew(sql, tree)
    if (busy) return busy
    if (into.host !== tree.host && !input.accepted.includes('kinds'))
      return refuse(
        'doubt',
        'kinds',
        `${tree.tag} is listed as ${hostName(tree.host)}, ${into.tag} as ${hostName(into.host)}. Are they one tree? It stays ${hostName(into.host)}.`,
      )
    await takeFromStanding(sql, { ...tree, words: `Is ${into.tag}.`, at: now, mergedInto: into.id })
    return ok({ treeId: into.id, tag: into.tag })
  },
})

/** A tree with open work cannot leave: somebody may be standing at it. */
async function withTheCrew(sql: FirmSql, tree: TreeRow): Promise<Result<never> | null> {
  const open = (await prescriptionsOfTree(sql, tree.id)).find((p) => p.status === 'handed')
  return open
    ? refuse(
        'not-allowed',
        'treeId',
        `${tree.tag} is with the crew${onDay(open.onDate)}. Take that prescription back, or record what was done, first.`,
      )
    : null
}

/** Puts a tree back that was taken from the list by mistake, with what was promised for it. */
export const standAgainVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.treeId,
  input: z.strictObject({ treeId: id('treeId') }),
  run: async ({ sql }, input): Promise<Result<{ standing: true }>> => {
    const tree = await treeForChange(sql, input.treeId)
    if (!tree) return refuse('unknown', 'treeId', 'There is no such tree.')
    if (tree.status === 'standing') return refuse('conflict', 'treeId', `${tree.tag} is on the list already.`)
    const into = tree.mergedInto && (await treeForChange(sql, tree.mergedInto))
    if (into && (await prescriptionsOfTree(sql, into.id)).some((p) => p.status === 'handed'))
      return refuse(
        'not-allowed',
        'treeId',
        `A dose that counts the holes of both listings is with the crew for ${into.tag}. Take that prescription back first.`,
      )
    return (await standAgain(sql, tree))
      ? ok({ standing: true })
      : refuse(
          'conflict',
          'treeId',
          `The tag "${tree.tag}" has gone to another tree of this site. Change that one’s tag first.`,
        )
  },
})
