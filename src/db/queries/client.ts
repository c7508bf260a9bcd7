import type { Contact } from '@/core/place/contact'
import type { FirmSql } from '../client'

/** A client with all that is told of them. */
export interface ClientRow {
  id: string
  name: string
  contacts: Contact[]
  notices: 'e-mail' | 'telephone' | 'letter' | 'none'
  note: string | null
  /** What was written down of a contact before there were fields for it. */
  contact: string | null
  archivedAt: Date | null
  joinedInto: string | null
  version: number
  sites: number
}

const columns = (sql: FirmSql) => sql`
  c.id, c.name, c.contacts, c.notices, c.note, c.contact, c.archived_at as "archivedAt", c.joined_into as "joinedInto",
  c.version, (select count(*)::int from site s where s.firm_id = c.firm_id and s.client_id = c.id and s.archived_at is null) as sites`

export async function clientWhole(sql: FirmSql, id: string): Promise<ClientRow | undefined> {
  return (await sql<ClientRow[]>`select ${columns(sql)} from client c where c.id = ${id}`)[0]
}

/** Clients by name, a page at a time: pass the last one to go on. Those that are put away only when asked for. */
export async function clientsAfter(
  sql: FirmSql,
  after: { name: string; id: string } | null,
  limit: number,
  archived: boolean,
): Promise<ClientRow[]> {
  return sql<ClientRow[]>`
    select ${columns(sql)} from client c
    where (${archived} or c.archived_at is null)
      ${after ? sql`and (c.name, c.id) > (${after.name}, ${after.id})` : sql``}
    order by c.name, c.id limit ${limit}`
}

export interface ClientFields {
  name: string
  contacts: readonly Contact[]
  notices: ClientRow['notices']
  note: string | null
}

export async function addClient(
  sql: FirmSql,
  c: ClientFields & { id: string; firmId: string },
): Promise<void> {
  await sql`insert into client (id, firm_id, name, contacts, notices, note)
    values (${c.id}, ${c.firmId}, ${c.name}, ${sql.json(c.contacts as never)}, ${c.notices}, ${c.note})`
}

/** The new version, or null when somebody changed it since. What was written before there were fields is kept until it is changed. */
export async function changeClient(
  sql: FirmSql,
  id: string,
  version: number,
  c: ClientFields,
): Promise<number | null> {
  const rows = await sql<{ version: number }[]>`
    update client set name = ${c.name}, contacts = ${sql.json(c.contacts as never)}, notices = ${c.notices}, note = ${c.note},
      contact = null, version = version + 1
    where id = ${id} and version = ${version} returning version`
  return rows[0]?.version ?? null
}

export async function archiveClient(sql: FirmSql, id: string, at: Date | null): Promise<void> {
  await sql`update client set archived_at = ${at}, version = version + 1 where id = ${id}`
}

/** Sites of one client become another’s. Answers how many. */
export async function moveSitesOfClient(sql: FirmSql, from: string, into: string): Promise<number> {
  const rows =
    await sql`update site set client_id = ${into}, version = version + 1 where client_id = ${from} returning id`
  return rows.length
}

export async function joinClient(sql: FirmSql, from: string, into: string, at: Date): Promise<void> {
  await sql`update client set joined_into = ${into}, archived_at = ${at}, version = version + 1 where id = ${from}`
}

/** What hangs on a client and would be lost by joining it: house rules made for it, links to its calendar. */
export async function hangsOnClient(sql: FirmSql, id: string): Promise<{ rules: number; links: number }> {
  const rows = await sql<{ rules: number; links: number }[]>`
    select
      (select count(*)::int from (
        select distinct on (matter) ended from house_rule where client_id = ${id} order by matter, at desc, id desc) h
        where not h.ended) as rules,
      (select count(*)::int from calendar_link where client_id = ${id} and revoked_at is null) as links`
  return rows[0]!
}
