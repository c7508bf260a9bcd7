import { roadMinutes, hasSkills, SAME, type WeekField, type WeekInput } from './field'

/** Why a job stands on no day: nobody can do it, no day it may be done on, no day long enough, or no room left. */
export type WhyNot = 'no-skill' | 'no-day' | 'too-long' | 'no-room'

/**
 * Why a job is not placed: the first of these that holds. `no-skill`: no crew has all its skills. `no-day`: on none of its days a crew that has them works.
 * `too-long`: on all of those it is longer than the day with its drive. Else `no-room`.
 * @example whyNotPlaced(input, field, 3) // 'no-day'
 */
export function whyNotPlaced(input: WeekInput, field: WeekField, job: number): WhyNot {
  const asked = input.jobs[job]!
  const able = input.crews.filter((c) => hasSkills(c, asked))
  if (able.length === 0) return 'no-skill'
  const days = input.days
    .filter((d) => asked.days.includes(d))
    .flatMap((d) =>
      able.map((c) => (asked.not?.some((n) => n.crew === c.id && n.date === d) ? 0 : (c.minutes[d] ?? 0))),
    )
    .filter((minutes) => minutes > 0)
  if (days.length === 0) return 'no-day'
  const needed = asked.minutes + 2 * roadMinutes(field, job, field.jobs)
  return days.some((minutes) => needed <= minutes + SAME) ? 'no-room' : 'too-long'
}
