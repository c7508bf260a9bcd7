import type { FirmSql } from '../client'

export type Role = 'arborist' | 'crew lead' | 'technician' | 'office'

export interface PersonRow {
  id: string
  firmId: string
  name: string
  email: string
  role: Role
  licence: string | null
  /** The last day the licence holds; null when the office has entered none. */
  licenceUntil: string | null
  units: 'us' | 'metric'
  firmName: string
  town: string
  timeZone: string
  clockOffsetMs: number
}

const personColumns = (sql: FirmSql) => sql`
    p.id, p.firm_id as "firmId", p.name, p.email, p.role, p.licence,
      p.licence_until::text as "licenceUntil", p.units,
      f.name as "firmName", f.town, f.time_zone as "timeZone",
      (extract(epoch from f.clock_offset) * 1000)::double precision as "clockOffsetMs"`

/** The person of a live session, with what every page needs of the firm; one that is older than any cookie is none. */
export async function personOfSession(sql: FirmSql, sessionId: string): Promise<PersonRow | undefined> {
  const rows = await sql<PersonRow[]>`
    select ${personColumns(sql)}
    from session s join person p on p.id = s.person_id join firm f on f.id = p.firm_id
    where s.id = ${sessionId} and s.ended_at is null and s.created_at > now() - interval '15 days'`
  return rows[0]
}

/** A person of the firm, with what every page needs of it. */
export async function personById(sql: FirmSql, id: string): Promise<PersonRow | undefined> {
  const rows = await sql<PersonRow[]>`
    select ${personColumns(sql)}
    from person p join firm f on f.id = p.firm_id
    where p.id = ${id}`
  return rows[0]
}

/** Whom the e-mail of a sign-in belongs to. Only inside {@link signingIn}. */
export async function personSigningIn(sql: FirmSql, email: string) {
  const rows = await sql<{ id: string; firmId: string; passwordHash: string }[]>`
    select id, firm_id as "firmId", password_hash as "passwordHash" from person where lower(email) = ${email}`
  return rows[0]
}

/** Failed attempts of an e-mail in the last quarter of an hour: those of one source, and all others. */
export async function recentAttempts(
  sql: FirmSql,
  email: string,
  source: string,
): Promise<{ own: number; others: number }> {
  const rows = await sql<{ own: number; others: number }[]>`
    select (count(*) filter (where source = ${source}))::int as own, (count(*) filter (where source <> ${source}))::int as others
    from sign_in_attempt where email = ${email} and at > now() - interval '15 minutes'`
  return rows[0]!
}

export async function noteAttempt(sql: FirmSql, email: string, source: string): Promise<void> {
  await sql`insert into sign_in_attempt (email, source) values (${email}, ${source})`
  // What is older than a day tells nothing any more.
  await sql`delete from sign_in_attempt where email = ${email} and at < now() - interval '1 day'`
}

export async function forgetAttempts(sql: FirmSql, email: string): Promise<void> {
  await sql`delete from sign_in_attempt where email = ${email}`
}

export async function openSession(sql: FirmSql, session: { id: string; firmId: string; personId: string }) {
  await sql`insert into session (id, firm_id, person_id) values (${session.id}, ${session.firmId}, ${session.personId})`
}

export async function endSession(sql: FirmSql, sessionId: string): Promise<void> {
  await sql`update session set ended_at = now() where id = ${sessionId} and ended_at is null`
}

export async function setUnits(sql: FirmSql, personId: string, units: 'us' | 'metric'): Promise<void> {
  await sql`update person set units = ${units} where id = ${personId}`
}

/** Moves the demo's clock by some seconds. */
export async function moveClock(sql: FirmSql, firmId: string, seconds: number): Promise<void> {
  await sql`update firm set clock_offset = clock_offset + make_interval(secs => ${seconds}) where id = ${firmId}`
}
