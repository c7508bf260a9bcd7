import type { FirmSql } from '../client'
import type { Role } from './person'

/** The firm that was set up here, or none. Only inside `settingUp` or the firm itself. */
export async function firmSetUp(sql: FirmSql): Promise<string | null> {
  const rows = await sql<{ firmId: string }[]>`select firm_id as "firmId" from set_up`
  return rows[0]?.firmId ?? null
}

export interface NewFirm {
  id: string
  name: string
  town: string
  latitude: number
  longitude: number
  timeZone: string
  units: 'us' | 'metric'
  language: string
}

export async function addFirm(sql: FirmSql, f: NewFirm): Promise<void> {
  await sql`insert into firm (id, name, town, time_zone, latitude, longitude, units, language)
    values (${f.id}, ${f.name}, ${f.town}, ${f.timeZone}, ${f.latitude}, ${f.longitude}, ${f.units}, ${f.language})`
}

export interface FirmRow extends NewFirm {
  secondFactor: boolean
  settings: Record<string, unknown>
}

/** The firm of this transaction. */
export async function firmOf(sql: FirmSql): Promise<FirmRow> {
  const rows = await sql<FirmRow[]>`
    select id, name, town, time_zone as "timeZone", latitude, longitude, units, language,
      second_factor as "secondFactor", settings from firm`
  return rows[0]!
}

export async function changeFirm(sql: FirmSql, f: Omit<NewFirm, 'id'>): Promise<void> {
  await sql`update firm set name = ${f.name}, town = ${f.town}, time_zone = ${f.timeZone}, latitude = ${f.latitude},
    longitude = ${f.longitude}, units = ${f.units}, language = ${f.language}`
}

/** Keeps one of the firm’s own settings by its name. */
export async function setFirmSetting(sql: FirmSql, name: string, value: string): Promise<void> {
  await sql`update firm set settings = settings || ${sql.json({ [name]: value })}`
}

export async function askSecondFactor(sql: FirmSql, asked: boolean): Promise<void> {
  await sql`update firm set second_factor = ${asked}`
}

/** Holds the firm’s own row, so that who keeps the house is changed by one hand at a time. */
export async function holdHouse(sql: FirmSql): Promise<void> {
  await sql`select 1 from firm for no key update`
}

export interface NewPerson {
  id: string
  firmId: string
  email: string
  name: string
  role: Role
  units: 'us' | 'metric'
  language: string
  passwordHash: string
  keepsHouse: boolean
}

export async function addPerson(sql: FirmSql, p: NewPerson): Promise<void> {
  await sql`insert into person (id, firm_id, email, name, role, units, language, password_hash, keeps_house)
    values (${p.id}, ${p.firmId}, ${p.email}, ${p.name}, ${p.role}, ${p.units}, ${p.language}, ${p.passwordHash}, ${p.keepsHouse})`
}

export interface PersonOnList {
  id: string
  name: string
  email: string
  role: Role
  keepsHouse: boolean
  putAwayAt: Date | null
  factorSince: Date | null
  lastSeenAt: Date | null
}

/** Everybody of the firm, those who are put away last. */
export async function peopleOfFirm(sql: FirmSql): Promise<PersonOnList[]> {
  return sql<PersonOnList[]>`
    select p.id, p.name, p.email, p.role, p.keeps_house as "keepsHouse", p.put_away_at as "putAwayAt",
      p.factor_since as "factorSince",
      (select max(coalesce(s.last_seen_at, s.created_at)) from session s
        where s.firm_id = p.firm_id and s.person_id = p.id) as "lastSeenAt"
    from person p order by p.put_away_at is not null, p.name, p.id limit 2000`
}

export async function setPerson(
  sql: FirmSql,
  p: { id: string; name: string; role: Role; keepsHouse: boolean },
): Promise<number> {
  const rows = await sql`update person set name = ${p.name}, role = ${p.role}, keeps_house = ${p.keepsHouse}
    where id = ${p.id} returning id`
  return rows.length
}

/** Puts a person away, or takes them back (`by` null). */
export async function putAway(sql: FirmSql, id: string, by: string | null, at: Date): Promise<void> {
  await sql`update person set put_away_at = ${by === null ? null : at}, put_away_by = ${by} where id = ${id}`
}

