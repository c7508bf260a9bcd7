import { addDays } from '@/core/time/calendar'
import { jobsBetween } from '@/db/queries/job'
import { frameView } from './frame'
import { loadView } from './load'
import { reading } from './reader'
import { runListView } from './today'

/** Jobs are fetched for so many days, today’s first. */
const DAYS = 3
/** As many jobs as one device keeps. */
const MOST_JOBS = 60

/**
 * What a crew’s device holds beside its jobs: who is signed in and what is in force, the list of work, what goes on the truck, and which
 * jobs to fetch, those of one’s own crew and of none, today’s first.
 */
export async function fieldDay() {
  const [frame, list, load, jobs] = await Promise.all([
    frameView(),
    runListView(),
    loadView(null, undefined),
    ownJobs(),
  ])
  return { frame, list, load, jobs }
}

export type FieldDay = Awaited<ReturnType<typeof fieldDay>>

const ownJobs = () =>
  reading(async ({ sql, person, today }) =>
    (
      await jobsBetween(sql, today, addDays(today, DAYS - 1), {
        after: null,
        limit: MOST_JOBS,
        personId: person.id,
      })
    )
      .filter((j) => j.own || j.crew === null)
      .map(({ id, onDate }) => ({ id, onDate })),
  )
