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

/** A photograph of work at a tree of a job. */
export interface WorkPhotoRow {
  id: string
  jobSubjectId: string
  /** The task that wanted it; null where it was taken unasked. */
  task: string | null
  takenAt: Date
  by: string
}

/** Photographs of work at trees of a job, in their order, without their bytes. */
export async function workPhotos(sql: FirmSql, jobSubjectIds: readonly string[]): Promise<WorkPhotoRow[]> {
  if (jobSubjectIds.length === 0) return []
  return sql<WorkPhotoRow[]>`
    select f.id, f.job_subject_id as "jobSubjectId", f.task, f.taken_at as "takenAt", p.name as by
    from photo f join person p on p.firm_id = f.firm_id and p.id = f.by_person
    where f.job_subject_id = any(${[...jobSubjectIds]}) order by f.taken_at, f.id limit 1000`
}

/** Photographs of the work that a record is of, with the tag of their tree. */
export async function photosOfApplication(
  sql: FirmSql,
  applicationId: string,
): Promise<{ id: string; tag: string; takenAt: Date; by: string }[]> {
  return sql`
    select f.id, t.tag, f.taken_at as "takenAt", p.name as by
    from application_subject a join photo f on f.firm_id = a.firm_id and f.job_subject_id = a.job_subject_id
      join tree t on t.firm_id = f.firm_id and t.id = f.tree_id
      join person p on p.firm_id = f.firm_id and p.id = f.by_person
    where a.application_id = ${applicationId} order by f.taken_at, f.id limit 200`
}

/** The picture itself. */
export async function photoBytes(sql: FirmSql, id: string): Promise<Uint8Array | undefined> {
  const rows = await sql<{ jpeg: Uint8Array }[]>`select jpeg from photo where id = ${id}`
  return rows[0]?.jpeg
}

/** What a picture is of: an examination, or work at a tree of a job; the table takes one of both. */
export interface PhotoOf {
  assessmentId?: string
  finding?: string | null
  jobSubjectId?: string
  task?: string | null
}

export async function addPhoto(
  sql: FirmSql,
  p: {
    id: string
    firmId: string
    treeId: string
    of: PhotoOf
    at: Date
    by: string
    width: number
    height: number
    jpeg: Buffer
  },
): Promise<void> {
  const { assessmentId = null, finding = null, jobSubjectId = null, task = null } = p.of
  await sql`
    insert into photo (id, firm_id, tree_id, assessment_id, finding, job_subject_id, task, taken_at, by_person, width, height, jpeg)
    values (${p.id}, ${p.firmId}, ${p.treeId}, ${assessmentId}, ${finding}, ${jobSubjectId}, ${task}, ${p.at}, ${p.by},
      ${p.width}, ${p.height}, ${p.jpeg})`
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
