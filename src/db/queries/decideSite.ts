import type { SafetyScreen } from '@/core/decide/safetyScreen'
import type { SiteMoney } from '@/core/decide/siteMoney'
import type { FirmSql } from '../client'

export interface ScreenRow extends SafetyScreen {
  treeId: string
  defectWords: string
  targetWords: string
  consequenceWords: string
  refer: boolean
  by: string
  at: Date
}

/** The newest safety screen of each tree that has one. */
export async function screensOfTrees(sql: FirmSql, treeIds: string[]): Promise<ScreenRow[]> {
  if (treeIds.length === 0) return []
  return sql<ScreenRow[]>`
    select s.tree_id as "treeId", s.defect, s.defect_words as "defectWords", s.target, s.target_words as "targetWords",
      s.consequence, s.consequence_words as "consequenceWords", s.refer, p.name as by, s.at
    from unnest(${treeIds}::uuid[]) t (id)
    join lateral (select * from safety_screen where tree_id = t.id order by at desc, id desc limit 1) s on true
    join person p on p.firm_id = s.firm_id and p.id = s.by_person`
}

export async function addScreen(
  sql: FirmSql,
  s: Omit<ScreenRow, 'by' | 'at'> & { id: string; firmId: string; by: string; at: Date },
): Promise<void> {
  await sql`insert into safety_screen (id, firm_id, tree_id, defect, defect_words, target, target_words, consequence, consequence_words, refer, by_person, at)
    values (${s.id}, ${s.firmId}, ${s.treeId}, ${s.defect}, ${s.defectWords}, ${s.target}, ${s.targetWords}, ${s.consequence}, ${s.consequenceWords}, ${s.refer}, ${s.by}, ${s.at})`
}

/** What a person said keeping, felling and replacing trees of a site comes to; the newest. */
export async function moneyOfSite(
  sql: FirmSql,
  siteId: string,
): Promise<{ money: SiteMoney; by: string; at: Date } | undefined> {
  const rows = await sql<{ money: SiteMoney; by: string; at: Date }[]>`
    select m.body as money, p.name as by, m.at from site_money m join person p on p.firm_id = m.firm_id and p.id = m.by_person
    where m.site_id = ${siteId} order by m.at desc, m.id desc limit 1`
  return rows[0]
}

export async function addSiteMoney(
  sql: FirmSql,
  m: { id: string; firmId: string; siteId: string; money: SiteMoney; by: string; at: Date },
): Promise<void> {
  await sql`insert into site_money (id, firm_id, site_id, body, by_person, at)
    values (${m.id}, ${m.firmId}, ${m.siteId}, ${sql.json(m.money as never)}, ${m.by}, ${m.at})`
}
