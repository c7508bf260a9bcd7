'use client'
import { useState } from 'react'
import { passwordAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

/** Changes one’s own password; the old one is asked. */
export function Password() {
  const by = useStep('change-password')
  const [open, setOpen] = useState(false)
  const [changed, setChanged] = useState(false)
  return (
    <section>
      <h2>Password</h2>
      {open ? (
        <AskedForm
          asks={passwordAsks}
          start={{ old: '', password: '' }}
          by={by}
          onDone={() => {
            setOpen(false)
            setChanged(true)
          }}
          keep="Change it"
          onLeave={() => setOpen(false)}
          className="grid gap-3 mt-2 max-w-sm"
        >
          <Asked at="old" autoFocus />
          <Asked at="password" />
        </AskedForm>
      ) : (
        <Button
          className="mt-2"
          onClick={() => {
            setOpen(true)
            setChanged(false)
          }}
        >
          Change your password
        </Button>
      )}
      <div role="status">
        {changed && (
          <Note says="good" className="mt-2">
            Your password is changed. Everywhere else you are signed out.
          </Note>
        )}
      </div>
    </section>
  )
}
