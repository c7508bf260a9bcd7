import { hold } from '@/db/queries/hold'
import { v7 as uuidv7 } from 'uuid'
import { said } from '@/core/gate/gate'
import { ok, refuse, type Result } from '@/core/problem'
import { crewOn } from '@/core/roster/crew'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { absences, crews, members } from '@/db/queries/crew'
import { jobById, jobOfDay, moveSubjects } from '@/db/queries/job'
import { addMoved } from '@/db/queries/moved'
import { boundsOf } from '@/db/queries/occurrence'
import { freeLimit, remark } from './anew'
import { refusedByLimits } from './groundLimits'
import { notBegun } from './notBegun'
import { refusedDay } from './onJob'
import { useOnShelf } from './onShelf'
import { against, closedOn, onMoving } from './mayGoOn'
import { treesAtHand } from './treesAtHand'
import type { Context } from './verb'

/**
 * Puts trees of a job at which nothing was begun on another day or with another crew. For another day every tree goes through its gate once more, and the
 * reason is kept; dose and steps stay as they were signed. `crewId`: whose it is then; not given, its own crew’s where that one goes out on the day, else
 * nobody’s.
 */
export async function moveTrees(
  context: Context,
  to: {
    jobSubjectIds: readonly string[]
    onDate: string
    crewId?: string | null
    why: string
    /** The job they were seen on. */
    seenOn?: string
  },
): Promise<Result<{ jobId: string; trees: number }>> {
  const { sql, person, now, at } = context
  const found = await notBegun(sql, to.jobSubjectIds)
  if (!found.ok) return found
  const { subjects, trees } = found.value
  const first = subjects[0]!
  if (subjects.some((s) => s.jobId !== first.jobId))
    return refuse('unknown', 'jobSubjectId', 'These trees are of two days. Load the page again.')
  if (to.seenOn !== undefined && first.jobId !== to.seenOn)
    return refuse(
      'conflict',
      'jobSubjectId',
      'Somebody else moved these trees just now. Load the page again.',
    )
  const job = (await jobById(sql, first.jobId))!
  const otherDay = to.onDate !== job.onDate
  await hold(sql, context.person.firmId, 'crews', 'use')
  const crewId = to.crewId === undefined ? await crewThen(context, job.crewId, to.onDate) : to.crewId
  if (otherDay) {
    const wrong = refusedDay(dateIn(job.timeZone, now), to.onDate)
    if (wrong) return wrong
    for (const occurrenceId of new Set(subjects.map((s) => s.occurrenceId))) {
      const { dueFrom, endsOn } = await boundsOf(sql, occurrenceId)
      if (dueFrom !== null && to.onDate < dueFrom)
        return refuse(
          'out-of-range',
          'onDate',
          `This is due from ${spokenDate(dueFrom)} on; choose that day or a later one.`,
        )
      if (endsOn !== null && to.onDate > endsOn)
        return refuse(
          'out-of-range',
          'onDate',
          `Its season ends on ${spokenDate(endsOn)}; choose a day before it, or hand it back with the reason.`,
        )
    }
    const rows = []
    for (const useId of new Set(subjects.map((s) => s.useId))) {
      const row = await useOnShelf(context, useId)
      if (!row.ok) return row
      rows.push(row.value)
    }
    const hands = new Map((await treesAtHand(context, trees, rows)).map((h) => [h.tree.id, h]))
    const moving = subjects.map((s) => s.id)
    const limited = []
    for (const row of rows) {
      const own = subjects.filter((s) => s.useId === row.id)
      for (const s of own) {
        const shut = closedOn(
          against(onMoving(hands.get(s.treeId)!, { own: s.id, moving, on: to.onDate }), s.cause),
          row,
          {
            on: to.onDate,
            harvestOn: s.harvestOn,
            units: person.units,
          },
        )
        if (shut)
          return refuse(
            shut.code,
            'onDate',
            `${s.tag}: ${said(shut)} Choose another day, or leave it where it is.`,
          )
      }
      limited.push({ row, subjects: own })
    }
    // What is planned counts in its year already.
    const over =
      to.onDate.slice(0, 4) === job.onDate.slice(0, 4)
        ? null
        : await refusedByLimits(context, job.siteId, to.onDate, limited)
    if (over) return over
  }
  const jobId = await jobOfDay(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    siteId: job.siteId,
    onDate: to.onDate,
    crewId,
  })
  if (jobId === job.id) return ok({ jobId, trees: trees.length })
  await moveSubjects(sql, { firmId: person.firmId, subjects, from: job.id, to: jobId, newId: uuidv7 })
  if (otherDay)
    await addMoved(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      of: { jobId: job.id, toJobId: jobId },
      fromOn: job.onDate,
      toOn: to.onDate,
      trees: trees.length,
      why: to.why,
      by: person.id,
      at,
    })
  // What stood against it stood on its day.
  if (otherDay) {
    await remark(context, { treeIds: trees.map((t) => t.id) })
    await freeLimit(context, [job.siteId])
  }
  return ok({ jobId, trees: trees.length })
}

/** A job’s own crew where it goes out on a day, else none. */
async function crewThen(
  { sql }: Pick<Context, 'sql'>,
  crewId: string | null,
  onDate: string,
): Promise<string | null> {
  const crew = crewId === null ? undefined : (await crews(sql)).find((c) => c.id === crewId)
  if (!crew) return null
  const on = crewOn(
    crew,
    { people: await members(sql), absences: await absences(sql, onDate, onDate) },
    onDate,
  )
  return on.out === null ? crew.id : null
}
