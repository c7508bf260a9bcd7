import { endLocalRuleAsks, setDistrictAsks, setLocalRuleAsks } from '@/asks/rules'
import { causeName } from '@/almanac/causes'
import { host as hostOf } from '@/almanac/hosts'
import type { LocalRule, StandingRule } from '@/core/rules/localRule'
import { toReport } from '@/core/rules/refused'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import { addLocalRule, endLocalRule } from '@/db/queries/localRule'
import { followUpsOfTree } from '@/db/queries/followUp'
import { setDistrict, siteById } from '@/db/queries/site'
import { firmAlmanac, ownHosts } from './almanac'
import { remark } from './anew'
import { promiseChecks } from './promise'
import { verb, type Context } from './verb'

/** Copies a rule of the place with its source. Work with the crew that it closes must be worked out again. */
export const setLocalRuleVerb = verb({
  roles: ['arborist', 'office'],
  bearing: 'change',
  about: (i) => i.id,
  makes: (i) => i.id,
  input: setLocalRuleAsks,
  run: async ({ sql, person, now }, input): Promise<Result<{ id: string }>> => {
    const unknown = await unknownNames(sql, input.rule)
    if (unknown) return unknown
    await addLocalRule(sql, { ...input, firmId: person.firmId, by: person.id, at: now })
    await remark({ sql, person }, { district: input.district })
    return ok({ id: input.id })
  },
})

/** Refuses a kind of tree or a cause that neither the almanac nor the firm knows: the rule would hold nothing. */
async function unknownNames(sql: Context['sql'], rule: LocalRule): Promise<Result<never> | null> {
  if ('hosts' in rule && rule.hosts !== 'any') {
    const own = new Set((await ownHosts(sql)).map((h) => h.id))
    const strange = rule.hosts.find((h) => !hostOf(h) && !own.has(h))
    if (strange)
      return refuse(
        'unknown',
        'rule.hosts',
        `There is no kind of tree called “${strange}”; choose it from the list.`,
      )
  }
  if (rule.kind === 'report') {
    const { causes } = await firmAlmanac(sql)
    const strange = rule.causes.find((c) => !causes.some((x) => x.id === c))
    if (strange)
      return refuse(
        'unknown',
        'rule.causes',
        `There is no cause called “${strange}”; choose it from the list.`,
      )
  }
  return null
}

/** Ends a rule: it does not hold any more, and why. What was signed under it keeps its words. */
export const endLocalRuleVerb = verb({
  roles: ['arborist', 'office'],
  bearing: 'change',
  about: (i) => i.id,
  input: endLocalRuleAsks,
  run: async ({ sql, person, now }, input): Promise<Result<{ ended: true }>> => {
    const ended = await endLocalRule(sql, { id: input.id, why: input.words, by: person.id, at: now })
    if (!ended)
      return refuse('unknown', 'id', 'No such rule stands; it may be ended already. Load the page again.')
    await remark({ sql, person }, ended)
    return ok({ ended: true })
  },
})

/** Says in which district a site lies. Empty where none is named: only what holds everywhere holds there. */
export const setDistrictVerb = verb({
  roles: ['arborist', 'office'],
  bearing: 'change',
  about: (i) => i.siteId,
  input: setDistrictAsks,
  run: async ({ sql, person }, input): Promise<Result<{ district: string | null }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    await setDistrict(sql, site.id, input.district)
    await remark({ sql, person }, { siteId: site.id })
    return ok({ district: input.district })
  },
})

/** Promises the reports that the rules of a place ask for a signed cause, once a tree and a cause. */
export async function promiseReports(
  context: Context,
  rules: readonly StandingRule[],
  tree: { id: string; timeZone: string },
  cause: string,
): Promise<void> {
  const due = toReport(rules, cause)
  if (due.length === 0) return
  const before = await followUpsOfTree(context.sql, tree.id)
  for (const { rule, whom, days } of due) {
    const what = `Report ${causeName(cause).toLowerCase()} to ${whom}`
    if (before.some((f) => f.what === what && f.dropped === null)) continue
    await promiseChecks(context, {
      treeId: tree.id,
      prescriptionId: null,
      on: dateIn(tree.timeZone, context.now),
      checks: [
        {
          afterDays: days,
          what,
          expectation: {
            kind: 'report',
            question: `Is it reported? ${rule.text} (${rule.source})`,
            againDays: 1,
          },
        },
      ],
    })
  }
}
