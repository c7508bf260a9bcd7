import { simulatedWeather } from '@/standins/weather'
import { stepsOf } from '../verbs'
import { isDemo } from '../environment'
import { reading } from './reader'

/** What the frame shows on every page: place, date, weather, what is in force. */
export function frameView() {
  return reading(async ({ sql, person, now }) => {
    const [[inTrees], closed, working] = await Promise.all([
      sql<{ count: number }[]>`
        select count(distinct job_subject_id)::int as count from step_state where is_in`,
      sql<{ site: string; until: Date }[]>`
        select s.name as site, max(r.reentry_until) as until from record r join site s on s.id = r.site_id
        where r.kind = 'application' and r.reentry_until > ${now}
        group by s.id, s.name order by until desc limit 2`,
      sql<{ site: string; since: Date }[]>`
        select s.name as site, min(i.closed_from) as since from job_subject i
          join job j on j.firm_id = i.firm_id and j.id = i.job_id join site s on s.firm_id = j.firm_id and s.id = j.site_id
        where i.status = 'open' and i.closed_from is not null group by s.id, s.name order by since desc limit 2`,
    ])
    const w = simulatedWeather(person.timeZone, now)
    return {
      person: { name: person.name, role: person.role, units: person.units, firm: person.firmName },
      may: stepsOf(person.role),
      town: person.town,
      timeZone: person.timeZone,
      now: now.getTime(),
      weather: { temperature: w.temperature, wind: w.wind, windFrom: w.windFrom, sky: w.sky, soil: w.soil },
      treesTakingUp: inTrees!.count,
      closed: closed.map((c) => ({ site: c.site, until: c.until.getTime() })),
      /** Something went on there and is not signed yet. */
      working: working.map((c) => ({ site: c.site, since: c.since.getTime() })),
      demo: isDemo(),
    }
  })
}

export type Frame = Awaited<ReturnType<typeof frameView>>
