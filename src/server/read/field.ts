import { addDays } from '@/core/time/calendar'
import { frameView } from './frame'
import { eveningView } from './evening'
import { loadView } from './load'
import { runListView } from './today'

/** Jobs are fetched for so many days, today’s first. */
const DAYS = 3

/**
 * What a crew’s device holds beside its jobs: who is signed in and what is in force, the list of work, what goes on the truck, how the evening stands, and which
 * jobs to fetch, those of one’s own crew and of none, today’s first.
 */
export async function fieldDay() {
  const [frame, list, load, evening] = await Promise.all([
    frameView(),
    runListView(),
    loadView(null, undefined),
    eveningView(undefined),
  ])
  const last = addDays(list.today, DAYS - 1)
  const jobs = list.jobs
    .filter((j) => j.onDate <= last && (j.own || j.crew === null))
    .map(({ id, onDate }) => ({ id, onDate }))
  return { frame, list, load, evening, jobs }
}

export type FieldDay = Awaited<ReturnType<typeof fieldDay>>
