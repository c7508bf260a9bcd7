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
  /** People, tokens, archive and deletion are this person’s to see to. */
  keepsHouse: boolean
  /** A second factor is asked of this person when signing in. */
  hasFactor: boolean
  /** The firm asks a second factor of whoever signs. */
  factorAsked: boolean
}

const personColumns = (sql: FirmSql) => sql`
    p.id, p.firm_id as "firmId", p.name, p.email, p.role, p.licence,
      p.licence_until::text as "licenceUntil", p.units,
      f.name as "firmName", f.town, f.time_zone as "timeZone",
      (extract(epoch from f.clock_offset) * 1000)::double precision as "clockOffsetMs",
      p.keeps_house as "keepsHouse", p.factor_since is not null as "hasFactor", f.second_factor as "factorAsked"`

/** The person of a live session, with what every page needs of the firm; one that is older than any cookie is none. */
export async function personOfSession(
  sql: FirmSql,
  sessionId: string,
): Promise<(PersonRow & { stale: boolean }) | undefined> {
  const rows = await sql<(PersonRow & { stale: boolean })[]>`
    select ${personColumns(sql)}, coalesce(s.last_seen_at, s.created_at) < now() - interval '1 minute' as stale
    from session s join person p on p.id = s.person_id join firm f on f.id = p.firm_id
    where s.id = ${sessionId} and s.ended_at is null and s.created_at > now() - interval '15 days'
      and p.put_away_at is null`
  return rows[0]
}

/** A person of the firm who works there, with what every page needs of it. */
export async function personById(sql: FirmSql, id: string): Promise<PersonRow | undefined> {
  const rows = await sql<PersonRow[]>`
    select ${personColumns(sql)}
    from person p join firm f on f.id = p.firm_id
    where p.id = ${id} and p.put_away_at is null`
  return rows[0]
}

/** Whom the e-mail of a sign-in belongs to, unless they are put away. Only inside {@link signingIn}. */
export async function personSigningIn(sql: FirmSql, email: string) {
  const rows = await sql<
    { id: string; firmId: string; name: string; role: Role; passwordHash: string; hasFactor: boolean }[]
  >`
    select id, firm_id as "firmId", name, role, password_hash as "passwordHash", factor_since is not null as "hasFactor"
    from person where lower(email) = ${email} and put_away_at is null`
  return rows[0]
}

/** True where somebody has this address, put away or not. Only inside {@link signingIn}. */
export async function isAddressTaken(sql: FirmSql, email: string): Promise<boolean> {
  return (await sql`select 1 from person where lower(email) = ${email}`).length > 0
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

export async function openSession(
  sql: FirmSql,
  session: { id: string; firmId: string; personId: string; device?: string | null },
) {
  await sql`insert into session (id, firm_id, person_id, device)
    values (${session.id}, ${session.firmId}, ${session.personId}, ${session.device ?? null})`
}

/** Notes that a session is in use; at most once a minute by the caller. */
export async function noteSessionUse(sql: FirmSql, sessionId: string): Promise<void> {
  await sql`update session set last_seen_at = now() where id = ${sessionId}`
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
