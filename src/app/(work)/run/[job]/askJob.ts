import { unpack, type Packed } from '@/core/packed'
import type { JobView } from '@/server/read/work'

/**
 * Asks how a job stands now, again and again; null where it cannot be said. While nothing has changed since the last answer the server sends nothing, and that answer
 * stands.
 */
export function askJob(first: JobView): () => Promise<JobView | null> {
  let last: { view: JobView; etag: string | null } = { view: first, etag: null }
  return async () => {
    const sent = last
    const answer = await fetch(`/api/run/${first.job.id}`, {
      cache: 'no-store',
      headers: sent.etag === null ? {} : { 'if-none-match': sent.etag },
    })
    // Of two that are on their way, each is answered for what it named.
    if (answer.status === 304) return sent.view
    if (!answer.ok) return null
    const { value, now } = (await answer.json()) as { value: Packed<Omit<JobView, 'now'>>; now: number }
    last = { view: { ...unpack(value), now }, etag: answer.headers.get('etag') }
    return last.view
  }
}