/** How many others keep the house. */
export async function otherKeepers(sql: FirmSql, id: string): Promise<number> {
  const rows = await sql<{ count: number }[]>`
    select count(*)::int as count from person where keeps_house and put_away_at is null and id <> ${id}`
  return rows[0]!.count
}

export async function setPassword(sql: FirmSql, id: string, hash: string, at: Date): Promise<void> {
  await sql`update person set password_hash = ${hash}, password_changed_at = ${at} where id = ${id}`
}

export async function passwordHashOf(sql: FirmSql, id: string): Promise<string> {
  const rows = await sql<{ hash: string }[]>`select password_hash as hash from person where id = ${id}`
  return rows[0]!.hash
}

export async function setLanguage(sql: FirmSql, id: string, language: string): Promise<void> {
  await sql`update person set language = ${language} where id = ${id}`
}

// Licences.

export interface LicenceRow {
  id: string
  personId: string
  number: string
  categories: string[]
  state: string | null
  until: string | null
}

/** Licences on file, of one person or of everybody: the one that holds longest first. */
export async function licences(sql: FirmSql, personId?: string): Promise<LicenceRow[]> {
  return sql<LicenceRow[]>`
    select id, person_id as "personId", number, categories, state, until::text as until from licence
    where ended_at is null ${personId === undefined ? sql`` : sql`and person_id = ${personId}`}
    order by until desc nulls first, id limit 5000`
}

export async function addLicence(sql: FirmSql, l: LicenceRow & { firmId: string }): Promise<void> {
  await sql`insert into licence (id, firm_id, person_id, number, categories, state, until)
    values (${l.id}, ${l.firmId}, ${l.personId}, ${l.number}, ${l.categories}, ${l.state}, ${l.until})`
}

/** Whose licence it was; undefined where none stands. */
export async function endLicence(sql: FirmSql, id: string, at: Date): Promise<string | undefined> {
  const rows = await sql<{ personId: string }[]>`
    update licence set ended_at = ${at} where id = ${id} and ended_at is null returning person_id as "personId"`
  return rows[0]?.personId
}

/** The licence that holds longest stands with the person, where signing asks for it. */
export async function noteLicence(sql: FirmSql, personId: string): Promise<void> {
  const [best] = await licences(sql, personId)
  await sql`update person set licence = ${best?.number ?? null}, licence_until = ${best?.until ?? null} where id = ${personId}`
}

// Links that open a door once.

export interface DoorLinkRow {
  id: string
  kind: 'invitation' | 'password'
  personId: string | null
  email: string
  name: string
  role: Role
  keepsHouse: boolean
  madeAt: Date
  until: Date
}

export async function addDoorLink(
  sql: FirmSql,
  l: Omit<DoorLinkRow, 'madeAt'> & { firmId: string; tokenHash: string; by: string | null; madeAt: Date },
): Promise<void> {
  await sql`insert into door_link (id, firm_id, kind, token_hash, person_id, email, name, role, keeps_house, made_by, made_at, until)
    values (${l.id}, ${l.firmId}, ${l.kind}, ${l.tokenHash}, ${l.personId}, ${l.email}, ${l.name}, ${l.role}, ${l.keepsHouse},
      ${l.by}, ${l.madeAt}, ${l.until})`
}

const doorLink = (sql: FirmSql) => sql`
  id, kind, person_id as "personId", email, name, role, keeps_house as "keepsHouse", made_at as "madeAt", until`

/** The link of this hash while it opens anything. Only inside `presenting`. */
export async function doorLinkPresented(
  sql: FirmSql,
  tokenHash: string,
): Promise<(DoorLinkRow & { firmId: string }) | undefined> {
  const rows = await sql<(DoorLinkRow & { firmId: string })[]>`
    select ${doorLink(sql)}, firm_id as "firmId" from door_link
    where token_hash = ${tokenHash} and used_at is null and called_back_at is null and until > now()`
  return rows[0]
}

