import { simulatedWeather } from '@/standins/weather'
import { isDemo } from '../environment'
import { reading } from './reader'

/** What the frame shows on every page: place, date, weather, what is in force. */
export function frameView() {
  return reading(async ({ sql, person, now }) => {
    const [[inTrees], closed] = await Promise.all([
      sql<{ count: number }[]>`
        select count(*)::int as count from (
          select distinct p.job_item_id from port p where p.started_at is not null and p.out_at is null) x`,
      sql<{ site: string; until: string }[]>`
        select s.name as site, max(r.body->>'reentryUntil') as until from record r join site s on s.id = r.site_id
        where r.kind = 'application' and r.signed_at > ${new Date(now.getTime() - 30 * 86_400_000)} and r.body->>'reentryUntil' > ${now.toISOString()}
        group by s.name order by until desc limit 2`,
    ])
    const w = simulatedWeather(person.timeZone, now)
    return {
      person: { name: person.name, role: person.role, units: person.units },
      town: person.town,
      timeZone: person.timeZone,
      now: now.getTime(),
      weather: { temperature: w.temperature, wind: w.wind, windFrom: w.windFrom, sky: w.sky, soil: w.soil },
      treesTakingUp: inTrees!.count,
      closed,
      demo: isDemo(),
    }
  })
}

export type Frame = Awaited<ReturnType<typeof frameView>>
