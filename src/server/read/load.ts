import { isGood } from '@/core/card/lot'
import { loadTruck, type WorkToLoad } from '@/core/loadout/truck'
import { grouped } from '@/core/grouped'
import { addDays } from '@/core/time/calendar'
import { usesByIds } from '@/db/queries/card'
import { crewSubjects } from '@/db/queries/job'
import { crewsOfDay, jobsOfTrucks, jobsToLoad, loadedOf } from '@/db/queries/loaded'
import { LOADED_AHEAD } from '../loaded'
import { lotsWithStock } from '../stock'
import type { Reading } from '../verb'
import { reading } from './reader'

/** Jobs of one truck’s day; more than a crew can do. */
const MOST_JOBS = 20

/**
 * What a truck takes for a day, with what was ticked of it. `onDate` null, or a day that no truck is loaded for yet: today. `crewId`
 * undefined: one's own crew, else the first that has work; null: the work that no crew has.
 */
export function loadView(onDate: string | null, crewId: string | null | undefined) {
  return reading((context) => truckDay(context, onDate, crewId))
}

/** The same for whoever looks. */
export async function truckDay(
  { sql, person, today }: Omit<Reading, 'now'>,
  onDate: string | null,
  crewId: string | null | undefined,
) {
  const last = addDays(today, LOADED_AHEAD)
  const date = onDate !== null && onDate >= today && onDate <= last ? onDate : today
  const crews = await crewsOfDay(sql, date, person.id)
  const crew = crews.find((c) => c.id === crewId) ?? crews[0] ?? null
  const of = { crewId: crew?.id ?? null, onDate: date }
  const jobs = crew ? (await jobsToLoad(sql, of)).slice(0, MOST_JOBS) : []
  const works = await worksToLoad(sql, jobs, date)
  return {
    today,
    date,
    crews,
    crew,
    jobs,
    load: loadTruck(works, date, person.units),
    ticked: (await loadedOf(sql, of)).map(({ at, ...t }) => ({ ...t, at: at.getTime() })),
    units: person.units,
    timeZone: person.timeZone,
  }
}

/** What is put on in jobs of a day, with the lots that may be used then; what has to be worked out again is not put on as it stands. */
async function worksToLoad(
  sql: Reading['sql'],
  jobs: readonly { id: string; siteName: string }[],
  date: string,
): Promise<WorkToLoad[]> {
  const ofJob = grouped(
    await crewSubjects(
      sql,
      jobs.map((j) => j.id),
    ),
    (s) => s.jobId,
  )
  // In the order of the jobs, which is that of the day.
  const planned = jobs.flatMap((job) =>
    (ofJob.get(job.id) ?? [])
      .filter((s) => s.status !== 'withdrawn' && s.anew === null)
      .map((s) => ({ ...s, job })),
  )
  const uses = await usesByIds(sql, [...new Set(planned.map((s) => s.useId))])
  const lots = grouped(
    await lotsWithStock(sql, [...new Set([...uses.values()].map((u) => u.product.code))]),
    (l) => l.code,
  )
  return [...grouped(planned, (s) => [s.job.id, s.useId, s.tank ?? ''].join(' '))].map(([, own]) => {
    const { product, use } = uses.get(own[0]!.useId)!
    return {
      site: own[0]!.job.siteName,
      tank: own[0]!.tank,
      product,
      use,
      lots: (lots.get(product.code) ?? [])
        .filter((l) => isGood(l, date))
        .sort((a, b) => ((a.expiresOn ?? '9999') < (b.expiresOn ?? '9999') ? -1 : 1))
        .map(({ number, expiresOn, opened, left }) => ({
          number,
          expiresOn,
          opened,
          left: left?.amount ?? null,
        })),
      plans: own.map((s) => s.plan),
      notices: [...new Set(own.flatMap((s) => s.agreed.notices.map((n) => n.whom)))],
    }
  })
}

/** What the shelf does not hold of what all trucks put on today and tomorrow, before anybody has looked for it in the yard. */
export function shortView() {
  return reading((context) => shortOf(context))
}

export type ShortView = Awaited<ReturnType<typeof shortOf>>

/** The same for whoever looks. */
export async function shortOf({ sql, person, today }: Omit<Reading, 'now'>) {
  const days = [today, addDays(today, 1)]
  const all = await Promise.all(
    days.map(async (date) => {
      const { lines } = loadTruck(
        await worksToLoad(sql, await jobsOfTrucks(sql, date), date),
        date,
        person.units,
      )
      return lines.flatMap(({ key, name, short }) =>
        short === null ? [] : [{ key, code: key.replace('product ', ''), name, date, short }],
      )
    }),
  )
  return all.flat()
}

export type LoadView = Awaited<ReturnType<typeof loadView>>
