import type { PortEvent } from '@/core/ports/running'
import type { FirmSql } from '../client'
import type { Volume } from '@/core/quantity/units'

export interface PortRow {
  id: string
  jobItemId: string
  number: number
  plannedDeg: number
  bearingDeg: number
  volumeM3: Volume
  drilledAt: Date | null
  startedAt: Date | null
  stoppedAt: Date | null
  outAt: Date | null
  leftM3: Volume
  givenUp: string | null
}

export async function portsOfItems(sql: FirmSql, itemIds: string[]): Promise<PortRow[]> {
  if (itemIds.length === 0) return []
  return sql<PortRow[]>`
    select id, job_item_id as "jobItemId", number, planned_deg as "plannedDeg", bearing_deg as "bearingDeg",
      volume_m3 as "volumeM3", drilled_at as "drilledAt", started_at as "startedAt", stopped_at as "stoppedAt",
      out_at as "outAt", left_m3 as "leftM3", given_up as "givenUp"
    from port where job_item_id in ${sql(itemIds)} order by job_item_id, number`
}

/** Which tree of a job a port belongs to. */
export async function itemOfPort(sql: FirmSql, portId: string): Promise<string | undefined> {
  const rows = await sql<{ id: string }[]>`select job_item_id as id from port where id = ${portId}`
  return rows[0]?.id
}

/** Everything that was done at the ports of a tree, as it was sent. */
export async function portEventsOf(
  sql: FirmSql,
  jobItemId: string,
): Promise<{ id: string; portId: string; kind: PortEvent['kind']; at: Date; detail: PortEventDetail }[]> {
  return sql`select e.id, e.port_id as "portId", e.kind, e.at, e.detail
    from port p join port_event e on e.firm_id = p.firm_id and e.port_id = p.id
    where p.job_item_id = ${jobItemId} order by e.at, e.id`
}

/** What a step at a port carries beside its kind. SI. */
export interface PortEventDetail {
  reason?: string | null
  leftM3?: Volume | null
  bearing?: number | null
}

export async function notePortEvent(
  sql: FirmSql,
  e: {
    id: string
    firmId: string
    portId: string
    kind: string
    at: Date
    by: string
    detail: PortEventDetail
  },
): Promise<void> {
  await sql`insert into port_event (id, firm_id, port_id, kind, at, by_person, detail)
    values (${e.id}, ${e.firmId}, ${e.portId}, ${e.kind}, ${e.at}, ${e.by}, ${sql.json(e.detail as never)})`
}

export async function savePort(sql: FirmSql, p: PortRow): Promise<void> {
  await sql`update port set bearing_deg = ${p.bearingDeg}, drilled_at = ${p.drilledAt}, started_at = ${p.startedAt},
    stopped_at = ${p.stoppedAt}, out_at = ${p.outAt}, left_m3 = ${p.leftM3}, given_up = ${p.givenUp} where id = ${p.id}`
}
