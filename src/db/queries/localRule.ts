import { LocalRule, type StandingRule } from '@/core/rules/localRule'
import type { FirmSql } from '../client'

export interface LocalRuleRow extends StandingRule {
  district: string | null
  madeBy: string
  madeAt: Date
  endedAt: Date | null
  endedBy: string | null
  endedWhy: string | null
}

type Raw = Omit<LocalRuleRow, 'rule'> & { body: unknown }

const read = ({ body, ...row }: Raw): LocalRuleRow => ({ ...row, rule: LocalRule.parse(body) })

const select = (sql: FirmSql) => sql`
  select r.id, r.name, r.said as text, r.source, r.district, r.body, p.name as "madeBy", r.made_at as "madeAt",
    r.ended_at as "endedAt", e.name as "endedBy", r.ended_why as "endedWhy"
  from local_rule r join person p on p.firm_id = r.firm_id and p.id = r.made_by
    left join person e on e.firm_id = r.firm_id and e.id = r.ended_by`

/** Every rule the firm keeps, those that stand first; `ended` ones at the end, the last first. */
export async function localRules(sql: FirmSql): Promise<LocalRuleRow[]> {
  const rows = await sql<
    Raw[]
  >`${select(sql)} order by r.ended_at desc nulls first, r.made_at, r.id limit 500`
  return rows.map(read)
}

/** The rules that stand at a site: those of its district, and those that hold everywhere. */
export async function rulesAt(sql: FirmSql, siteId: string): Promise<LocalRuleRow[]> {
  const rows = await sql<Raw[]>`${select(sql)}
    where r.ended_at is null and (r.district is null or r.district = (select s.district from site s where s.id = ${siteId}))
    order by r.made_at, r.id limit 500`
  return rows.map(read)
}

export async function addLocalRule(
  sql: FirmSql,
  r: StandingRule & { firmId: string; district: string | null; by: string; at: Date },
): Promise<void> {
  await sql`insert into local_rule (id, firm_id, name, said, source, district, body, made_by, made_at)
    values (${r.id}, ${r.firmId}, ${r.name}, ${r.text}, ${r.source}, ${r.district}, ${sql.json(r.rule)}, ${r.by}, ${r.at})`
}

/** Ends a rule that stands; answers its district, or nothing where none stood. */
export async function endLocalRule(
  sql: FirmSql,
  r: { id: string; why: string; by: string; at: Date },
): Promise<{ district: string | null } | undefined> {
  const rows = await sql<{ district: string | null }[]>`
    update local_rule set ended_at = ${r.at}, ended_by = ${r.by}, ended_why = ${r.why}
    where id = ${r.id} and ended_at is null returning district`
  return rows[0]
}
