import { useSyncExternalStore } from 'react'
import { refusesNothing } from '@/ui/fields/sendVerb'
import type { Problem } from '@/core/problem'
import { newId } from '@/ui/fields/newId'
import { firmNow } from '@/ui/shell/firmClock'
import { forgetPhoto, keepPhoto, photosOf, type KeptPhoto, type PhotoOf } from './deviceStore'
import { smallPicture } from './smallPicture'

/** Tried again after so long, ms; twice as long each time, up to the last. */
const AGAIN_MS = 4000
const LONGEST_MS = 60_000

export interface PhotoBox {
  waiting: readonly KeptPhoto[]
  refused: readonly { id: string; problem: Problem }[]
  /** Taken since this page was opened. */
  sent: readonly { id: string; at: number; of: PhotoOf }[]
}

const EMPTY: PhotoBox = { waiting: [], refused: [], sent: [] }

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
  // What was taken before the page had opened the box is theirs.
  const early = person === null ? state.waiting.map((p) => ({ ...p, person: who })) : []
  if (person !== who) {
    person = who
    set({ ...EMPTY, waiting: early })
  }
  await Promise.all(early.map(keepPhoto))
  const kept = await photosOf(who)
  if (person !== who) return
  const known = new Set(state.waiting.map((p) => p.id))
  set({ waiting: [...kept.filter((p) => !known.has(p.id)), ...state.waiting].sort((a, b) => a.at - b.at) })
  await drainPhotoBox()
}

/**
 * Takes a picture: made small, written down on the device, and sent when there is a signal. Answers false where the device could not keep
 * it; it is then sent as long as the page is open.
 */
export async function takePhoto(file: Blob, of: PhotoOf): Promise<boolean> {
  const photo: KeptPhoto = {
    id: newId(),
    person: person ?? '',
    ...of,
    at: firmNow(),
    away: false,
    picture: await smallPicture(file),
  }
  set({ waiting: [...state.waiting, photo] })
  // Whose it is is known in a moment, and it is written down then.
  if (person === null) return true
  const written = await keepPhoto(photo)
  void drainPhotoBox()
  return written
}

function addressOf(photo: KeptPhoto): string {
  const of: Record<string, string> =
    'treeId' in photo
      ? { tree: photo.treeId, assessment: photo.assessmentId }
      : { job: photo.jobSubjectId, ...(photo.task !== null && { task: photo.task }) }
  return `/api/photos/${photo.id}?${new URLSearchParams(of)}`
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
      const { id, at } = next
      set({
        waiting: state.waiting.filter((p) => p.id !== id),
        ...(sent === null
          ? { sent: [...state.sent, { id, at, of: next }] }
          : { refused: [...state.refused, { id, problem: sent }] }),
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
