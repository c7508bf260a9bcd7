import { useSyncExternalStore } from 'react'
import { refusesNothing } from '@/ui/fields/sendVerb'
import type { Problem } from '@/core/problem'
import { newId } from '@/ui/fields/newId'
import { firmNow } from '@/ui/shell/firmClock'
import { forgetPhoto, keepPhoto, photosOf, type KeptPhoto } from './deviceStore'
import { smallPicture } from './smallPicture'

/** Tried again after so long, ms; twice as long each time, up to the last. */
const AGAIN_MS = 4000
const LONGEST_MS = 60_000

export interface PhotoBox {
  waiting: readonly KeptPhoto[]
  refused: readonly { id: string; problem: Problem }[]
}

const EMPTY: PhotoBox = { waiting: [], refused: [] }

let person: string | null = null
let state = EMPTY
let busy = false
let again = AGAIN_MS
let timer: ReturnType<typeof setTimeout> | undefined
const listeners = new Set<() => void>()

function set(next: Partial<PhotoBox>): void {
  state = { ...state, ...next }
  for (const listener of listeners) listener()
}

/** Opens the box of whoever is signed in: what they took here and nobody has yet goes out. */
export async function openPhotoBox(who: string): Promise<void> {
  if (person !== who) {
    person = who
    set(EMPTY)
  }
  const kept = await photosOf(who)
  if (person !== who) return
  const known = new Set(state.waiting.map((p) => p.id))
  set({ waiting: [...kept.filter((p) => !known.has(p.id)), ...state.waiting].sort((a, b) => a.at - b.at) })
  await drainPhotoBox()
}

/**
 * Takes a picture of work at a tree of a job: made small, written down on the device, and sent when there is a signal. Answers false where
 * the device could not keep it; it is then sent as long as the page is open.
 */
export async function takePhoto(
  file: Blob,
  of: { jobSubjectId: string; task: string | null },
): Promise<boolean> {
  const photo: KeptPhoto = {
    id: newId(),
    person: person ?? '',
    ...of,
    at: firmNow(),
    away: false,
    picture: await smallPicture(file),
  }
  set({ waiting: [...state.waiting, photo] })
  const written = await keepPhoto(photo)
  void drainPhotoBox()
  return written
}

function addressOf({ id, jobSubjectId, task }: KeptPhoto): string {
  return `/api/photos/${id}?${new URLSearchParams({ job: jobSubjectId, ...(task !== null && { task }) })}`
}

/** Sends what waits, the oldest first; only a rule gives a picture back, and that is said. */
export async function drainPhotoBox(): Promise<void> {
  if (busy || person === null) return
  busy = true
  const who = person
  try {
    for (let next = state.waiting[0]; next && person === who; next = state.waiting[0]) {
      const sent = await send(next)
      if (sent === 'nobody') {
        set({ waiting: state.waiting.map((p) => ({ ...p, away: true })) })
        clearTimeout(timer)
        timer = setTimeout(() => void drainPhotoBox(), again)
        again = Math.min(LONGEST_MS, again * 2)
        break
      }
      again = AGAIN_MS
      const { id } = next
      set({
        waiting: state.waiting.filter((p) => p.id !== id),
        refused: sent === null ? state.refused : [...state.refused, { id, problem: sent }],
      })
      await forgetPhoto(who, id)
    }
  } finally {
    busy = false
  }
}

/** Null once it is kept, why a rule refused it, or that nobody answered. */
async function send(photo: KeptPhoto): Promise<Problem | null | 'nobody'> {
  try {
    const answer = await fetch(addressOf(photo), {
      method: 'POST',
      headers: {
        'content-type': photo.picture.type || 'application/octet-stream',
        'elmhorn-at': String(Math.round(photo.at)),
        ...(photo.away && { 'elmhorn-away': 'yes' }),
      },
      body: photo.picture,
    })
    if (answer.ok) return null
    const { error } = (await answer.json()) as { error: Problem }
    // Others wait before it: it goes again.
    const later = error.code === 'conflict' && error.field === 'photo'
    return later || refusesNothing(answer.status, error) ? 'nobody' : error
  } catch {
    return 'nobody'
  }
}

/** Somebody has seen why a picture was not taken. */
export function seenPhoto(id: string): void {
  set({ refused: state.refused.filter((r) => r.id !== id) })
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => void listeners.delete(listener)
}

/** What waits on this device, and what a rule gave back and nobody has seen. */
export const photoBoxNow = (): PhotoBox => state

/** The same for drawing. */
export function usePhotoBox(): PhotoBox {
  return useSyncExternalStore(subscribe, photoBoxNow, () => EMPTY)
}

/** For tests: a device on which no picture was taken. */
export function forgetPhotoBox(): void {
  person = null
  busy = false
  again = AGAIN_MS
  clearTimeout(timer)
  set(EMPTY)
}
