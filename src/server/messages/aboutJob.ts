import { jobById } from '@/db/queries/job'
import { clientWhole } from '@/db/queries/client'
import { siteById } from '@/db/queries/site'
import { closureOf } from '@/db/queries/closure'
import type { Reading } from '../verb'
import type { AboutWork } from './compose'

/** What a client is told of a job, and which client; null where there is no such job. */
export async function aboutJob({ sql, person }: Pick<Reading, 'sql' | 'person'>, jobId: string) {
  const job = await jobById(sql, jobId)
  const site = job && (await siteById(sql, job.siteId))
  const client = site && (await clientWhole(sql, site.clientId))
  if (!job || !site || !client) return null
  const [counts] = await sql<{ trees: number; recorded: number }[]>`
    select trees, recorded from job where id = ${jobId}`
  const work: AboutWork = {
    site: site.name,
    firm: person.firmName,
    person: person.name,
    onDate: job.onDate,
    timeZone: job.timeZone,
    methods: job.methods,
    trees: counts!.trees,
    recorded: counts!.recorded,
    closedUntil: (await closureOf(sql, site.id))?.until ?? null,
  }
  return { job, client, work }
}
