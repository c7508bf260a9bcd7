import { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { said } from '@/core/methods/gate'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { jobById, jobOfDay, moveSubjects } from '@/db/queries/job'
import { addMoved } from '@/db/queries/moved'
import { dueFromOf } from '@/db/queries/occurrence'
import { refusedByLimits } from './groundLimits'
import { notBegun } from './notBegun'
import { refusedDay } from './onJob'
import { useOnShelf } from './onShelf'
import { day, id, line } from './text'
import { closedOn, treesAtHand } from './treesAtHand'
import { verb } from './verb'

/**
 * Moves trees of a job at which nothing was begun to another day, with the reason: rain, a locked gate, too much for one day. Every tree goes through
 * its gate once more for the new day; dose and steps stay as they were signed.
 */
export const moveDayVerb = verb({
  roles: ['arborist', 'crew lead'],
  about: (i) => i.jobSubjectIds[0]!,
  input: z.strictObject({
    jobSubjectIds: z.array(id('jobSubjectId')).min(1, { error: 'Choose at least one tree.' }).max(400),
    onDate: day(),
    why: line('Why it is moved', 300, 4),
  }),
  run: async (context, input): Promise<Result<{ jobId: string; trees: number }>> => {
    const { sql, person, now, at } = context
    const found = await notBegun(sql, input.jobSubjectIds)
    if (!found.ok) return found
    const { subjects, trees } = found.value
    const first = subjects[0]!
    if (subjects.some((s) => s.jobId !== first.jobId))
      return refuse('unknown', 'jobSubjectId', 'These trees are of two days. Load the page again.')
    const job = (await jobById(sql, first.jobId))!
    const wrong =
      input.onDate === job.onDate
        ? refuse('conflict', 'onDate', `It stands on ${spokenDate(job.onDate)} already; choose another day.`)
        : refusedDay(dateIn(job.timeZone, now), input.onDate)
    if (wrong) return wrong
    for (const occurrenceId of new Set(subjects.map((s) => s.occurrenceId))) {
      const dueFrom = await dueFromOf(sql, occurrenceId)
      if (dueFrom !== null && input.onDate < dueFrom)
        return refuse(
          'out-of-range',
          'onDate',
          `This is due from ${spokenDate(dueFrom)} on; choose that day or a later one.`,
        )
    }
    const hands = new Map((await treesAtHand(context, trees)).map((h) => [h.tree.id, h]))
    const limited = []
    for (const useId of new Set(subjects.map((s) => s.useId))) {
      const row = await useOnShelf(context, useId)
      if (!row.ok) return row
      const own = subjects.filter((s) => s.useId === useId)
      for (const s of own) {
        const hand = hands.get(s.treeId)!
        // What is moved is not in its own way.
        const earlier = hand.earlier.filter(
          (e) => e.recorded || e.on !== job.onDate || e.code !== row.value.product.code,
        )
        const shut = closedOn({ ...hand, earlier }, row.value, {
          on: input.onDate,
          harvestOn: s.harvestOn,
          units: person.units,
        })
        if (shut)
          return refuse(
            shut.code,
            'onDate',
            `${s.tag}: ${said(shut)} Choose another day, or leave it where it is.`,
          )
      }
      limited.push({ row: row.value, subjects: own })
    }
    // What is planned counts in its year already.
    const over =
      input.onDate.slice(0, 4) === job.onDate.slice(0, 4)
        ? null
        : await refusedByLimits(context, job.siteId, input.onDate, limited)
    if (over) return over
    const jobId = await jobOfDay(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      siteId: job.siteId,
      onDate: input.onDate,
    })
    await moveSubjects(sql, { firmId: person.firmId, subjects, from: job.id, to: jobId, newId: uuidv7 })
    await addMoved(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      of: { jobId: job.id, toJobId: jobId },
      fromOn: job.onDate,
      toOn: input.onDate,
      trees: trees.length,
      why: input.why,
      by: person.id,
      at,
    })
    return ok({ jobId, trees: trees.length })
  },
})