/** Uses a link up: true for the one hand that did. */
export async function useDoorLink(sql: FirmSql, id: string): Promise<boolean> {
  const rows = await sql`update door_link set used_at = now()
    where id = ${id} and used_at is null and called_back_at is null and until > now() returning id`
  return rows.length === 1
}

/** Invitations that are still open, newest first. */
export async function openInvitations(sql: FirmSql): Promise<DoorLinkRow[]> {
  return sql<DoorLinkRow[]>`select ${doorLink(sql)} from door_link
    where kind = 'invitation' and used_at is null and called_back_at is null and until > now()
    order by made_at desc, id limit 500`
}

/** Calls back an open link by its id, or all of a kind to an address. Answers how many. */
export async function callBack(
  sql: FirmSql,
  which: { id: string } | { email: string; kind: DoorLinkRow['kind'] },
): Promise<number> {
  const rows = await sql`update door_link set called_back_at = now()
    where used_at is null and called_back_at is null
      and ${'id' in which ? sql`id = ${which.id}` : sql`kind = ${which.kind} and email = ${which.email}`} returning id`
  return rows.length
}

// Sessions.

export interface SessionRow {
  id: string
  device: string | null
  createdAt: Date
  lastSeenAt: Date | null
}

/** A person’s sessions that are open, the last seen first. */
export async function openSessions(sql: FirmSql, personId: string): Promise<SessionRow[]> {
  return sql<SessionRow[]>`
    select id, device, created_at as "createdAt", last_seen_at as "lastSeenAt" from session
    where person_id = ${personId} and ended_at is null and created_at > now() - interval '15 days'
    order by coalesce(last_seen_at, created_at) desc, id limit 200`
}

/** Open sessions of everybody, the last seen first, with whose they are. */
export async function devicesOfFirm(sql: FirmSql): Promise<(SessionRow & { personId: string })[]> {
  return sql<(SessionRow & { personId: string })[]>`
    select id, person_id as "personId", device, created_at as "createdAt", last_seen_at as "lastSeenAt" from session
    where ended_at is null and created_at > now() - interval '15 days'
    order by coalesce(last_seen_at, created_at) desc, id limit 2000`
}

/** Ends a session whose device is lost: what it keeps is emptied when it next asks. Answers how many that was. */
export async function endDevice(sql: FirmSql, sessionId: string): Promise<number> {
  const rows = await sql`
    update session set ended_at = now(), empties = true where id = ${sessionId} and ended_at is null returning id`
  return rows.length
}

/** Whose store a device is to empty that asks under this session; undefined where it is to keep it. */
export async function personToEmpty(sql: FirmSql, sessionId: string): Promise<string | undefined> {
  const rows = await sql<{ id: string }[]>`
    select person_id as id from session where id = ${sessionId} and ended_at is not null and empties`
  return rows[0]?.id
}

/** Ends open sessions of a person: one, or all but one. Answers how many. */
export async function endSessions(
  sql: FirmSql,
  personId: string,
  which: { id: string } | { but: string | null },
): Promise<number> {
  const rows =
    await sql`update session set ended_at = now() where person_id = ${personId} and ended_at is null
    ${'id' in which ? sql`and id = ${which.id}` : which.but === null ? sql`` : sql`and id <> ${which.but}`} returning id`
  return rows.length
}

// The second factor.

export interface FactorRow {
  secret: string | null
  since: Date | null
  last: number | null
  recoveryCodes: string[]
}

export async function factorOf(sql: FirmSql, personId: string): Promise<FactorRow> {
  const rows = await sql<FactorRow[]>`
    select factor_secret as secret, factor_since as since, factor_last::int as last, recovery_codes as "recoveryCodes"
    from person where id = ${personId} for no key update`
  return rows[0]!
}

export async function setFactor(sql: FirmSql, personId: string, f: Partial<FactorRow>): Promise<void> {
  if ('secret' in f) await sql`update person set factor_secret = ${f.secret ?? null} where id = ${personId}`
  if ('since' in f) await sql`update person set factor_since = ${f.since ?? null} where id = ${personId}`
  if ('last' in f) await sql`update person set factor_last = ${f.last ?? null} where id = ${personId}`
  if (f.recoveryCodes) await sql`update person set recovery_codes = ${f.recoveryCodes} where id = ${personId}`
}
