import type { FirmSql } from '../client'

export type LoadedState = 'on' | 'missing' | 'off'

/** What was last said of a thing that goes on a truck. */
export interface LoadedRow {
  line: string
  name: string
  /** As it was seen then. */
  amount: string | null
  state: LoadedState
  by: string
  at: Date
}

/** A crew’s day, whose truck is loaded; the work that no crew has is nobody’s. */
export interface CrewDay {
  crewId: string | null
  onDate: string
}

/** Writes down what was ticked; `by` is the id of whoever did. */
export async function noteLoaded(
  sql: FirmSql,
  t: CrewDay & LoadedRow & { id: string; firmId: string },
): Promise<void> {
  await sql`
    insert into loaded (id, firm_id, crew_id, on_date, line, name, amount, state, by_person, at)
    values (${t.id}, ${t.firmId}, ${t.crewId}, ${t.onDate}, ${t.line}, ${t.name}, ${t.amount}, ${t.state}, ${t.by}, ${t.at})`
}

/** What was last said of each thing of the trucks of some days. */
const lastSaid = (sql: FirmSql, where: ReturnType<FirmSql>) => sql`
  select distinct on (l.on_date, l.crew_id, l.line) l.on_date::text as "onDate", l.crew_id as "crewId", l.line, l.name,
    l.amount, l.state, p.name as by, l.at
  from loaded l join person p on p.firm_id = l.firm_id and p.id = l.by_person
  where ${where}
  order by l.on_date, l.crew_id, l.line, l.at desc, l.id desc`

/** What was last said of each thing of a crew’s day. */
export async function loadedOf(sql: FirmSql, of: CrewDay): Promise<(LoadedRow & CrewDay)[]> {
  return sql<(LoadedRow & CrewDay)[]>`
    ${lastSaid(sql, sql`l.on_date = ${of.onDate} and l.crew_id is not distinct from ${of.crewId}`)}`
}

/** What is missing on trucks between two days, by what was last said of it. */
export async function missingOnTrucks(
  sql: FirmSql,
  from: string,
  to: string,
): Promise<(LoadedRow & CrewDay & { crew: string | null })[]> {
  return sql<(LoadedRow & CrewDay & { crew: string | null })[]>`
    select x.*, c.name as crew from (${lastSaid(sql, sql`l.on_date between ${from} and ${to}`)}) x
    left join crew c on c.id = x."crewId"
    where x.state = 'missing' order by x."onDate", c.name nulls last, x.at limit 40`
}

/** The jobs of a crew’s day, in its order; what is done stays, so that what was loaded for it stands. */
export async function jobsToLoad(
  sql: FirmSql,
  of: CrewDay,
): Promise<{ id: string; siteName: string; trees: number; recorded: number }[]> {
  return sql`
    select j.id, s.name as "siteName", j.trees, j.recorded from job j join site s on s.firm_id = j.firm_id and s.id = j.site_id
    where j.on_date = ${of.onDate} and j.crew_id is not distinct from ${of.crewId} and j.trees > 0
    order by j.place nulls last, j.id`
}

/** The jobs of all trucks of a day that are not done. */
export async function jobsOfTrucks(
  sql: FirmSql,
  onDate: string,
): Promise<{ id: string; siteName: string }[]> {
  return sql`
    select j.id, s.name as "siteName" from job j join site s on s.firm_id = j.firm_id and s.id = j.site_id
    where j.on_date = ${onDate} and j.trees > j.recorded order by s.name, j.id limit 100`
}

/** Whose jobs there are on a day, with whether the person goes along; what no crew has stands last. */
export async function crewsOfDay(
  sql: FirmSql,
  onDate: string,
  personId: string,
): Promise<{ id: string | null; name: string | null; truck: string | null; own: boolean }[]> {
  return sql`
    select c.id, c.name, c.truck, coalesce(${personId}::uuid = any(c.people), false) as own
    from (select distinct crew_id from job where on_date = ${onDate} and trees > 0) j
    left join crew c on c.id = j.crew_id
    order by own desc, c.name nulls last`
}
