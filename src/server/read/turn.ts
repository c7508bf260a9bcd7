import { causeName } from '@/almanac/causes'
import { TURNS } from '@/core/plan/turn'
import { addDays } from '@/core/time/calendar'
import { toWorkOutAgain } from '@/db/queries/anew'
import { jobsBetween } from '@/db/queries/job'
import { dueAgain } from '@/db/queries/occurrence'
import { siteById } from '@/db/queries/site'
import { waitingCounts, WAITING } from '@/db/queries/tree'
import {
  firstTurns,
  returnedTrees,
  stagesOfSite,
  turnCounts,
  waitingForRelease,
  waitingSteps,
} from '@/db/queries/turn'
import { isId, reading } from './reader'
import { together } from './together'

/** As many of each kind as stand on the board; the rest stand in their own lists. */
const SHOWN = 5
const JOBS_SHOWN = 8
/** As many promised dates are read of each turn; those of one day, site and kind stand together. */
const READ = 40
/** How far ahead the board looks for the crew, days. */
const AHEAD = 14

/** What waits for whom, of a site or of all of them: the arborist, the crew, a promised look, the client, somebody outside. */
export function turnView(siteId: string | null) {
  return reading(async ({ sql, today }) => {
    const site = siteId === null ? null : isId(siteId) ? await siteById(sql, siteId) : undefined
    if (site === undefined) return null
    const of = site?.id ?? null
    const stages: Record<string, number> = of
      ? Object.fromEntries((await stagesOfSite(sql, of)).map((s) => [s.stage, s.count]))
      : await waitingCounts(sql)
    const counts = await turnCounts(sql, today, of)
    const open = TURNS.filter((t) => counts.some((c) => c.turn === t && c.open > 0))
    const promised = await firstTurns(sql, open, of, READ)
    const due = await dueAgain(sql, addDays(today, AHEAD), { limit: SHOWN, siteId: of })
    const jobs = await jobsBetween(sql, today, addDays(today, AHEAD), { limit: JOBS_SHOWN + 1, siteId: of })
    return {
      today,
      site,
      stages: WAITING.flatMap((stage) => (stages[stage] ? [{ stage, count: stages[stage] }] : [])),
      returned: await returnedTrees(sql, of, SHOWN),
      anew: await toWorkOutAgain(sql, SHOWN, of),
      jobs: jobs.filter((j) => j.recorded < j.trees).slice(0, JOBS_SHOWN),
      moreJobs: jobs.length > JOBS_SHOWN,
      release: await waitingForRelease(sql, of, SHOWN),
      due: due.map((d) => ({ ...d, cause: causeName(d.cause) })),
      steps: await waitingSteps(sql, of, SHOWN),
      turns: open.map((turn) => ({
        ...counts.find((c) => c.turn === turn)!,
        first: together(
          promised.filter((p) => p.turn === turn),
          // Those that ask the same on the same day at the same site.
          (p) => [p.dueOn, p.siteName, p.what],
        ).slice(0, SHOWN),
      })),
    }
  })
}

export type TurnView = NonNullable<Awaited<ReturnType<typeof turnView>>>
