import { unpack } from '@/core/packed'
import { fetchJob } from '@/ui/field/fetchJob'
import type { JobView } from '@/server/read/work'

/**
 * Asks how a job stands now, again and again; null where it cannot be said. While nothing has changed since the last answer the server sends nothing, and that answer
 * stands, but for the hour.
 */
export function askJob(id: string): () => Promise<JobView | null> {
  let last: { view: JobView; etag: string | null } | null = null
  return async () => {
    const sent = last
    const came = await fetchJob<Omit<JobView, 'now'>>(id, sent?.etag ?? null)
    if (!came) return null
    const { now, fresh } = came
    // Of two that are on their way, each is answered for what it named.
    if (!fresh) return sent && { ...sent.view, now }
    last = { view: { ...unpack(fresh.value), now }, etag: fresh.etag }
    return last.view
  }
}
