import { addDays } from '@/core/time/calendar'
import { stepsOf } from '../verbs'
import { isDemo } from '../environment'
import { knownWeather } from '../weather/known'
import { reading } from './reader'

/** Weather that is older than this is said to be. */
const OLD_MS = 3 * 3_600_000

/** What the frame shows on every page: place, date, weather, what is in force. */
export function frameView() {
  return reading(async (context) => {
    const { sql, person, now, today } = context
    const [[state], closed, working] = await Promise.all([
      sql<{ inTrees: number; beingMoved: boolean }[]>`
        select count(distinct job_subject_id)::int as "inTrees",
          exists (select 1 from firm_away where firm_id = ${person.firmId}) as "beingMoved"
        from step_state where is_in`,
      sql<{ site: string; until: Date }[]>`
        select s.name as site, max(r.reentry_until) as until from record r join site s on s.id = r.site_id
        where r.kind = 'application' and r.reentry_until > ${now}
        group by s.id, s.name order by until desc limit 2`,
      sql<{ site: string; since: Date }[]>`
        select s.name as site, min(i.closed_from) as since from job_subject i
          join job j on j.firm_id = i.firm_id and j.id = i.job_id join site s on s.firm_id = j.firm_id and s.id = j.site_id
        where i.status = 'open' and i.closed_from is not null group by s.id, s.name order by since desc limit 2`,
    ])
    // The day before and after, as the town’s day may not be the reader’s.
    const weather = await knownWeather(context, null, {
      hoursFrom: addDays(today, -1),
      hoursTo: addDays(today, 1),
    })
    return {
      person: {
        id: person.id,
        name: person.name,
        role: person.role,
        units: person.units,
        firm: person.firmName,
      },
      may: stepsOf(person),
      town: person.town,
      timeZone: person.timeZone,
      now: now.getTime(),
      /** Of this hour in the firm’s town; null where it is not known. */
      weather: weather.at(now),
      /** When that was asked for, where it is older than it should be. */
      weatherOf:
        weather.askedAt !== null && now.getTime() - weather.askedAt > OLD_MS ? weather.askedAt : null,
      treesTakingUp: state!.inTrees,
      closed: closed.map((c) => ({ site: c.site, until: c.until.getTime() })),
      /** Something went on there and is not signed yet. */
      working: working.map((c) => ({ site: c.site, since: c.since.getTime() })),
      /** The firm is being moved to another database: it can be read, and nothing can be entered. */
      beingMoved: state!.beingMoved,
      demo: isDemo(),
    }
  })
}

export type Frame = Awaited<ReturnType<typeof frameView>>
