import type { ForWhom, HouseRule } from '@/core/schools/house'
import type { FirmSql } from '../client'

/** A firm's own entries that hold, oldest first. */
export async function ownEntries(
  sql: FirmSql,
): Promise<{ id: string; body: unknown; madeBy: string; madeAt: Date }[]> {
  return sql`select o.id, o.body, p.name as "madeBy", o.made_at as "madeAt"
    from almanac_own o join person p on p.id = o.made_by
    where o.withdrawn_at is null order by o.made_at, o.id limit 2000`
}

/** Takes the place of the firm's earlier entry about the same. */
export async function setOwnEntry(
  sql: FirmSql,
  e: { id: string; firmId: string; kind: string; about: string; body: unknown; by: string; at: Date },
): Promise<void> {
  await sql`update almanac_own set withdrawn_at = ${e.at}
    where kind = ${e.kind} and about = ${e.about} and withdrawn_at is null and id <> ${e.id}`
  await sql`insert into almanac_own (id, firm_id, kind, about, body, made_by, made_at)
    values (${e.id}, ${e.firmId}, ${e.kind}, ${e.about}, ${sql.json(e.body as never)}, ${e.by}, ${e.at})`
}

/** Answers how many were withdrawn: 0 or 1. */
export async function withdrawOwnEntry(sql: FirmSql, id: string, at: Date): Promise<number> {
  const rows =
    await sql`update almanac_own set withdrawn_at = ${at} where id = ${id} and withdrawn_at is null returning id`
  return rows.length
}

export interface NoteRow {
  entry: string
  words: string
  by: string
  at: Date
}

/** The newest note of every entry that has one. */
export async function newestNotes(sql: FirmSql): Promise<NoteRow[]> {
  return sql<NoteRow[]>`select distinct on (n.entry) n.entry, n.words, p.name as by, n.at
    from almanac_note n join person p on p.id = n.by_person order by n.entry, n.at desc, n.id desc`
}

export async function addNote(
  sql: FirmSql,
  n: { id: string; firmId: string; entry: string; words: string; by: string; at: Date },
): Promise<void> {
  await sql`insert into almanac_note (id, firm_id, entry, words, by_person, at)
    values (${n.id}, ${n.firmId}, ${n.entry}, ${n.words}, ${n.by}, ${n.at})`
}

export interface HouseRuleRow extends HouseRule {
  at: Date
  /** Of whom it is for, where that is a client or a tree. */
  forName: string | null
}

/** The rules that hold, one for each matter and for whom it is; for a tree only those that may bear on it. */
export async function houseRules(sql: FirmSql, at?: ForWhom): Promise<HouseRuleRow[]> {
  return sql<HouseRuleRow[]>`select * from (
      select distinct on (r.matter, r.district, r.client_id, r.tree_id) r.matter, r.rule, r.words, p.name as by, r.at, r.ended,
        r.district, r.client_id as "clientId", r.tree_id as "treeId", coalesce(c.name, t.tag) as "forName"
      from house_rule r join person p on p.firm_id = r.firm_id and p.id = r.by_person
        left join client c on c.firm_id = r.firm_id and c.id = r.client_id
        left join tree t on t.firm_id = r.firm_id and t.id = r.tree_id
      ${
        at
          ? sql`where (r.district is null or r.district = ${at.district}) and (r.client_id is null or r.client_id = ${at.clientId}::uuid)
              and (r.tree_id is null or r.tree_id = ${at.treeId}::uuid)`
          : sql``
      }
      order by r.matter, r.district, r.client_id, r.tree_id, r.at desc, r.id desc) newest
    where not ended order by matter, num_nonnulls(district, "clientId", "treeId"), at limit 1000`
}

export async function addHouseRule(
  sql: FirmSql,
  r: {
    id: string
    firmId: string
    matter: string
    rule: HouseRule['rule']
    words: string | null
    district: string | null
    clientId: string | null
    treeId: string | null
    ended: boolean
    by: string
    at: Date
  },
): Promise<void> {
  await sql`insert into house_rule (id, firm_id, matter, rule, words, district, client_id, tree_id, ended, by_person, at)
    values (${r.id}, ${r.firmId}, ${r.matter}, ${r.rule}, ${r.words}, ${r.district}, ${r.clientId}, ${r.treeId}, ${r.ended}, ${r.by}, ${r.at})`
}
