import { addReadingAsks, addTreeAsks, changeTreeAsks, confirmIdentityAsks } from '@/asks/trees'
import { capital } from '@/core/capital'
import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { host, hostName } from '@/almanac/hosts'
import type { FirmSql } from '@/db/client'
import { ownHosts } from './almanac'
import { yearsBetween } from '@/core/ports/marks'
import { ok, refuse, type Result } from '@/core/problem'
import { BREAST_HEIGHT_M } from '@/core/quantity/format'
import { readQuantity } from '@/core/quantity/parse'
import { isDate } from '@/core/time/calendar'
import { doubtReading, measureTrunk, type ReadingDoubt } from '@/core/trunk/trunk'
import { siteById } from '@/db/queries/site'
import { addReading, readingsOfTree } from '@/db/queries/reading'
import { marksOfTree, replaceMarks } from '@/db/queries/ring'
import { remark } from './anew'
import { addTree, changeTree, confirmIdentity, touchTree, treeById } from '@/db/queries/tree'
import { askAboutPlace } from './place'
import { changedMeanwhile, standingTree } from './standing'
import { id, version } from '@/asks/text'
import { verb, type Context } from './verb'
import type { Length } from '@/core/quantity/units'

/** Adds a tree to a site. */
export const addTreeVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.id,
  makes: (i) => i.id,
  input: addTreeAsks,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    if (site.away)
      return refuse(
        'conflict',
        'siteId',
        `${site.name} is put away; take the site back before trees are added.`,
      )
    if (!(await isKnown(sql, input.host))) return noSuchKind
    const asked = await askAboutPlace(context, input.siteId, input)
    if (asked) return asked
    const added = await addTree(sql, { ...input, firmId: person.firmId })
    if (added === 'tag-taken')
      return refuse(
        'conflict',
        'tag',
        `Tag "${input.tag}" is taken on this site; choose another, or open that tree.`,
      )
    return ok({ id: input.id })
  },
})

/** Changes a tree's own fields, unless somebody changed them since the page was opened. */
export const changeTreeVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.treeId,
  input: changeTreeAsks,
  run: async (context, input): Promise<Result<{ version: number }>> => {
    const { sql } = context
    const before = await standingTree(context, input.treeId)
    if (!before.ok) return before
    if (!(await isKnown(sql, input.host))) return noSuchKind
    if (before.value.version === input.version) {
      const clash =
        await sql`select 1 from tree where site_id = ${before.value.siteId} and tag = ${input.tag} and id <> ${input.treeId} and status = 'standing'`
      if (clash.length > 0)
        return refuse('conflict', 'tag', `Tag "${input.tag}" is taken on this site; choose another.`)
    }
    const version = await changeTree(sql, input.treeId, input.version, input)
    if (version === null) return changedMeanwhile()
    await remark(context, { treeIds: [input.treeId] })
    return ok({ version })
  },
})

const noSuchKind = refuse('unknown', 'host', 'Choose a kind of tree from the list.')

/** A kind of the almanac or of the firm's own. */
async function isKnown(sql: FirmSql, kind: string): Promise<boolean> {
  return host(kind) !== undefined || (await ownHosts(sql)).some((h) => h.id === kind)
}

/** Settles what the tree is, by the look that parts it from what it is taken for. */
export const confirmIdentityVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.treeId,
  input: confirmIdentityAsks,
  run: async (context, input): Promise<Result<{ host: string; name: string }>> => {
    const { sql, person, now } = context
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    if (!(await isKnown(sql, input.host))) return noSuchKind
    await confirmIdentity(sql, input.treeId, input.host, person.id, now)
    await remark(context, { treeIds: [input.treeId] })
    return ok({ host: input.host, name: hostName(input.host) })
  },
})

/**
 * Takes a trunk reading as typed. What looks like a slip is asked: a problem with code `doubt` until the person
 * sends it again with the doubt accepted.
 */
