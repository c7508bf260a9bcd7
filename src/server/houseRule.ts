import { matter, setHouseRuleAsks } from '@/asks/rules'
import { z } from 'zod'
import { cause as causeOf } from '@/almanac/causes'
import { nearestRule, type Chosen, type ForWhom } from '@/core/schools/house'
import { mattersOf, SCHOOLS } from '@/almanac/schools'
import { type School } from '@/core/schools/school'
import { ok, refuse, type Result } from '@/core/problem'
import type { FirmSql } from '@/db/client'
import { addHouseRule, houseRules } from '@/db/queries/almanac'
import { clientById, siteById } from '@/db/queries/site'
import { treeById } from '@/db/queries/tree'
import { line } from '@/asks/text'
import { verb } from './verb'

/** What is chosen for one prescription otherwise than the house does, and whether it is kept as the rule. */
export const ChosenMatter = z.strictObject({
  matter: matter(),
  way: z.enum(['one', 'other'], { error: 'Choose one of the two ways.' }),
  words: line('Why it is done so', 300, 4),
  keepFor: z.enum(['tree', 'client']).nullable().default(null),
})

/** Sets how this house does a matter on which practitioners differ: in all its work, in a district, for a client or at a tree. */
export const setHouseRuleVerb = verb({
  roles: ['arborist'],
  input: setHouseRuleAsks,
  makes: (i) => i.id,
  run: async ({ sql, person, now }, input): Promise<Result<{ rule: string }>> => {
    if ([input.district, input.clientId, input.treeId].filter((w) => w !== null).length > 1)
      return refuse(
        'conflict',
        'district',
        'A rule is for a district, a client or a tree; choose one of them.',
      )
    if (input.clientId !== null && !(await clientById(sql, input.clientId)))
      return refuse('unknown', 'clientId', 'There is no such client.')
    if (input.treeId !== null && !(await treeById(sql, input.treeId)))
      return refuse('unknown', 'treeId', 'There is no such tree.')
    await addHouseRule(sql, {
      ...input,
      rule: input.rule === 'none' ? 'by case' : input.rule,
      ended: input.rule === 'none',
      firmId: person.firmId,
      by: person.id,
      at: now,
    })
    return ok({ rule: input.rule })
  },
})

/** Where work is, and for whom. */
export async function forWhom(sql: FirmSql, siteId: string, treeId: string | null): Promise<ForWhom> {
  const site = await siteById(sql, siteId)
  return { district: site?.district ?? null, clientId: site?.clientId ?? null, treeId }
}

/** The matters that come up in working on a cause on some kinds of tree; none for a cause of the firm's own. */
export function mattersOn(cause: string, hosts: readonly string[]): School[] {
  const entry = causeOf(cause)
  if (!entry) return []
  const found = hosts.flatMap((h) => mattersOf(entry, h))
  return SCHOOLS.filter((s) => found.some((f) => f.id === s.id))
}

/** A matter that comes up, with how the house does it, as a bench shows it. */
export async function mattersAt(
  sql: FirmSql,
  q: { cause: string; hosts: readonly string[]; siteId: string; treeId: string | null },
) {
  const matters = mattersOn(q.cause, q.hosts)
  if (matters.length === 0) return []
  const at = await forWhom(sql, q.siteId, q.treeId)
  const rules = await houseRules(sql, at)
  return matters.map((school) => ({ school, rule: nearestRule(rules, school.id, at) ?? null }))
}

/** Keeps what was chosen for one prescription as the rule from now on, where that was asked for. */
export async function keepChosen(
  { sql, person, now }: { sql: FirmSql; person: { firmId: string; id: string }; now: Date },
  chosen: readonly (Chosen & { keepFor: 'tree' | 'client' | null })[],
  at: ForWhom,
  newId: () => string,
): Promise<void> {
  for (const { matter, way, words, keepFor } of chosen)
    if (keepFor !== null)
      await addHouseRule(sql, {
        id: newId(),
        firmId: person.firmId,
        matter,
        rule: way,
        words,
        district: null,
        clientId: keepFor === 'client' ? at.clientId : null,
        treeId: keepFor === 'tree' ? at.treeId : null,
        ended: false,
        by: person.id,
        at: now,
      })
}
