import { addDays } from '@/core/time/calendar'
import { countOpenFollowUps, openFollowUps } from '@/db/queries/followUp'
import { toWorkOutAgain } from '@/db/queries/anew'
import { dueAgain } from '@/db/queries/occurrence'
import { causeName } from '@/almanac/causes'
import { overdueCounts } from '@/db/queries/overdue'
import { jobsBetween, jobsToday, ringsOfJobs } from '@/db/queries/job'
import { unseenDoneAway } from '@/db/queries/doneAway'
import { missingOnTrucks } from '@/db/queries/loaded'
import { ledgerCheck } from '@/db/queries/seal'
import { waitingCounts } from '@/db/queries/tree'
import { renewalsOf } from '../renewals'
import { firstStepsLeft } from '../house/firstSteps'
import { stepsOf } from '../verbs'
import type { Reading } from '../verb'
import { hoursAhead, knownWeather } from '../weather/known'
import { reading } from './reader'
import { together } from './together'
import { uptakeOutlook } from '@/core/dose/uptake'

/** Jobs shown on Today; the rest stand under Run. */
const MOST_JOBS = 12
/** Lines of what was promised. */
const MOST_DUE = 10
/** How far the crew’s lists look ahead, days. */
const AHEAD = 14
/** Jobs of one page of the list. */
export const RUN_PAGE = 50
/** What is due again: before the jobs, and on a page of its own. */
export const FIRST_DUE = 6
export const DUE_PAGE = 50

/** Today: the jobs, the promised checks that are due, and what waits for whom. */
export function todayView() {
  return reading(async (context) => {
    const { sql, person, today, now } = context
    const until = addDays(today, AHEAD)
    // Asked for at once: while the database reads the next, what came is taken apart.
    const [work, rows, dueInAll, waiting, anew, check, weather, again, overdue, missing, away] =
      await Promise.all([
        jobsToday(sql, today, person.id, MOST_JOBS),
        openFollowUps(sql, until, null, 40),
        countOpenFollowUps(sql, until),
        waitingCounts(sql),
        toWorkOutAgain(sql, 5),
        ledgerCheck(sql),
        knownWeather(context, null),
        dueNamed(context, addDays(today, 7), { limit: 5 }),
        overdueCounts(sql, today),
        missingOnTrucks(sql, today, addDays(today, 1)),
        stepsOf(person).includes('see-away') ? unseenDoneAway(sql) : [],
      ])
    const rings = await ringsOfJobs(
      sql,
      work.jobs.map((j) => j.id),
    )
    // Those that ask the same on the same day at the same site stand together.
    const due = together(rows, (c) => [c.dueOn, c.siteName, c.what]).slice(0, MOST_DUE)
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
    const quiet = work.inAll === 0 && Object.values(waiting).every((n) => n === 0)
    return {
      /** Where nothing is to be done yet: how far the firm is with its first steps. */
      firstSteps: quiet ? await firstStepsLeft(context) : null,
      openJobs: work.open,
      openTrees: work.openTrees,
      jobsInAll: work.inAll,
      today,
      jobs: work.jobs.map((job) => ({ ...job, rings: rings.filter((r) => r.jobId === job.id) })),
      due,
      waiting,
      /** Work with the crew whose dose must be worked out again, the first few. */
      anew,
      /** Covers that are due again and stand on no day, the first few. */
      dueAgain: again,
      hours,
      trouble: check?.trouble ?? null,
      dueInAll,
      role: person.role,
      overdue,
      /** What is missing on trucks of today and tomorrow, as it was ticked in the yard. */
      missing,
      /** What was done without a signal, otherwise than it stood; until it was seen. */
      away: away.map(({ at, enteredAt, ...d }) => ({
        ...d,
        at: at.getTime(),
        enteredAt: enteredAt.getTime(),
      })),
    }
  })
}

/** Work due again on no day yet, with its cause by name. */
async function dueNamed(
  context: Pick<Reading, 'sql' | 'now' | 'person'>,
  until: string,
  which: Parameters<typeof dueAgain>[2],
) {
  const due = await dueAgain(context.sql, until, which)
  const renewals = await renewalsOf(context, due)
  return due.map((d) => ({ ...d, cause: causeName(d.cause), renewal: renewals.get(d.id) ?? null }))
}

/** The injection jobs a crew can open: today's, earlier ones left open, and the next two weeks. */
export function runListView(after: { onDate: string; id: string } | null = null) {
  return reading(async (context) => {
    const { sql, today, person } = context
    const until = addDays(today, AHEAD)
    const [due, jobs] = await Promise.all([
      after ? [] : dueNamed(context, until, { limit: FIRST_DUE + 1 }),
      jobsBetween(sql, today, until, { after, limit: RUN_PAGE, personId: person.id }),
    ])
    return {
      today,
      /** Covers that are due again and stand on no day, the first few; one more says that there are more. */
      due,
      jobs,
      /** Whoever reads puts them on days; for the others the jobs come first. */
      puts: stepsOf(person).includes('put-on-day'),
    }
  })
}

/** Everything that is due again and stands on no day, a page at a time. */
export function dueAgainView(after: { dueFrom: string; id: string } | null = null) {
  return reading(async (context) => ({
    today: context.today,
    due: await dueNamed(context, addDays(context.today, AHEAD), { after, limit: DUE_PAGE }),
  }))
}

export type JobLine = Awaited<ReturnType<typeof runListView>>['jobs'][number]
export type DueAgain = Awaited<ReturnType<typeof dueAgainView>>['due'][number]
