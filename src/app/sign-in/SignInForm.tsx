'use client'
import { useState, type FormEvent } from 'react'
import { Field } from '@/ui/fields/Field'
import { useAlive } from '@/ui/fields/useAlive'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

interface DemoPerson {
  name: string
  role: string
  email: string
  password: string
}

/** E-mail and password; in the demo a press on a person fills them in. */
export function SignInForm({ next, people }: { next: string; people: DemoPerson[] }) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const alive = useAlive()

  async function submit(event: FormEvent) {
    event.preventDefault()
    if (busy) return
    setBusy(true)
    setProblem(null)
    try {
      const answer = await fetch('/api/sign-in', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email, password }),
      })
      if (answer.ok) {
        // Never off the site, whatever was made of the address on the way.
        const wanted = new URL(next, window.location.origin)
        window.location.assign(wanted.origin === window.location.origin ? wanted : '/')
        return
      }
      const body = (await answer.json()) as { error: { message: string } }
      setProblem(body.error.message)
    } catch {
      setProblem('The server cannot be reached. Try again when you are in reach.')
    }
    setBusy(false)
  }

  return (
    <div inert={!alive}>
      <h1>Sign in</h1>
      <form onSubmit={submit} className="grid gap-3 mt-4 max-w-sm" noValidate>
        <Field
          label="E-mail"
          name="email"
          type="email"
          autoComplete="username"
          value={email}
          onChange={(e) => setEmail(e.target.value)}
          autoFocus
        />
        <Field
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <div role="alert">{problem && <Note says="stop">{problem}</Note>}</div>
        <Button type="submit" now className="justify-self-start" disabled={busy}>
          {busy ? 'Signing in' : 'Sign in'}
        </Button>
      </form>
      {people.length > 0 && (
        <section className="mt-8 max-w-lg">
          <h2>People of the demo</h2>
          <p className="text-ink2 text-small mb-2">All of it is made up: firm, places, products and trees.</p>
          <ul className="border-t border-line">
            {people.map((p) => (
              <li key={p.email} className="border-b border-line">
                <button
                  type="button"
                  className="w-full text-left py-2 px-2 grid grid-cols-[1fr_auto] gap-x-4 hover:bg-paper"
                  onClick={() => {
                    setEmail(p.email)
                    setPassword(p.password)
                  }}
                >
                  <span className="font-bold">{p.name}</span>
                  <span className="text-ink2">{p.role}</span>
                  <span className="col-span-2 text-small text-ink2">
                    {p.email} · {p.password}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
