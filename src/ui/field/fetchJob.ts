import type { Packed } from '@/core/packed'
import { keepView, viewOf } from './deviceStore'
import { outboxPerson } from './outbox'

/** What a job is kept under on the device. */
export const jobKey = (id: string) => `job ${id}`

/** Something as it came, without its hour, and what it is recognised by. */
export interface Fetched<View> {
  value: Packed<View>
  etag: string | null
}

/** What the trees that wait to be looked at are kept under. */
export const TREES_KEY = 'trees'

/** Asks how a job stands; see `fetchPacked`. */
export const fetchJob = <View>(id: string, etag: string | null, person = outboxPerson()) =>
  fetchPacked<View>(`/api/run/${id}`, jobKey(id), etag, person)

/** Asks which trees wait to be looked at, and how they stand, where that has changed. */
export async function fetchTrees(person: string): Promise<void> {
  await fetchPacked('/api/field/trees', TREES_KEY, (await viewOf(person, TREES_KEY))?.etag ?? null, person)
}

/**
 * Asks how something stands, with what it was recognised by last; `fresh` is null while nothing has changed since. What comes is kept on
 * the device of whoever is signed in. Null where it cannot be had.
 */
async function fetchPacked<View>(
  address: string,
  key: string,
  etag: string | null,
  person: string | null,
): Promise<{ now: number; fresh: Fetched<View> | null } | null> {
  const answer = await fetch(address, {
    cache: 'no-store',
    headers: etag === null ? {} : { 'if-none-match': etag },
  })
  const now = Number(answer.headers.get('elmhorn-now'))
  if (etag !== null && answer.status === 304) return { now, fresh: null }
  if (!answer.ok) return null
  const { value } = (await answer.json()) as { value: Packed<View> }
  const fresh = { value, etag: answer.headers.get('etag') }
  if (person !== null) await keepView(person, { key, ...fresh, at: now, ahead: now - Date.now() })
  return { now, fresh }
}
