import { refuse, type Result } from '../problem'
import { planWeek, type Planning, type WeekPlan } from '../week/planWeek'
import { toPlan, weekAsked, type AskedStop, type Roster } from './weekAsked'

/**
 * Plans the stops of a firm on days of its crews, as `planWeek` does jobs. Problems are those of `weekAsked` and `planWeek`, with the stop they are about named
 * as people name it.
 * @example planStops(roster, stops, { seconds: 20 }).value.assignments
 */
export function planStops(
  roster: Roster,
  stops: readonly AskedStop[],
  { anew = false, ...planning }: Planning & { anew?: boolean } = {},
): Result<WeekPlan> {
  const asked = weekAsked(roster, stops, { anew })
  if (!asked.ok) return asked
  const plan = planWeek(asked.value, planning)
  if (plan.ok) return plan
  const at = /^jobs\[(\d+)\]\.pinned$/.exec(plan.problem.field)
  const about = at && toPlan(stops)[Number(at[1])]
  return about
    ? refuse(
        plan.problem.code,
        'pinned',
        `${about.name} is kept on a day that has no room for all that is kept there. Let something go or put it elsewhere.`,
      )
    : plan
}
