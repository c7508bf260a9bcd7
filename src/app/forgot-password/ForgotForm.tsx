'use client'
import { useState } from 'react'
import { forgotAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useDoor } from '@/ui/form/useDoor'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'

/** The address; the answer is the same for everybody. */
export function ForgotForm() {
  const by = useDoor('/api/forgot-password')
  const [sent, setSent] = useState(false)
  return (
    <div className="max-w-sm">
      {sent ? (
        <Note as="div" says="good" role="status" className="mt-4">
          If this address signs in here, a link is on its way to it. Nothing comes? Ask whoever keeps the
          house.
        </Note>
      ) : (
        <AskedForm
          asks={forgotAsks}
          start={{ email: '' }}
          by={by}
          onDone={() => setSent(true)}
          keep="Send the link"
          keeping="Sending"
          className="grid gap-3 mt-4"
        >
          <Asked at="email" autoComplete="username" autoFocus />
        </AskedForm>
      )}
      <p className="mt-5">
        <Link href="/sign-in">Back to the sign-in</Link>
      </p>
    </div>
  )
}
