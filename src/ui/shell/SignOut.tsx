'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { forgetOffline } from '../reckon/keepForOffline'

/** Ends the session on this device. Where the server does not hear of it, the person is still signed in and is told so. */
export function SignOut({ className = '' }: { className?: string }) {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const [stays, setStays] = useState(false)
  async function leave() {
    if (busy) return
    setBusy(true)
    setStays(false)
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
        onClick={() => void leave()}
        className={`underline underline-offset-2 ${className}`}
      >
        Sign out
      </button>
      <span role="alert" className="block">
        {stays && 'Still signed in: the server cannot be reached. Try again when you are in reach.'}
      </span>
    </>
  )
}
