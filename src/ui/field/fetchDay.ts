import { keepOnlyViews, keepView, viewOf } from './deviceStore'
import { emptyDevice } from './emptyDevice'
import { fetchJob, fetchTrees, jobKey, TREES_KEY } from './fetchJob'

/** A device that is asked for again within so long has it. */
const FRESH_MS = 60_000

/** A device with more of its room used keeps work only: the trees to examine are not fetched. */
export const NEARLY_FULL = 0.9

async function isNearlyFull(): Promise<boolean> {
  const room = await navigator.storage?.estimate?.().catch(() => null)
  return room?.usage !== undefined && room.quota !== undefined && room.usage > NEARLY_FULL * room.quota
}

/** What is read here of the day that is kept whole. */
interface Day {
  frame: { person: { id: string }; now: number }
  jobs: { id: string }[]
}

let busy = false
let last = { person: '', at: -Infinity }

/**
 * Fetches what a crew has today and the next two days and keeps it on the device, while there is a signal: the list first, then its jobs
 * one after the other, each only where it has changed, then the trees that wait to be looked at. What does not come is left as it was.
 */
export async function fetchDay(person: string): Promise<void> {
  const now = Date.now()
  if (busy || !('indexedDB' in globalThis) || (last.person === person && now - last.at < FRESH_MS)) return
  busy = true
  last = { person, at: now }
  try {
    const answer = await fetch('/api/field', { cache: 'no-store' })
    if (answer.status === 401) {
      const { error } = (await answer.json()) as { error?: { field: string } }
      if (error?.field !== 'device') return
      await emptyDevice(person)
      window.location.replace('/sign-in')
    }
    if (!answer.ok) return
    const { value } = (await answer.json()) as { value: Day }
    // Somebody else has signed in since.
    if (value.frame.person.id !== person) return
    await keepView(person, {
      key: 'day',
      value,
      etag: null,
      at: value.frame.now,
      ahead: value.frame.now - Date.now(),
    })
    const full = await isNearlyFull()
    await keepOnlyViews(person, ['day', ...(full ? [] : [TREES_KEY]), ...value.jobs.map((j) => jobKey(j.id))])
    for (const { id } of value.jobs)
      await fetchJob(id, (await viewOf(person, jobKey(id)))?.etag ?? null, person)
    if (!full) await fetchTrees(person)
    void navigator.storage?.persist?.()
  } catch {
    last = { person, at: -Infinity }
  } finally {
    busy = false
  }
}
