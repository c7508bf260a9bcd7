import type { FirmSql } from '../client'

export interface ApiTokenRow {
  id: string
  name: string
  hint: string
  createdAt: Date
  lastUsedAt: Date | null
  expiresAt: Date | null
}

/** Whose token has this hash, while it is good. Only inside `presenting`. */
export async function tokenPresented(sql: FirmSql, tokenHash: string) {
  const rows = await sql<{ id: string; firmId: string; personId: string; stale: boolean }[]>`
    select id, firm_id as "firmId", person_id as "personId",
      (last_used_at is null or last_used_at < now() - interval '1 minute') as stale
    from api_token
    where token_hash = ${tokenHash} and revoked_at is null and (expires_at is null or expires_at > now())`
  return rows[0]
}

export async function addToken(
  sql: FirmSql,
  token: {
    id: string
    firmId: string
    personId: string
    name: string
    kind: 'named' | 'session'
    tokenHash: string
    hint: string
    hours: number | null
  },
): Promise<void> {
  await sql`insert into api_token (id, firm_id, person_id, name, kind, token_hash, hint, expires_at)
    values (${token.id}, ${token.firmId}, ${token.personId}, ${token.name}, ${token.kind}, ${token.tokenHash},
      ${token.hint}, now() + make_interval(hours => ${token.hours}))`
}

/** A person's named tokens that still work, newest first. */
export async function namedTokens(sql: FirmSql, personId: string): Promise<ApiTokenRow[]> {
  return sql<ApiTokenRow[]>`
    select id, name, hint, created_at as "createdAt", last_used_at as "lastUsedAt", expires_at as "expiresAt"
    from api_token
    where person_id = ${personId} and kind = 'named' and revoked_at is null
    order by created_at desc, id desc limit 100`
}

/** Notes that a token was used; at most once a minute by the caller. */
export async function noteTokenUse(sql: FirmSql, id: string): Promise<void> {
  await sql`update api_token set last_used_at = now() where id = ${id}`
}

/** Ends a token of a person for good. Answers how many ended: 0 or 1. */
export async function revokeToken(sql: FirmSql, personId: string, id: string): Promise<number> {
  const rows = await sql`update api_token set revoked_at = now()
    where id = ${id} and person_id = ${personId} and revoked_at is null returning id`
  return rows.length
}

/** Ends what a person opened through the API by signing in; named tokens stay. */
export async function endApiSessions(sql: FirmSql, personId: string): Promise<void> {
  await sql`update api_token set revoked_at = now() where person_id = ${personId} and kind = 'session' and revoked_at is null`
}

/** Ends everything by which a person’s programs get in. */
export async function endTokens(sql: FirmSql, personId: string): Promise<void> {
  await sql`update api_token set revoked_at = now() where person_id = ${personId} and revoked_at is null`
}
