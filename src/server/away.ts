import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { id } from '@/asks/text'
import { ok, type Result } from '@/core/problem'
import { clockIn } from '@/core/time/calendar'
import { noteDoneAway, seeDoneAway } from '@/db/queries/doneAway'
import { reopenSubject, type JobSubjectRow } from '@/db/queries/job'
import { verb, type Context } from './verb'

type At = Pick<Context, 'sql' | 'person' | 'now' | 'at' | 'away'>
type OfJob = Pick<JobSubjectRow, 'id' | 'timeZone'>

/**
 * Work that was done is never refused a record. What stands against a press that was made without a signal could not be known where it
 * was made: it is entered beside the work, goes into its record, and is shown to the arborist. In reach a refusal is a refusal.
 */
export async function unlessAway(
  context: At,
  subject: OfJob,
  refused: Result<never> | null,
): Promise<Result<never> | null> {
  if (!refused || refused.ok || !context.away) return refused
  await enterAway(context, subject, refused.problem.message)
  return null
}

/** Enters what stood against work at a tree that was done without a signal. */
export async function enterAway(
  { sql, person, now, at }: At,
  { id: jobSubjectId, timeZone }: OfJob,
  words: string,
): Promise<void> {
  await noteDoneAway(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    jobSubjectId,
    words: `Done without a signal at ${clockIn(timeZone, at)}, when this could not be known: ${words}`,
    by: person.id,
    at,
    enteredAt: now,
  })
}

/** A tree that was taken back while somebody worked at it without a signal is of the job again, as what was done there is recorded. */
export async function backOnJob(context: At, subject: JobSubjectRow): Promise<JobSubjectRow> {
  if (!context.away || subject.status !== 'withdrawn') return subject
  await reopenSubject(context.sql, subject)
  await enterAway(context, subject, 'the work had been taken back.')
  return { ...subject, status: 'open' }
}

/** The arborist has seen what was done without a signal, otherwise than it stood. */
export const seeAwayVerb = verb({
  roles: ['arborist'],
  about: (i) => i.ids[0]!,
  input: z.strictObject({ ids: z.array(id('ids')).min(1).max(100) }),
  run: async ({ sql, person, now }, input): Promise<Result<{ seen: number }>> =>
    ok({ seen: await seeDoneAway(sql, input.ids, person.id, now) }),
})
