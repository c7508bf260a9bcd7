import { addDays } from '@/core/time/calendar'
import { openFollowUps } from '@/db/queries/followUp'
import { itemsOfJob, jobsBetween } from '@/db/queries/work'
import { waitingCounts } from '@/db/queries/tree'
import { simulatedWeather } from '@/standins/weather'
import { reading } from './reader'

/** Today: the jobs, the promised checks that are due, and what waits for whom. */
export function todayView() {
  return reading(async (context) => {
    const { sql, person, today, now } = context
    const jobs = await jobsBetween(sql, today, today)
    const withTrees = await Promise.all(
      jobs.map(async (job) => {
        const items = await itemsOfJob(sql, job.id)
        return {
          ...job,
          rings: items.map((i) => ({
            tag: i.tag,
            diameterM: i.dose.diameterM,
            bearings: i.dose.ports.map((p) => p.bearing),
            done: i.status === 'recorded',
          })),
        }
      }),
    )
    const due = await openFollowUps(sql, addDays(today, 14), 12)
    const waiting = await waitingCounts(sql)
    const hours = Array.from({ length: 16 }, (_, i) => {
      const at = new Date(now.getTime() + i * 3_600_000 - (now.getTime() % 3_600_000))
      const w = simulatedWeather(person.timeZone, at)
      return { at: at.getTime(), temperature: w.temperature, soil: w.soil, sky: w.sky }
    })
    return { today, jobs: withTrees, due, waiting, hours, role: person.role }
  })
}

/** The injection jobs a crew can open: today's, earlier ones left open, and the next two weeks. */
export function runListView() {
  return reading(async ({ sql, today }) => ({
    today,
    jobs: await jobsBetween(sql, today, addDays(today, 14)),
  }))
}
