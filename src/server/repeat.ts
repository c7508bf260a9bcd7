import { endRepeatsAsks, putOnDayAsks } from '@/asks/work'
import { v7 as uuidv7 } from 'uuid'
import { said } from '@/core/gate/gate'
import { ok, refuse, type Result } from '@/core/problem'
import { nextTime } from '@/core/plan/nextTime'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { methodOf } from '@/core/methods/registry'
import { jobOfDay } from '@/db/queries/job'
import {
  addOccurrence,
  doneOccurrence,
  dueForChange,
  dueSubjects,
  endOccurrence,
  handAgain,
  openWaiting,
} from '@/db/queries/occurrence'
import { restage, treesForChange } from '@/db/queries/tree'
import type { JobSubjectRow } from '@/db/queries/job'
import { refusedByLimits } from './groundLimits'
import { putOnJob, refusedDay } from './onJob'
import { gone } from './standing'
import { against, closedOn, outOfItsOwnWay } from './mayGoOn'
import { treesAtHand } from './treesAtHand'
import { useOnShelf } from './onShelf'
import { verb, type Context } from './verb'

/** When an occurrence is done: what waited for it is due, and where the card says so it is due again itself. */
export async function dueNext(
  { sql, person }: Context,
  subject: Pick<JobSubjectRow, 'occurrenceId' | 'use'>,
  day: string,
  /** It lies south of the equator. */
  south: boolean,
): Promise<void> {
  const { itemId, n, times, apart, done } = await doneOccurrence(sql, subject.occurrenceId)
  await openWaiting(sql, itemId, day)
  const repeats = methodOf(subject.use).repeats(subject.use)
  if (!done || n >= times || !repeats) return
  const { over, ...next } = nextTime(
    apart === null ? repeats : { ...repeats, least: apart, most: apart + A_WEEK },
    day,
    south,
  )
  await addOccurrence(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    itemId,
    n: n + 1,
    ...next,
    over: over
      ? `Its season ended on ${spokenDate(next.endsOn!)}; it would have been due on ${spokenDate(next.dueFrom)}.`
      : null,
  })
}

/** Where the days were chosen, so long after them it is late. */
const A_WEEK = 7

const noneDue = refuse(
  'conflict',
  'occurrenceId',
  'This work stands on a day already, or is no longer due. Load the page again.',
)

/**
 * Puts work that is due again on a day, of a crew or of none yet. Every tree goes through its gate once more for that day; one that was decided anew or
 * is gone is left out. The dose is the one that was signed.
 */
export async function putAgain(
  context: Context,
  input: { occurrenceId: string; onDate: string; leaveOut: readonly string[]; crewId: string | null },
): Promise<Result<{ jobId: string; trees: number }>> {
  const { sql, person, now } = context
  const treeIds = (await dueSubjects(sql, input.occurrenceId)).map((s) => s.treeId)
  const trees = await treesForChange(sql, treeIds)
  const due = await dueForChange(sql, input.occurrenceId)
  if (!due) return noneDue
  const early = refusedDay(dateIn(due.timeZone, now), input.onDate)
  if (early) return early
  if (input.onDate < due.dueFrom)
    return refuse(
      'out-of-range',
      'onDate',
      due.after === null
        ? `The card keeps days between two of ${due.cardName}; the next is due from ${spokenDate(due.dueFrom)} on.`
        : `${due.cardName} waits some days after ${due.after}; it is due from ${spokenDate(due.dueFrom)} on.`,
    )
  if (due.endsOn !== null && input.onDate > due.endsOn)
    return refuse(
      'out-of-range',
      'onDate',
      `Its season ends on ${spokenDate(due.endsOn)}; after that ${due.cardName} does nothing here. Choose a day before it, or end it with the reason.`,
    )
  const row = await useOnShelf(context, due.useId)
  if (!row.ok) return row
  const hands = new Map(
    (
      await treesAtHand(
        context,
        trees.filter((t) => gone(t) === null),
        [row.value],
      )
    ).map((h) => [h.tree.id, h]),
  )
  const subjects = (await dueSubjects(sql, due.id)).filter(
    (s) => !input.leaveOut.includes(s.treeId) && hands.has(s.treeId),
  )
  if (subjects.length === 0)
    return refuse('missing', 'leaveOut', 'No tree is left to be worked; all were left out or decided anew.')
  for (const s of subjects) {
    const hand = hands.get(s.treeId)!
    const closed = closedOn(against(outOfItsOwnWay(hand, { occurrenceId: due.id }), due.cause), row.value, {
      on: input.onDate,
      harvestOn: due.harvestOn,
      units: person.units,
    })
    if (closed)
      return refuse(
        closed.code,
        'onDate',
        `${hand.tree.tag}: ${said(closed)} Choose another day, or leave it out.`,
      )
  }
  const over = await refusedByLimits(context, due.siteId, input.onDate, [{ row: row.value, subjects }])
  if (over) return over
  const jobId = await jobOfDay(sql, {
    id: uuidv7(),
    firmId: person.firmId,
    siteId: due.siteId,
    onDate: input.onDate,
    crewId: input.crewId,
  })
  await putOnJob(context, jobId, { occurrenceId: due.id, method: due.method, subjects })
  await handAgain(
    sql,
    subjects.map((s) => s.id),
  )
  for (const s of subjects) await restage(sql, s.treeId)
  return ok({ jobId, trees: subjects.length })
}

/** Puts work that is due again on a day; {@link putAgain}. */
export const putOnDayVerb = verb({
  roles: ['arborist', 'crew lead'],
  bearing: 'use',
  about: (i) => i.occurrenceId,
  input: putOnDayAsks,
  run: (context, input) => putAgain(context, { ...input, crewId: null }),
})

/** Ends work that is due again: it is not done any more, and why. */
export const endRepeatsVerb = verb({
  roles: ['arborist'],
  about: (i) => i.occurrenceId,
  input: endRepeatsAsks,
  run: async ({ sql }, input): Promise<Result<{ ended: true }>> => {
    if (!(await dueForChange(sql, input.occurrenceId))) return noneDue
    await endOccurrence(sql, input.occurrenceId, input.words)
    return ok({ ended: true })
  },
})
