'use client'
import { useEffect } from 'react'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { drainOutbox, openOutbox, seenRefusal, useOutbox } from './outbox'

/**
 * On every page: sends what this person pressed on this device, says how many presses wait, and shows each one that a rule gave back
 * until it is seen. How many wait comes and goes with every press: it takes no room, so that nothing moves under the finger.
 */
export function OutboxNotes({ person }: { person: string }) {
  const { waiting, refused, retryInMs } = useOutbox()
  useEffect(() => {
    void openOutbox(person)
    const online = () => void drainOutbox()
    window.addEventListener('online', online)
    return () => window.removeEventListener('online', online)
  }, [person])
  const presses = waiting.length
  return (
    <>
      <p
        aria-live="polite"
        className="no-print fixed z-40 right-3 bottom-[76px] sm:bottom-3 pointer-events-none"
      >
        {presses > 0 && (
          <span className="tag tag-straw">
            {presses === 1 ? '1 press' : `${presses} presses`} on this device,{' '}
            {retryInMs !== null ? 'not sent yet: no answer' : 'going out'}
          </span>
        )}
      </p>
      {refused.map((r) => (
        <Note
          key={r.id}
          as="div"
          says="stop"
          role="alert"
          className="no-print mx-4 sm:mx-[22px] mt-3 flex flex-wrap items-center gap-3"
        >
          <span className="grow">Not taken: {r.problem.message}</span>
          <Button onClick={() => seenRefusal(r.id)}>Seen</Button>
        </Note>
      ))}
    </>
  )
}
