import { v7 as uuidv7 } from 'uuid'
import { putDayAwayAsks } from '@/asks/work'
import { whyNotPutAway } from '@/core/evening/putAway'
import { ok, refuse, refusing, type Result } from '@/core/problem'
import { addDays } from '@/core/time/calendar'
import { crewById } from '@/db/queries/crew'
import { endDay, stillIn } from '@/db/queries/evening'
import { verb } from './verb'

/**
 * Puts a crew's day away. Refused while ports of it are in a tree and nobody said what was decided instead; what was decided stays with
 * the tree until they are out. Without a signal the device has asked the same of what it knew.
 */
export const putDayAwayVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.crewId ?? i.id,
  makes: (i) => i.id,
  input: putDayAwayAsks,
  run: async ({ sql, person, at, today, away }, input): Promise<Result<{ id: string }>> => {
    // A press of yesterday evening may come in the morning.
    if (input.onDate > today || input.onDate < addDays(today, -1))
      return refuse('out-of-range', 'onDate', 'Only today, or yesterday, is put away. Load the page again.')
    if (input.crewId !== null && !(await crewById(sql, input.crewId)))
      return refuse('unknown', 'crewId', 'There is no such crew. Load the page again.')
    const still = (await stillIn(sql)).filter((t) => t.crewId === input.crewId)
    const decided = new Map(input.left.map((l) => [l.jobSubjectId, l.words]))
    const refused = refusing(whyNotPutAway(still, decided))
    if (refused && !away) return refused
    await endDay(sql, {
      ...input,
      firmId: person.firmId,
      by: person.id,
      at,
      left: still.flatMap(({ id, ports }) => {
        const words = decided.get(id)
        return words ? [{ id: uuidv7(), jobSubjectId: id, ports, words }] : []
      }),
    })
    return ok({ id: input.id })
  },
})
