'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { useState, type FormEvent } from 'react'
import { Field } from '../fields/Field'
import { Button } from '@/ui/pieces/Button'

/** Over the page, when the session ended in the middle of a form: nothing behind it is lost. */
export default function SignInAgain({ onDone }: { onDone: (signedIn: boolean) => void }) {
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)

  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault()
    if (busy) return
    setBusy(true)
    const data = new FormData(event.currentTarget)
    try {
      const answer = await fetch('/api/sign-in', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email: data.get('email'), password: data.get('password') }),
      })
      if (answer.ok) return onDone(true)
      const body = (await answer.json()) as { error: { message: string } }
      setProblem(body.error.message)
    } catch {
      setProblem('The server cannot be reached. Try again when you are in reach.')
    } finally {
      setBusy(false)
    }
  }

  return (
    <Dialog open onClose={() => onDone(false)} className="relative z-50">
      <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="bg-sheet border border-line p-5 w-full max-w-sm">
          <DialogTitle className="text-lead">Sign in again</DialogTitle>
          <p className="mt-1 mb-3 text-ink2">You were signed out. What you typed is still here.</p>
          <form onSubmit={submit} className="grid gap-3">
            <Field label="E-mail" name="email" type="email" autoComplete="username" required autoFocus />
            <Field
              label="Password"
              name="password"
              type="password"
              autoComplete="current-password"
              required
              problem={problem}
            />
            <div className="flex gap-2">
              <Button type="submit" now disabled={busy}>
                Sign in and go on
              </Button>
              <Button onClick={() => onDone(false)}>Not now</Button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
