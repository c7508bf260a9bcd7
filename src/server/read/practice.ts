import { causeName } from '@/almanac/causes'
import { OWN_KIND } from '@/almanac/own'
import { practiceCase, TOLD } from '@/almanac/practiceCase'
import { dueAgain } from '@/core/practice/spacing'
import { HEALTHY } from '@/core/diagnose/weigh'
import { dateIn } from '@/core/time/calendar'
import { practiceOf, practiceOfTeam } from '@/db/queries/practice'
import { firmAlmanac } from '../almanac'
import { reading } from './reader'

/** A person's own practice: what they have worked through, and what comes again; for who trains, how the team stands. */
export function practiceView() {
  return reading(async ({ sql, person, now }) => {
    const today = dateIn(person.timeZone, now)
    const almanac = await firmAlmanac(sql)
    const runs = (await practiceOf(sql, person.id)).map((r) => ({
      ...r,
      at: r.at.getTime(),
      right: r.score >= TOLD,
    }))
    const met = runs
      .filter((r) => r.trueCause !== HEALTHY)
      .map((r) => ({ cause: r.trueCause, right: r.right, on: dateIn(person.timeZone, new Date(r.at)) }))
    return {
      name: person.name,
      timeZone: person.timeZone,
      runs,
      /** Causes that were missed and are due again, the most overdue first. */
      again: dueAgain(met)
        .filter((a) => a.dueOn <= today && practiceCase(`again:${a.cause}.1`, almanac) !== null)
        .map((a) => ({ ...a, name: causeName(a.cause) })),
      /** Causes of the firm's own that can be practised. */
      ours: almanac.causes.filter((c) => c.kind === OWN_KIND).map((c) => c.id),
      team: person.role === 'arborist' ? await practiceOfTeam(sql, TOLD) : [],
    }
  })
}

export type PracticeView = Awaited<ReturnType<typeof practiceView>>
