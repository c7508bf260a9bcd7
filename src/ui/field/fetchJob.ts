import type { Packed } from '@/core/packed'
import { keepView } from './deviceStore'
import { outboxPerson } from './outbox'

/** What a job is kept under on the device. */
export const jobKey = (id: string) => `job ${id}`

/** A job as it came, without its hour, and what it is recognised by. */
export interface FetchedJob<View> {
  value: Packed<View>
  etag: string | null
}

/**
 * Asks how a job stands, with what it was recognised by last; `fresh` is null while nothing has changed since. What comes is kept on the
 * device of whoever is signed in. Null where it cannot be had.
 */
export async function fetchJob<View>(
  id: string,
  etag: string | null,
  person = outboxPerson(),
): Promise<{ now: number; fresh: FetchedJob<View> | null } | null> {
  const answer = await fetch(`/api/run/${id}`, {
    cache: 'no-store',
    headers: etag === null ? {} : { 'if-none-match': etag },
  })
  const now = Number(answer.headers.get('elmhorn-now'))
  if (etag !== null && answer.status === 304) return { now, fresh: null }
  if (!answer.ok) return null
  const { value } = (await answer.json()) as { value: Packed<View> }
  const fresh = { value, etag: answer.headers.get('etag') }
  if (person !== null) await keepView(person, { key: jobKey(id), ...fresh, at: now, ahead: now - Date.now() })
  return { now, fresh }
}
