import { dateIn, hourIn } from '@/core/time/calendar'
import { simulatedWeather } from '@/standins/weather'
import { isDemo } from '../environment'
import { reading } from './reader'

/** What the frame shows on every page: place, date, weather, what is in force. */
export function frameView() {
  return reading(async ({ sql, person, now, today }) => {
    const [inTrees] = await sql<{ count: number }[]>`
      select count(*)::int as count from (
        select distinct p.job_item_id from port p where p.started_at is not null and p.out_at is null) x`
    const closed = await sql<{ site: string; until: string }[]>`
      select s.name as site, max(r.body->>'reentryUntil') as until from record r join site s on s.id = r.site_id
      where r.kind = 'application' and r.signed_at > ${new Date(now.getTime() - 30 * 86_400_000)} and r.body->>'reentryUntil' > ${now.toISOString()}
      group by s.name order by until desc limit 2`
    const [due] = await sql<{ count: number }[]>`
      select count(*)::int as count from follow_up u where u.due_on <= ${today}
        and not exists (select 1 from measurement m where m.follow_up_id = u.id)`
    const w = simulatedWeather(person.timeZone, now)
    return {
      person: { name: person.name, role: person.role, units: person.units },
      firm: person.firmName,
      town: person.town,
      timeZone: person.timeZone,
      now: now.getTime(),
      date: dateIn(person.timeZone, now),
      hour: hourIn(person.timeZone, now),
      weather: { temperature: w.temperature, wind: w.wind, windFrom: w.windFrom, sky: w.sky, soil: w.soil },
      treesTakingUp: inTrees!.count,
      closed,
      due: due!.count,
      demo: isDemo(),
    }
  })
}

export type Frame = Awaited<ReturnType<typeof frameView>>
