import { unpack, type Packed } from '@/core/packed'
import { keepView } from '@/ui/field/deviceStore'
import { jobKey } from '@/ui/field/fetchDay'
import { outboxPerson } from '@/ui/field/outbox'
import type { JobView } from '@/server/read/work'

/**
 * Asks how a job stands now, again and again; null where it cannot be said. While nothing has changed since the last answer the server sends nothing, and that answer
 * stands, but for the hour.
 */
export function askJob(id: string): () => Promise<JobView | null> {
  let last: { view: JobView; etag: string | null } | null = null
  return async () => {
    const sent = last
    const answer = await fetch(`/api/run/${id}`, {
      cache: 'no-store',
      headers: sent?.etag ? { 'if-none-match': sent.etag } : {},
    })
    const now = Number(answer.headers.get('elmhorn-now'))
    // Of two that are on their way, each is answered for what it named.
    if (sent && answer.status === 304) return { ...sent.view, now }
    if (!answer.ok) return null
    const { value } = (await answer.json()) as { value: Packed<Omit<JobView, 'now'>> }
    last = { view: { ...unpack(value), now }, etag: answer.headers.get('etag') }
    const person = outboxPerson()
    if (person !== null)
      void keepView(person, { key: jobKey(id), value, etag: last.etag, at: now, ahead: now - Date.now() })
    return last.view
  }
}
