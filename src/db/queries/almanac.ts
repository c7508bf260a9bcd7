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

export interface HouseRuleRow {
  matter: string
  rule: 'one' | 'other' | 'by case'
  words: string | null
  by: string
  at: Date
}

/** The rule that holds for every matter that has one. */
export async function houseRules(sql: FirmSql): Promise<HouseRuleRow[]> {
  return sql<HouseRuleRow[]>`select distinct on (r.matter) r.matter, r.rule, r.words, p.name as by, r.at
    from house_rule r join person p on p.id = r.by_person order by r.matter, r.at desc, r.id desc`
}

export async function addHouseRule(
  sql: FirmSql,
  r: {
    id: string
    firmId: string
    matter: string
    rule: HouseRuleRow['rule']
    words: string | null
    by: string
    at: Date
  },
): Promise<void> {
  await sql`insert into house_rule (id, firm_id, matter, rule, words, by_person, at)
    values (${r.id}, ${r.firmId}, ${r.matter}, ${r.rule}, ${r.words}, ${r.by}, ${r.at})`
}
