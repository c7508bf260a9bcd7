'use client'
import { useState } from 'react'
import { signInAsks } from '@/asks/house'
import { AskedForm } from '@/ui/form/AskedForm'
import { useDoor } from '@/ui/form/useDoor'
import { Link } from '@/ui/pieces/Link'
import { SignInFields } from '@/ui/shell/SignInFields'

interface DemoPerson {
  name: string
  role: string
  email: string
  password: string
}

/** E-mail and password; in the demo a press on a person fills them in. */
export function SignInForm({ next, people }: { next: string; people: DemoPerson[] }) {
  const by = useDoor('/api/sign-in')
  const [start, setStart] = useState({ email: '', password: '', code: '' })

  return (
    <div>
      <h1>Sign in</h1>
      <AskedForm
        key={start.email}
        asks={signInAsks}
        start={start}
        by={by}
        onDone={() => {
          // Never off the site, whatever was made of the address on the way.
          const wanted = new URL(next, window.location.origin)
          window.location.assign(wanted.origin === window.location.origin ? wanted : '/')
        }}
        keep="Sign in"
        keeping="Signing in"
        className="grid gap-3 mt-4 max-w-sm"
      >
        <SignInFields problem={by.problem} />
      </AskedForm>
      <p className="mt-3">
        <Link href="/forgot-password">Forgotten password</Link>
      </p>
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
                  onClick={() => setStart({ email: p.email, password: p.password, code: '' })}
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
