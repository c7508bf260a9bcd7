import type { FirmSql } from '../client'

export interface PhotoRow {
  id: string
  finding: string | null
  takenAt: Date
  by: string
  width: number
  height: number
}

/** Photographs of an examination, without their bytes. */
export async function photosOf(sql: FirmSql, assessmentId: string): Promise<PhotoRow[]> {
  return sql<PhotoRow[]>`select f.id, f.finding, f.taken_at as "takenAt", p.name as by, f.width, f.height
    from photo f join person p on p.id = f.by_person where f.assessment_id = ${assessmentId} order by f.taken_at, f.id limit 60`
}

/** The picture itself. */
export async function photoBytes(sql: FirmSql, id: string): Promise<Uint8Array | undefined> {
  const rows = await sql<{ jpeg: Uint8Array }[]>`select jpeg from photo where id = ${id}`
  return rows[0]?.jpeg
}

export async function addPhoto(
  sql: FirmSql,
  p: {
    id: string
    firmId: string
    treeId: string
    assessmentId: string
    finding: string | null
    at: Date
    by: string
    width: number
    height: number
    jpeg: Buffer
  },
): Promise<void> {
  await sql`insert into photo (id, firm_id, tree_id, assessment_id, finding, taken_at, by_person, width, height, jpeg)
    values (${p.id}, ${p.firmId}, ${p.treeId}, ${p.assessmentId}, ${p.finding}, ${p.at}, ${p.by}, ${p.width}, ${p.height}, ${p.jpeg})`
}

/** Takes a picture away while its examination is open. Answers how many: 0 or 1. */
export async function removePhoto(sql: FirmSql, id: string): Promise<number> {
  const rows = await sql`delete from photo f using assessment a
    where f.id = ${id} and a.id = f.assessment_id and a.closed_at is null returning f.id`
  return rows.length
}

/** Whose picture it is. */
export async function treeOfPhoto(sql: FirmSql, id: string): Promise<string | undefined> {
  const rows = await sql<{ id: string }[]>`select tree_id as id from photo where id = ${id}`
  return rows[0]?.id
}
