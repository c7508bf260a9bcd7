'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { forgetOffline } from '../reckon/keepForOffline'

/** Ends the session on this device. Where the server does not hear of it, the person is still signed in and is told so. */
export function SignOut({ className = '' }: { className?: string }) {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const [stays, setStays] = useState(false)
  /** So much is kept here and not sent. */
  const [waiting, setWaiting] = useState(0)
  async function ask() {
    const here = await import('../field/leaveDevice').then(
      ({ waitingHere }) => waitingHere(),
      () => 0,
    )
    if (here > 0) setWaiting(here)
    else await leave()
  }
  async function leave() {
    if (busy) return
    setBusy(true)
    setStays(false)
    setWaiting(0)
    const answer = await fetch('/api/sign-out', { method: 'POST' }).catch(() => null)
    if (answer?.ok) {
      await forgetOffline()
      await import('../field/leaveDevice').then(({ leaveDevice }) => leaveDevice())
      router.replace('/sign-in')
      router.refresh()
    } else {
      setBusy(false)
      setStays(true)
    }
  }
  return (
    <>
      <button
        type="button"
        onClick={() => void ask()}
        className={`underline underline-offset-2 ${className}`}
      >
        Sign out
      </button>
      {waiting > 0 && (
        <span role="alert" className="block">
          {waiting === 1 ? '1 press is' : `${waiting} presses are`} kept here and not sent. They go out when
          you sign in here again, not before.{' '}
          <button type="button" className="underline" onClick={() => void leave()}>
            Sign out all the same
          </button>{' '}
          <button type="button" className="underline" onClick={() => setWaiting(0)}>
            Stay
          </button>
        </span>
      )}
      <span role="alert" className="block">
        {stays && 'Still signed in: the server cannot be reached. Try again when you are in reach.'}
      </span>
    </>
  )
}
