import { hold } from '@/db/queries/hold'
import { z } from 'zod'
import { refuse, ok, type Result } from '@/core/problem'
import type { Stop } from '@/core/roster/stop'
import { crewAgainst } from '@/core/roster/stopOn'
import { orderJobs, pinWork, subjectsOfOccurrence } from '@/db/queries/week'
import { moveTrees } from './moveTrees'
import { putAgain } from './repeat'
import { day, id, line } from '@/asks/text'
import { verb, type Context } from './verb'
import { nameOfStop, openWeek } from './week'

/** As many stops as are put on days by one signature. */
export const MOST_PLACED = 600

const Placed = z.strictObject({
  /** The stop and how many trees were seen in it. */
  stop: id('stop'),
  trees: z.int().min(1).max(100_000),
  from: z.strictObject({ crewId: id('from.crewId').nullable(), onDate: day().nullable() }),
  to: z.strictObject({ crewId: id('to.crewId').nullable(), onDate: day() }),
  pinned: z.boolean(),
  /** Why it goes to another day. */
  why: line('Why it is moved', 300, 4),
})
type Placed = z.output<typeof Placed>

/**
 * Takes a week as it was looked at: puts stops on days of crews, all of them or none. Each that goes to another day passes its gate once more, and its reason
 * is kept; a crew takes only what it does, on days it goes out, under a licence where one is needed. A stop that changed since it was looked at is refused.
 */
export const takeWeekVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  bearing: 'use',
  about: (i) => i.id,
  makes: (i) => i.id,
  input: z.strictObject({
    id: id(),
    placed: z
      .array(Placed)
      .max(MOST_PLACED, { error: `At most ${MOST_PLACED} at once; take the week in parts.` }),
    /** Every crew day that was changed, with its stops in their order. */
    order: z
      .array(
        z.strictObject({
          crewId: id('order.crewId'),
          onDate: day(),
          stops: z.array(id('order.stops')).max(200),
        }),
      )
      .max(MOST_PLACED),
  }),
  run: async (context, input): Promise<Result<{ moved: number }>> => {
    await hold(context.sql, context.person.firmId, 'crews', 'use')
    const week = await openWeek(context)
    const stops = new Map(week.stops.map((s) => [s.id, s]))
    // The job of each that was put somewhere; the others stay at theirs.
    const jobs = new Map<string, string>()
    let moved = 0
    for (const placed of input.placed) {
      const stop = stops.get(placed.stop)
      if (!stop || !asSeen(stop, placed))
        return refuse(
          'conflict',
          'placed',
          `${stop ? nameOfStop(week, stop) : 'One of the stops'} was changed by somebody else since you looked. Load the week again; what you moved is still here until you do.`,
        )
      const against = crewAgainst(week.roster, stop, placed.to)
      if (against) return refuse('not-allowed', 'placed', `${nameOfStop(week, stop)}: ${against}`)
      const put = await place(context, stop, placed)
      if (!put.ok)
        return {
          ok: false,
          problem: {
            ...put.problem,
            field: 'placed',
            message: `${nameOfStop(week, stop)}: ${put.problem.message}`,
          },
        }
      jobs.set(stop.id, put.value.jobId)
      if (stop.onDate !== placed.to.onDate || stop.crewId !== placed.to.crewId) moved += 1
      const subjects =
        stop.occurrenceId === null
          ? stop.subjects
          : await subjectsOfOccurrence(context.sql, stop.occurrenceId)
      await pinWork(context.sql, subjects, placed.pinned)
    }
    for (const { stops: order } of input.order) {
      const ids = order.flatMap((s) => jobs.get(s) ?? stops.get(s)?.jobId ?? [])
      await orderJobs(context.sql, [...new Set(ids)])
    }
    return ok({ moved })
  },
})

/** Whether a stop is what the person saw. */
function asSeen(stop: Stop, { trees, from }: Placed): boolean {
  return stop.trees === trees && stop.onDate === from.onDate && stop.crewId === from.crewId
}

async function place(context: Context, stop: Stop, { to, why }: Placed): Promise<Result<{ jobId: string }>> {
  if (stop.occurrenceId !== null)
    return putAgain(context, { occurrenceId: stop.occurrenceId, leaveOut: [], ...to })
  if (stop.onDate === to.onDate && stop.crewId === to.crewId) return ok({ jobId: stop.jobId! })
  if (stop.begun)
    return refuse('conflict', 'stop', 'Work there has begun; it stays on its day and with its crew.')
  return moveTrees(context, {
    jobSubjectIds: stop.subjects,
    onDate: to.onDate,
    crewId: to.crewId,
    why,
    seenOn: stop.jobId!,
  })
}
