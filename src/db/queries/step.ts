import type { FirmSql } from '../client'

/** A step as it was taken and kept. */
export interface StepRow {
  personId: string
  person: string
  verb: string
  inputHash: string
  input: unknown
  answer: unknown
  at: Date
}

/**
 * The step that was taken under this id before, if any. Waits for another hand that is taking it at this moment, and
 * names the event in whose course every change of this transaction is noted.
 */
export async function stepTaken(
  sql: FirmSql,
  s: { event: string; step: string | null },
): Promise<StepRow | undefined> {
  if (s.step === null) {
    await sql`select set_config('elmhorn.event', ${s.event}, true)`
    return undefined
  }
  await sql`select set_config('elmhorn.event', ${s.event}, true),
    pg_advisory_xact_lock(hashtextextended(${s.step}, 11))`
  const rows = await sql<StepRow[]>`
    select e.person_id as "personId", p.name as person, e.verb, e.input_hash as "inputHash", e.input, e.answer, e.at
    from audit_event e join person p on p.firm_id = e.firm_id and p.id = e.person_id where e.step = ${s.step}`
  return rows[0]
}

/** Notes a step that was taken, with its content and what was answered. */
export async function noteStep(
  sql: FirmSql,
  e: {
    event: string
    step: string | null
    firmId: string
    personId: string
    verb: string
    about: string | null
    inputHash: string
    input: unknown
    answer: unknown
    at: Date
    deviceAt: Date | null
  },
): Promise<void> {
  await sql`insert into audit_event (id, firm_id, person_id, at, verb, about, step, input_hash, input, answer, device_at)
    values (${e.event}, ${e.firmId}, ${e.personId}, ${e.at}, ${e.verb}, ${e.about}, ${e.step}, ${e.inputHash},
      ${sql.json(e.input as never)}, ${sql.json((e.answer ?? null) as never)}, ${e.deviceAt})`
}

/** Notes what is no step of the job: signing in or out, a photograph. */
export async function noteEvent(
  sql: FirmSql,
  e: { id: string; firmId: string; personId: string; verb: string; about: string | null; at: Date },
): Promise<void> {
  await sql`insert into audit_event (id, firm_id, person_id, at, verb, about)
    values (${e.id}, ${e.firmId}, ${e.personId}, ${e.at}, ${e.verb}, ${e.about})`
}

/** A step that changed a tree's own fields, with what stood before. */
export interface TreeChange {
  at: Date
  verb: string
  input: Record<string, unknown>
  was: {
    tag: string
    host: string
    note: string | null
    live_crown_percent: number | null
    east_m: number
    north_m: number
  } | null
  by: string
}

/** Steps that change what a tree is, where it stands, or whether it does. */
const CHANGING = ['confirm-identity', 'change-tree', 'move-tree', 'remove-tree', 'merge-trees', 'stand-again']

/** The newest changes of a tree's own fields. */
export async function changesOfTree(sql: FirmSql, treeId: string): Promise<TreeChange[]> {
  return sql<TreeChange[]>`
    select coalesce(e.device_at, e.at) as at, e.verb, e.input, p.name as by,
      (select c.was from change c where c.firm_id = e.firm_id and c.event = e.id and c.in_table = 'tree' order by c.id limit 1) as was
    from audit_event e join person p on p.firm_id = e.firm_id and p.id = e.person_id
    where e.about = ${treeId} and e.verb = any(${CHANGING}) order by e.at desc limit 30`
}
