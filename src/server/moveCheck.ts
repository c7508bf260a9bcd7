import { moveCheckAsks } from '@/asks/work'
import { v7 as uuidv7 } from 'uuid'
import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, daysBetween, spokenDate } from '@/core/time/calendar'
import { dropCheck, followUpById, followUpForChange, putCheckOff } from '@/db/queries/followUp'
import { addMoved } from '@/db/queries/moved'
import { restage, treeForChange } from '@/db/queries/tree'
import { verb } from './verb'

/** As far off as a promised check can be put. */
const FARTHEST_DAYS = 3 * 366

/**
 * Puts a promised check on another day, or ends it, with the reason. Two are never ended, only put off: whether everything came back out
 * of a tree, as what is left there harms it; and what a decision waits for, as the tree would wait for nothing.
 */
export const moveCheckVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.followUpId,
  input: moveCheckAsks,
  run: async ({ sql, person, now, at }, input): Promise<Result<{ onDate: string | null }>> => {
    const found = await followUpById(sql, input.followUpId)
    if (found) await treeForChange(sql, found.treeId)
    const check = found && (await followUpForChange(sql, found.id))
    if (!check) return refuse('unknown', 'followUpId', 'There is no such check; open it from Follow-up.')
    if (check.verdict !== null || check.dropped !== null)
      return refuse('conflict', 'followUpId', 'This check is answered or ended already. Load the page again.')
    const { onDate } = input
    if (onDate === null) {
      if (person.role !== 'arborist')
        return refuse(
          'not-allowed',
          'onDate',
          'An arborist ends a promised check; put it on another day, or ask one.',
        )
      if (check.expectation.kind === 'all-back')
        return refuse(
          'not-allowed',
          'onDate',
          'What is in a tree must come out of it: this check can be put off, not ended.',
        )
      if (check.decisionId !== null)
        return refuse(
          'not-allowed',
          'onDate',
          'The decision waits for this: put it on another day, enter what came of it, or decide anew.',
        )
      await dropCheck(sql, check.id, input.why)
      await restage(sql, check.treeId)
    } else {
      const today = dateIn(check.timeZone, now)
      if (onDate < today)
        return refuse('out-of-range', 'onDate', 'The day lies in the past; choose today or later.')
      if (onDate === check.dueOn)
        return refuse(
          'conflict',
          'onDate',
          `It is promised for ${spokenDate(onDate)} already; choose another day.`,
        )
      if (daysBetween(today, onDate) > FARTHEST_DAYS)
        return refuse('out-of-range', 'onDate', 'The day is more than three years away; choose a nearer one.')
      await putCheckOff(sql, check.id, onDate)
    }
    await addMoved(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      of: { followUpId: check.id },
      fromOn: check.dueOn,
      toOn: onDate,
      trees: 1,
      why: input.why,
      by: person.id,
      at,
    })
    return ok({ onDate })
  },
})
