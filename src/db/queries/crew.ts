import type { Crew, Member } from '@/core/roster/crew'
import type { FirmSql } from '../client'

/** The firm's crews by name; those that were ended are left out. */
export async function crews(sql: FirmSql): Promise<Crew[]> {
  return sql<Crew[]>`
    select id, name, truck, people, methods, begins, minutes from crew where ended_at is null order by lower(name), id`
}

/** A crew, ended or not. */
export async function crewById(sql: FirmSql, id: string): Promise<(Crew & { ended: boolean }) | undefined> {
  const rows = await sql<(Crew & { ended: boolean })[]>`
    select id, name, truck, people, methods, begins, minutes, ended_at is not null as ended from crew where id = ${id}`
  return rows[0]
}

/** Everybody of the firm, as crews count on them. */
export async function members(sql: FirmSql): Promise<Member[]> {
  return sql<Member[]>`
    select id, name, licence, licence_until::text as "licenceUntil" from person
    where put_away_at is null order by name, id limit 2000`
}

/** Writes a crew down, or anew. */
export async function keepCrew(sql: FirmSql, firmId: string, c: Crew): Promise<void> {
  await sql`
    insert into crew (id, firm_id, name, truck, people, methods, begins, minutes)
    values (${c.id}, ${firmId}, ${c.name}, ${c.truck}, ${c.people}, ${c.methods}, ${c.begins}, ${c.minutes})
    on conflict (firm_id, id) do update set name = excluded.name, truck = excluded.truck, people = excluded.people,
      methods = excluded.methods, begins = excluded.begins, minutes = excluded.minutes`
}

export async function endCrew(sql: FirmSql, id: string, at: Date): Promise<void> {
  await sql`update crew set ended_at = ${at} where id = ${id}`
}

/** Jobs from a day on that a crew still has; how many. */
export async function openJobsOfCrew(sql: FirmSql, crewId: string, from: string): Promise<number> {
  const rows = await sql<{ count: number }[]>`
    select count(*)::int as count from job where crew_id = ${crewId} and on_date >= ${from} and recorded < trees`
  return rows[0]!.count
}

export interface AbsenceRow {
  id: string
  crewId: string | null
  personId: string | null
  from: string
  to: string
  why: string
  by: string
}

/** Who is away on a day from one to another, the first to go first. */
export async function absences(sql: FirmSql, from: string, to: string): Promise<AbsenceRow[]> {
  return sql<AbsenceRow[]>`
    select a.id, a.crew_id as "crewId", a.person_id as "personId", a.from_on::text as from, a.to_on::text as to, a.why, p.name as by
    from absence a join person p on p.firm_id = a.firm_id and p.id = a.by_person
    where a.taken_back_at is null and a.to_on >= ${from} and a.from_on <= ${to} order by a.from_on, a.id limit 1000`
}

export async function addAbsence(
  sql: FirmSql,
  a: Omit<AbsenceRow, 'by'> & { firmId: string; by: string; at: Date },
): Promise<void> {
  await sql`insert into absence (id, firm_id, crew_id, person_id, from_on, to_on, why, by_person, at)
    values (${a.id}, ${a.firmId}, ${a.crewId}, ${a.personId}, ${a.from}, ${a.to}, ${a.why}, ${a.by}, ${a.at})`
}

/** Takes an absence back; false where there is none that holds. */
export async function takeAbsenceBack(
  sql: FirmSql,
  id: string,
  { by, at }: { by: string; at: Date },
): Promise<boolean> {
  const rows = await sql`update absence set taken_back_by = ${by}, taken_back_at = ${at}
    where id = ${id} and taken_back_at is null returning id`
  return rows.length > 0
}
