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

/** A rule that may stand against a press, asked only where none before it refused. */
type Rule = () => Result<never> | null | Promise<Result<never> | null>

/**
 * Work that was done is never refused a record. What stands against a press that was made without a signal could not be known where it
 * was made: it is entered beside the work, goes into its record, and is shown to the arborist. In reach a refusal is a refusal, the first
 * of the rules.
 */
export async function unlessAway(
  context: At,
  subject: OfJob,
  ...rules: readonly Rule[]
): Promise<Result<never> | null> {
  for (const rule of rules) {
    const refused = await rule()
    if (!refused || refused.ok) continue
    if (!context.away) return refused
    await enterAway(context, subject, refused.problem.message)
  }
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

/** Trees that were taken back while somebody worked at them without a signal are of the job again, as what was done there is recorded. */
export async function backOnJob(context: At, subjects: readonly JobSubjectRow[]): Promise<JobSubjectRow[]> {
  const back: JobSubjectRow[] = []
  for (const subject of subjects) {
    const again = context.away && subject.status === 'withdrawn'
    if (again) {
      await reopenSubject(context.sql, subject)
      await enterAway(context, subject, 'the work had been taken back.')
    }
    back.push(again ? { ...subject, status: 'open' } : subject)
  }
  return back
}

/** The arborist has seen what was done without a signal, otherwise than it stood. */
export const seeAwayVerb = verb({
  roles: ['arborist'],
  about: (i) => i.ids[0]!,
  input: z.strictObject({ ids: z.array(id('ids')).min(1).max(100) }),
  run: async ({ sql, person, now }, input): Promise<Result<{ seen: number }>> =>
    ok({ seen: await seeDoneAway(sql, input.ids, person.id, now) }),
})
