import type { FirmSql } from '../client'

/** What somebody noted on the ground and may take back. */
export type Noted = 'hours_entered' | 'stage_seen' | 'weather_reading'

/** Takes back what was noted; true where it stood until now. */
export async function takeBack(
  sql: FirmSql,
  noted: Noted,
  id: string,
  by: string,
  at: Date,
): Promise<boolean> {
  const rows = await sql`
    update ${sql(noted)} set taken_back_by = ${by}, taken_back_at = ${at} where id = ${id} and taken_back_at is null returning id`
  return rows.length > 0
}
