'use client'
import { useEffect, useSyncExternalStore } from 'react'
import { createPortal } from 'react-dom'
import { counted } from '@/core/text/counted'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { KEPT_HERE } from '@/ui/shell/Strip'
import { clockTime } from '@/ui/when'
import { setLastPerson } from './deviceStore'
import { fetchDay } from './fetchDay'
import { fetchTrees } from './fetchJob'
import { drainPhotoBox, openPhotoBox, seenPhoto, usePhotoBox } from './photoBox'
import { registerWorker } from './registerWorker'
import {
  drainOutbox,
  hearOutbox,
  OF_NO_JOB,
  openOutbox,
  seenRefusal,
  useOutbox,
  type OutboxState,
} from './outbox'

/** What a crew has today is fetched again after so long. */
const DAY_EVERY_MS = 5 * 60_000

/** So long after the last press that was sent the trees to examine are fetched again, once for all of them. */
const HAND_RESTS_MS = 4000

const neverChanges = () => () => {}
const inStrip = () => document.getElementById(KEPT_HERE)

/**
 * On every page: sends what this person pressed on this device, fetches what the crew has today, says what is kept here and since when
 * nobody answers, and shows each press that a rule gave back until it is seen.
 */
export function OutboxNotes({ person, timeZone }: { person: string; timeZone: string }) {
  const box = useOutbox()
  useEffect(() => {
    registerWorker()
    void setLastPerson(person)
    void openOutbox(person)
    void openPhotoBox(person)
    void fetchDay(person)
    const online = () => {
      void drainOutbox()
      void drainPhotoBox()
      void fetchDay(person)
    }
    window.addEventListener('online', online)
    // What was looked at here is asked for again once the hand rests: what is kept on the device knows it too.
    let soon: ReturnType<typeof setTimeout> | undefined
    const deaf = hearOutbox(OF_NO_JOB, {
      fallen: () => {},
      allSent: () => {
        clearTimeout(soon)
        soon = setTimeout(() => void fetchTrees(person).catch(() => {}), HAND_RESTS_MS)
      },
    })
    const every = setInterval(() => {
      if (document.visibilityState === 'visible') void fetchDay(person)
    }, DAY_EVERY_MS)
    return () => {
      window.removeEventListener('online', online)
      deaf()
      clearTimeout(soon)
      clearInterval(every)
    }
  }, [person])
  // In the strip, which keeps its height: nothing moves under the finger.
  const place = useSyncExternalStore(neverChanges, inStrip, () => null)
  const { waiting: photos, refused: noPhotos } = usePhotoBox()
  const said = sayOutbox({ ...box, photos: photos.length }, timeZone)
  return (
    <>
      {place &&
        createPortal(
          said ? (
            <span className="tag tag-straw">{said}</span>
          ) : (
            <span className="desk:hidden text-ink2">all sent</span>
          ),
          place,
        )}
      {noPhotos.map((r) => (
        <Note
          key={r.id}
          as="div"
          says="stop"
          role="alert"
          className="no-print mx-4 spine:mx-[22px] mt-3 flex flex-wrap items-center gap-3"
        >
          <span className="grow">A photograph was not taken: {r.problem.message}</span>
          <Button onClick={() => seenPhoto(r.id)}>Seen</Button>
        </Note>
      ))}
      {box.refused.map((r) => (
        <Note
          key={r.id}
          as="div"
          says="stop"
          role="alert"
          className="no-print mx-4 spine:mx-[22px] mt-3 flex flex-wrap items-center gap-3"
        >
          <span className="grow">Not taken: {r.problem.message}</span>
          <Button onClick={() => seenRefusal(r.id)}>Seen</Button>
        </Note>
      ))}
    </>
  )
}

/** In a few words: what is kept here, since when nobody answers, what wants somebody. Null while all is sent. */
export function sayOutbox(
  { waiting, refused, silentSince, photos = 0 }: OutboxState & { photos?: number },
  timeZone: string,
): string | null {
  const words = [
    waiting.length > 0 &&
      (silentSince === null
        ? `${waiting.length} going out`
        : `${waiting.length} kept here, no signal since ${clockTime(silentSince, timeZone)}`),
    photos > 0 && counted(photos, 'photograph'),
    refused.length > 0 && (refused.length === 1 ? '1 needs you' : `${refused.length} need you`),
  ].filter((w) => w !== false)
  return words.length > 0 ? words.join(' · ') : null
}
