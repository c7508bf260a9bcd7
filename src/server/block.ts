import { setBlockAsks } from '@/asks/trees'
import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { causeName } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { sharedBySite } from '@/core/diagnose/examination'
import { ok, refuse, type Result } from '@/core/problem'
import { sampleOf } from '@/core/plan/sample'
import { dateIn } from '@/core/time/calendar'
import {
  decisionsOfTree,
  diagnosesOfTree,
  findingsOf,
  openSampled,
  setFinding,
  signDecision,
  signDiagnosis,
  type FindingRow,
} from '@/db/queries/assessment'
import { setBlock, treesOfBlock } from '@/db/queries/block'
import { rulesAt } from '@/db/queries/localRule'
import { siteById } from '@/db/queries/site'
import { restage, treesForChange } from '@/db/queries/tree'
import { gone } from './standing'
import { id, line } from '@/asks/text'
import { promiseReports } from './localRule'
import { verb, type Context } from './verb'

/** Names trees of a site as a block that is worked as one, or takes the name off them. */
export const setBlockVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.siteId,
  input: setBlockAsks,
  run: async ({ sql }, input): Promise<Result<{ trees: number }>> => {
    const ids = [...new Set(input.treeIds)]
    const trees = await treesForChange(sql, ids)
    if (trees.length < ids.length || trees.some((t) => t.siteId !== input.siteId))
      return refuse('unknown', 'treeIds', 'One of these trees is not on this site. Load the page again.')
    for (const tree of trees) {
      const left = gone(tree)
      if (left) return left
    }
    await setBlock(sql, ids, input.name)
    return ok({ trees: ids.length })
  },
})

/** What all trees of a sample share of site and soil: only that is said of a tree nobody looked at by itself. */
async function sharedFindings(
  sql: Context['sql'],
  assessmentIds: readonly string[],
): Promise<Pick<FindingRow, 'finding' | 'state'>[]> {
  const each = await Promise.all(assessmentIds.map((a) => findingsOf(sql, a)))
  return sharedBySite(each[0] ?? [], FINDING_BY_ID, {}).filter((f) =>
    each.every((rows) => rows.some((r) => r.finding === f.finding && r.state === f.state)),
  )
}

/**
 * Signs for the trees of a block what was signed on those that were looked at one by one. Each gets a cause and a decision
 * of its own that say which trees they rest on. What was found otherwise stays as it is.
 */
export const signBlockVerb = verb({
  roles: ['arborist'],
  signs: true,
  about: (i) => i.siteId,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    siteId: id('siteId'),
    block: line('Name of the block', 40),
  }),
  run: async (context, input): Promise<Result<{ signed: number; looked: number }>> => {
    const { sql, person, now } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    const found = await treesOfBlock(sql, site.id, input.block)
    if (found.length === 0) return refuse('unknown', 'block', 'There is no such block on this site.')
    await treesForChange(
      sql,
      found.map((t) => t.id),
    )
    const today = dateIn(site.timeZone, now)
    const sampled = sampleOf(await treesOfBlock(sql, site.id, input.block), today)
    if (!sampled.ok) return sampled
    const { cause, action, looked, rest } = sampled.value
    const signed = await Promise.all(looked.map(async (t) => (await diagnosesOfTree(sql, t.id))[0]!))
    const weakest = signed.reduce((a, b) => (b.probability < a.probability ? b : a))
    const decision = (await decisionsOfTree(sql, looked[0]!.id))[0]!
    const shared = await sharedFindings(
      sql,
      signed.map((d) => d.assessmentId),
    )
    const tags = looked.map((t) => t.tag)
    const said = `By sample: ${looked.length} of ${found.length} trees of ${input.block} were looked at one by one (${tags.join(', ')}).`
    const rules = await rulesAt(sql, site.id)
    for (const tree of rest) {
      const assessmentId = uuidv7()
      const by = { firmId: person.firmId, at: now, by: person.id }
      await openSampled(sql, {
        ...by,
        id: assessmentId,
        treeId: tree.id,
        bySample: { block: input.block, of: found.length, looked: tags },
      })
      for (const { finding, state } of shared) await setFinding(sql, { ...by, finding, state, assessmentId })
      const diagnosisId = uuidv7()
      await signDiagnosis(sql, {
        ...by,
        id: diagnosisId,
        assessmentId,
        treeId: tree.id,
        cause,
        probability: weakest.probability,
        weights: weakest.weights,
        basis: weakest.basis,
        almanacVersion: weakest.almanacVersion,
        held: null,
        overrideReason: said,
      })
      await signDecision(sql, {
        ...by,
        id: uuidv7(),
        diagnosisId,
        treeId: tree.id,
        action,
        proposed: decision.proposed,
        reasons: [{ code: 'sample', text: `${causeName(cause)}. ${said}` }],
        words: null,
      })
      await promiseReports(context, rules, { id: tree.id, timeZone: site.timeZone }, cause)
      await restage(sql, tree.id, null)
    }
    return ok({ signed: rest.length, looked: looked.length })
  },
})
