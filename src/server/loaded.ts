import { noteLoadedAsks } from '@/asks/work'
import { ok, refuse, type Result } from '@/core/problem'
import { addDays, spokenDate } from '@/core/time/calendar'
import { crewById } from '@/db/queries/crew'
import { noteLoaded } from '@/db/queries/loaded'
import { verb } from './verb'

/** A truck is loaded so many days ahead at most. */
export const LOADED_AHEAD = 14

/**
 * Says of a thing of the day's list that it is on the truck, that it is missing in the yard, or neither. It is kept with the name and
 * the amount that were seen: what is planned otherwise afterwards is loaded anew.
 */
export const noteLoadedVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.crewId ?? i.id,
  makes: (i) => i.id,
  input: noteLoadedAsks,
  run: async ({ sql, person, at, today }, input): Promise<Result<{ id: string }>> => {
    // A press of yesterday evening may come in the morning.
    if (input.onDate < addDays(today, -1) || input.onDate > addDays(today, LOADED_AHEAD))
      return refuse(
        'out-of-range',
        'onDate',
        `A truck is loaded for a day from today to ${spokenDate(addDays(today, LOADED_AHEAD))}.`,
      )
    if (input.crewId !== null && !(await crewById(sql, input.crewId)))
      return refuse('unknown', 'crewId', 'There is no such crew. Load the page again.')
    await noteLoaded(sql, { ...input, firmId: person.firmId, by: person.id, at })
    return ok({ id: input.id })
  },
})
