import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { z } from 'zod'
import { LOOKS } from '@/core/gate/looks'
import { GEAR_OFF, bloomNotLookedFor, ofAnotherDay, otherTag } from '@/core/methods/beginning'
import { ok, refuse, refusing, type Result } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import { confirmSubjects, jobById, jobSubjectForChange, jobSubjectsForChange } from '@/db/queries/job'
import { limitsPassed } from './groundLimits'
import { handsOf } from './handsOf'
import { id, line } from '@/asks/text'
import { backOnJob, unlessAway } from './away'
import { verb, type Context } from './verb'
import { whyNotBegun } from './whyNotBegun'

/** The crew has looked for open bloom and found none; asked where the card is never used in bloom. */
const noBloom = z.boolean().default(false)

/** The crew knows that the work stands on another day and does it today all the same. */
const otherDay = z.boolean().default(false)

/** Refuses work of another day. */
async function notToday(
  { sql, at }: Pick<Context, 'sql' | 'at'>,
  jobIds: readonly string[],
  known: boolean,
): Promise<Result<never> | null> {
  if (known) return null
  for (const jobId of new Set(jobIds)) {
    const job = await jobById(sql, jobId)
    const refused = refusing(job ? ofAnotherDay(job.onDate, dateIn(job.timeZone, at), known) : null)
    if (refused) return refused
  }
  return null
}

/** What whoever begins it sees at the tree, where the gate asks for it. */
const seen = z
  .strictObject({
    leaf: z.enum(LOOKS.leaf.options).optional(),
    bloom: z.enum(LOOKS.bloom.options).optional(),
    soil: z.enum(LOOKS.soil.options).optional(),
    bark: z.enum(LOOKS.bark.options).optional(),
    larvae: z.enum(LOOKS.larvae.options).optional(),
  })
  .default({})

const gear = z.boolean().refine((g) => g, { error: GEAR_OFF })

/** The crew lead or technician says: this is the tree, and gear is on. Opens its steps. */
export const confirmTreeVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.jobSubjectId,
  input: z.strictObject({
    jobSubjectId: id('jobSubjectId'),
    tag: line('Tag', 40),
    gear,
    noBloom,
    otherDay,
    seen,
  }),
  run: async (context, input): Promise<Result<{ confirmed: true }>> => {
    const { sql, at } = context
    const found = await jobSubjectForChange(sql, input.jobSubjectId)
    if (!found) return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
    const [subject = found] = await backOnJob(context, [found])
    const hands = await handsOf(context, [subject])
    const passed = limitsPassed(sql, context.person.units)
    const refused = await unlessAway(
      context,
      subject,
      () => refusing(otherTag(input.tag, subject.tag)),
      () => refusing(bloomNotLookedFor([subject.use], input.noBloom)),
      () => whyNotBegun(context, subject, hands.get(subject.treeId)!, input.seen, passed),
      () => notToday(context, [subject.jobId], input.otherDay),
    )
    if (refused) return refused
    await confirmSubjects(sql, [subject.id], at, input.seen)
    return ok({ confirmed: true })
  },
})

/** As many trees as are begun or ticked by one press. */
export const MOST_AT_ONCE = 400

/**
 * Begins work that opens no trunk at all its trees at once: the gear is on, and each tree is ticked by its tag as it is come
 * to. Trees at which something stands against it stay closed, and are named.
 */
export const beginWorkVerb = verb({
  roles: ['crew lead', 'technician', 'arborist'],
  about: (i) => i.jobSubjectIds[0]!,
  input: z.strictObject({
    jobSubjectIds: z.array(id('jobSubjectId')).min(1).max(MOST_AT_ONCE),
    gear,
    noBloom,
    otherDay,
    seen,
  }),
  run: async (context, input): Promise<Result<{ begun: number; closed: string[] }>> => {
    const { sql, at } = context
    const found = await jobSubjectsForChange(sql, input.jobSubjectIds)
    if (found.length < new Set(input.jobSubjectIds).size)
      return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
    const subjects = await backOnJob(context, found)
    if (subjects.some(isByPorts))
      return refuse('not-allowed', 'jobSubjectId', 'A trunk is opened tree by tree: read its tag first.')
    const uses = subjects.map((s) => s.use)
    const bloom = await unlessAway(context, subjects[0]!, () =>
      refusing(bloomNotLookedFor(uses, input.noBloom)),
    )
    if (bloom) return bloom
    const closed: string[] = []
    const open: string[] = []
    const hands = await handsOf(context, subjects)
    const passed = limitsPassed(sql, context.person.units)
    for (const subject of subjects) {
      const not = await unlessAway(context, subject, () =>
        whyNotBegun(context, subject, hands.get(subject.treeId)!, input.seen, passed),
      )
      // What must be looked at is said once, for all of them.
      if (not && !not.ok && not.problem.field.startsWith('seen.')) return not
      if (not && !not.ok) closed.push(`${subject.tag}: ${not.problem.message}`)
      else open.push(subject.id)
    }
    if (open.length === 0) return refuse('conflict', 'prescription', closed.join(' '))
    const jobIds = subjects.map((s) => s.jobId)
    const day = await unlessAway(context, subjects[0]!, () => notToday(context, jobIds, input.otherDay))
    if (day) return day
    await confirmSubjects(sql, open, at, input.seen)
    return ok({ begun: open.length, closed })
  },
})
