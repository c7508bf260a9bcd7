import { addDays } from '@/core/time/calendar'
import { countOpenFollowUps, openFollowUps } from '@/db/queries/followUp'
import { toWorkOutAgain } from '@/db/queries/anew'
import { dueAgain } from '@/db/queries/occurrence'
import { causeName } from '@/almanac/causes'
import { overdueCounts } from '@/db/queries/overdue'
import { jobsBetween, ringsOfJobs } from '@/db/queries/job'
import { ledgerCheck } from '@/db/queries/seal'
import { waitingCounts } from '@/db/queries/tree'
import { renewalsOf } from '../renewals'
import type { Reading } from '../verb'
import { hoursAhead, knownWeather } from '../weather/known'
import { reading } from './reader'
import { together } from './together'
import { uptakeOutlook } from '@/core/dose/uptake'

/** Jobs shown on Today; the rest stand under Run. */
const MOST_JOBS = 12
/** Lines of what was promised. */
const MOST_DUE = 10

/** Today: the jobs, the promised checks that are due, and what waits for whom. */
export function todayView() {
  return reading(async (context) => {
    const { sql, person, today, now } = context
    // One’s own come first, in the order of the day.
    const all = (await jobsBetween(sql, today, today, { personId: person.id })).sort(
      (a, b) => Number(b.own) - Number(a.own) || (a.place ?? 99) - (b.place ?? 99),
    )
    const jobs = all.slice(0, MOST_JOBS)
    const rings = await ringsOfJobs(
      sql,
      jobs.map((j) => j.id),
    )
    const withTrees = jobs.map((job) => ({ ...job, rings: rings.filter((r) => r.jobId === job.id) }))
    const until = addDays(today, 14)
    const [rows, dueInAll] = [await openFollowUps(sql, until, null, 40), await countOpenFollowUps(sql, until)]
    // Those that ask the same on the same day at the same site stand together.
    const due = together(rows, (c) => [c.dueOn, c.siteName, c.what]).slice(0, MOST_DUE)
    const waiting = await waitingCounts(sql)
    const anew = await toWorkOutAgain(sql, 5)
    const trouble = (await ledgerCheck(sql))?.trouble ?? null
    const weather = await knownWeather(context, null)
    const hours = hoursAhead(weather, now, 16).flatMap((h) =>
      h.temperature === undefined
        ? []
        : [
            {
              time: h.time,
              temperature: h.temperature,
              uptake: uptakeOutlook('ring-porous', { ...h, temperature: h.temperature }),
            },
          ],
    )
    const open = all.filter((j) => j.recorded < j.trees)
    return {
      openJobs: open.length,
      openTrees: open.reduce((n, j) => n + j.trees - j.recorded, 0),
      jobsInAll: all.length,
      today,
      jobs: withTrees,
      due,
      waiting,
      /** Work with the crew whose dose must be worked out again, the first few. */
      anew,
      /** Covers that are due again and stand on no day, the first few. */
      dueAgain: await dueNamed(context, addDays(today, 7), 5),
      hours,
      trouble,
      dueInAll,
      role: person.role,
      overdue: await overdueCounts(sql, today),
    }
  })
}

/** Work due again on no day yet, with its cause by name. */
async function dueNamed(context: Pick<Reading, 'sql' | 'now' | 'person'>, until: string, limit?: number) {
  const due = await dueAgain(context.sql, until, limit)
  const renewals = await renewalsOf(context, due)
  return due.map((d) => ({ ...d, cause: causeName(d.cause), renewal: renewals.get(d.id) ?? null }))
}

/** The injection jobs a crew can open: today's, earlier ones left open, and the next two weeks. */
export function runListView(after: { onDate: string; id: string } | null = null) {
  return reading(async (context) => {
    const { sql, today, person } = context
    return {
      today,
      due: after ? [] : await dueNamed(context, addDays(today, 14)),
      jobs: await jobsBetween(sql, today, addDays(today, 14), {
        after,
        limit: RUN_PAGE,
        personId: person.id,
      }),
    }
  })
}

/** Jobs of one page of the list. */
export const RUN_PAGE = 100

export type DueAgain = Awaited<ReturnType<typeof runListView>>['due'][number]
