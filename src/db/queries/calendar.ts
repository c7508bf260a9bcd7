import type { Method } from '@/core/card/card'
import type { FirmSql } from '../client'

/** Whose calendar it is: a crew's, or a client's. */
export interface CalendarOf {
  crewId: string | null
  clientId: string | null
}

export interface CalendarLinkRow extends CalendarOf {
  id: string
  madeBy: string
  madeAt: Date
  lastUsedAt: Date | null
}

/** What a link leads to, while it holds. Only inside `presenting`. */
export async function linkPresented(sql: FirmSql, tokenHash: string) {
  const rows = await sql<({ id: string; firmId: string; madeBy: string; stale: boolean } & CalendarOf)[]>`
    select id, firm_id as "firmId", crew_id as "crewId", client_id as "clientId", made_by as "madeBy",
      (last_used_at is null or last_used_at < now() - interval '1 hour') as stale
    from calendar_link where token_hash = ${tokenHash} and revoked_at is null`
  return rows[0]
}

export async function addCalendarLink(
  sql: FirmSql,
  l: CalendarOf & { id: string; firmId: string; tokenHash: string; by: string; at: Date },
): Promise<void> {
  await sql`insert into calendar_link (id, firm_id, crew_id, client_id, token_hash, made_by, made_at)
    values (${l.id}, ${l.firmId}, ${l.crewId}, ${l.clientId}, ${l.tokenHash}, ${l.by}, ${l.at})`
}

const held = (sql: FirmSql) => sql`
  select l.id, l.crew_id as "crewId", l.client_id as "clientId", p.name as "madeBy", l.made_at as "madeAt", l.last_used_at as "lastUsedAt"
  from calendar_link l join person p on p.firm_id = l.firm_id and p.id = l.made_by where l.revoked_at is null`

/** The links of a crew or a client that hold, the newest first. */
export async function calendarLinks(sql: FirmSql, of: CalendarOf): Promise<CalendarLinkRow[]> {
  return sql<CalendarLinkRow[]>`
    ${held(sql)} and ${of.crewId ? sql`l.crew_id = ${of.crewId}` : sql`l.client_id = ${of.clientId}`}
    order by l.made_at desc, l.id limit 50`
}

/** The links of all crews that hold, the newest first. */
export async function crewLinks(sql: FirmSql): Promise<CalendarLinkRow[]> {
  return sql<
    CalendarLinkRow[]
  >`${held(sql)} and l.crew_id is not null order by l.made_at desc, l.id limit 500`
}

export async function noteCalendarUse(sql: FirmSql, id: string, at: Date): Promise<void> {
  await sql`update calendar_link set last_used_at = ${at} where id = ${id}`
}

/** Ends a link; false where none holds. */
export async function revokeCalendarLink(sql: FirmSql, id: string, at: Date): Promise<boolean> {
  const rows =
    await sql`update calendar_link set revoked_at = ${at} where id = ${id} and revoked_at is null returning id`
  return rows.length > 0
}

/** A job as a calendar shows it. */
export interface CalendarJob {
  id: string
  siteId: string
  siteName: string
  place: string
  timeZone: string
  onDate: string
  crewId: string | null
  crew: string | null
  methods: Method[]
  /** None is left where all were moved away: it is cancelled. */
  trees: number
  recorded: number
  /** How often trees were moved from it or to it, and when last. */
  moves: number
  movedAt: Date | null
}

/** The jobs of a crew, or at the sites of a client, between two days. */
export async function jobsOfCalendar(
  sql: FirmSql,
  of: CalendarOf,
  from: string,
  to: string,
): Promise<CalendarJob[]> {
  return sql<CalendarJob[]>`
    select j.id, s.id as "siteId", s.name as "siteName", s.place, s.time_zone as "timeZone", j.on_date::text as "onDate",
      j.crew_id as "crewId", c.name as crew, j.methods, j.trees, j.recorded, coalesce(m.moves, 0)::int as moves, m.at as "movedAt"
    from site s join job j on j.firm_id = s.firm_id and j.site_id = s.id
      left join crew c on c.firm_id = j.firm_id and c.id = j.crew_id
      left join lateral (
        select count(*) as moves, max(x.at) as at from (
          select at from moved where job_id = j.id union all select at from moved where to_job_id = j.id) x) m on true
    where j.on_date between ${from} and ${to}
      and ${of.crewId ? sql`j.crew_id = ${of.crewId}` : sql`s.client_id = ${of.clientId}`}
    order by j.on_date, j.place nulls last, j.id limit 2000`
}
