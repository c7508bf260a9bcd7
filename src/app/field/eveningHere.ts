import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { isIn } from '@/core/methods/running'
import type { EveningView } from '@/server/read/evening'
import { jobsHere } from '@/ui/field/jobsHere'

/**
 * The evening as this device knows it: of the jobs kept here by what was pressed at them, answered or not; of all others as it was
 * fetched.
 */
export async function eveningHere(person: string, fetched: EveningView): Promise<EveningView> {
  const here = await jobsHere(person)
  const kept = new Set(here.map((h) => h.view.job.id))
  const own = here.flatMap(({ view: { job }, trees }) =>
    trees.flatMap((tree) => {
      const ports =
        tree.status === 'open' ? tree.states.flatMap((s) => (s.kind === 'port' && isIn(s) ? [s] : [])) : []
      if (ports.length === 0) return []
      const known = fetched.still.find((t) => t.id === tree.id)
      const started = ports.map((p) => p.startedAt!)
      const uptake = isByPorts(tree.plan) ? tree.plan.shape.uptake.to * 1000 : 0
      return [
        {
          id: tree.id,
          jobId: job.id,
          tag: tree.tag,
          siteId: job.siteId,
          siteName: job.siteName,
          crewId: job.crewId,
          crew: job.crew,
          truck: fetched.crews.find((c) => c.id === job.crewId)?.truck ?? null,
          ports: ports.length,
          taking: ports.filter((p) => p.stoppedAt === null).length,
          since: Math.min(...started),
          until: Math.max(...started) + uptake,
          words: known?.words ?? null,
          at: known?.at ?? fetched.still.find((t) => t.siteId === job.siteId)?.at ?? null,
        },
      ]
    }),
  )
  return { ...fetched, still: [...own, ...fetched.still.filter((t) => !kept.has(t.jobId))] }
}