export const addReadingVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.treeId,
  makes: (i) => i.id,
  input: addReadingAsks,
  run: async (context, input): Promise<Result<{ diameterM: Length }>> => {
    const { sql, person, at } = context
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    const system = person.units
    const stems: { girth?: number; diameter?: number }[] = []
    for (const [i, typed] of input.stems.entries()) {
      const name = `${input.stems.length > 1 ? `Stem ${i + 1}, ` : ''}${input.tape}`
      const read = readQuantity(typed, 'length', `stems[${i}]`, {
        bareUnit: input.bareUnit,
        name: capital(name),
      })
      if (!read.ok) return read
      stems.push(input.tape === 'girth' ? { girth: read.value.si } : { diameter: read.value.si })
    }
    const trunk = measureTrunk(stems, 12, system)
    if (!trunk.ok)
      return {
        ok: false,
        problem: { ...trunk.problem, field: trunk.problem.field.replace(/\.(girth|diameter)$/, '') },
      }
    const last = (await readingsOfTree(sql, input.treeId))[0]
    const doubts: ReadingDoubt[] = doubtReading(
      trunk.value.equivalentDiameter,
      last
        ? {
            diameter: Math.hypot(...last.stemsM),
            years: yearsBetween(last.readAt.toISOString(), at.toISOString()),
          }
        : null,
      system,
    )
    const asked = doubts.find((d) => !input.accepted.includes(d.code))
    if (asked) return refuse('doubt', asked.code, asked.message)
    await addReading(sql, {
      id: input.id,
      firmId: person.firmId,
      treeId: input.treeId,
      readAt: at,
      readBy: person.id,
      heightM: BREAST_HEIGHT_M,
      tape: input.tape,
      stemsM: trunk.value.stems.map((s) => s.diameter),
      typed: input.stems.map((s) => (/[a-z"']/i.test(s) ? s : `${s} ${input.bareUnit}`)).join(' + '),
      doubts,
    })
    await remark(context, { treeIds: [input.treeId] })
    return ok({ diameterM: trunk.value.equivalentDiameter })
  },
})

const bearing = z
  .number({ error: 'A bearing must be a number of degrees.' })
  .min(0, { error: 'A bearing is below 0°; type 0 to 359.' })
  .lt(360, { error: 'A bearing is 360° or more; type 0 to 359.' })

/** Saves the ring as a person has drawn it, unless somebody else saved it since. */
export const saveRingVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.treeId,
  input: z.strictObject({
    treeId: id('treeId'),
    version: version(),
    marks: z
      .array(
        z.strictObject({
          kind: z.enum(['flare', 'dead', 'thin', 'girdling', 'hole']),
          from: bearing,
          to: bearing,
          severity: z.number().min(0).max(1).nullable().default(null),
          stem: z.int().min(1).max(12).nullable().default(null),
          notedOn: z
            .string()
            .refine(isDate, { error: 'The date of a mark is not a calendar date; type it as 2026-06-12.' }),
        }),
      )
      .max(80, { error: 'More than 80 marks on one ring; take some away.' }),
  }),
  run: async (context, input): Promise<Result<{ version: number }>> => {
    const { sql, person, today } = context
    if (input.marks.some((m) => m.notedOn > today))
      return refuse(
        'out-of-range',
        'marks',
        'A mark lies in the future; give the day it was seen or drilled.',
      )
    const tree = await standingTree(context, input.treeId)
    if (!tree.ok) return tree
    const version = await touchTree(sql, input.treeId, input.version)
    if (version === null) return changedMeanwhile()
    await replaceMarks(
      sql,
      person.firmId,
      input.treeId,
      input.marks.map((m) => ({ ...m, id: uuidv7() })),
    )
    return ok({ version })
  },
})

/** What stands on the server for a tree that two people have open: fields and ring, for showing both. */
export async function treeAsItIs({ sql }: Pick<Context, 'sql'>, treeId: string) {
  const tree = await treeById(sql, treeId)
  if (!tree) return null
  return {
    version: tree.version,
    tag: tree.tag,
    host: tree.host,
    note: tree.note,
    liveCrownPercent: tree.liveCrownPercent,
    marks: await marksOfTree(sql, treeId),
  }
}
