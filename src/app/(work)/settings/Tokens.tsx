'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SettingsView } from '@/server/read/settings'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'

/** The person's tokens: made with a name, shown once, revoked for good. */
export function Tokens({ view }: { view: SettingsView }) {
  const router = useRouter()
  const make = useVerb<{ token: string }>('make-token', { makes: 'id' })
  const revoke = useVerb('revoke-token')
  const [name, setName] = useState('')
  const [made, setMade] = useState<{ name: string; token: string } | null>(null)
  const [asking, setAsking] = useState<string | null>(null)
  const [copied, setCopied] = useState(false)

  async function send(event: React.FormEvent) {
    event.preventDefault()
    const value = await make.send({ name })
    if (!value) return
    setMade({ name: name.trim(), token: value.token })
    setCopied(false)
    setName('')
    router.refresh()
  }

  return (
    <section aria-label="Tokens">
      <h2>Tokens</h2>
      <p className="text-ink2 mt-1.5 max-w-prose">
        A token lets a program ask as you. Give each program its own, so that one can be revoked alone.
      </p>
      <form onSubmit={send} className="flex flex-wrap items-start gap-3 mt-3">
        <div className="w-72 max-w-full">
          <Field
            label="Name of the new token"
            hint="such as: dose sheet on the office computer"
            value={name}
            onChange={(e) => setName(e.target.value)}
            problem={make.problem?.field === 'name' ? make.problem.message : null}
            maxLength={120}
          />
        </div>
        <button type="submit" className="btn btn-now mt-[22px]" disabled={make.busy}>
          Make token
        </button>
      </form>
      {make.problem && make.problem.field !== 'name' && <ProblemNote problem={make.problem} />}
      {made && (
        <div className="note note-good mt-4" role="status">
          <p>
            <b>{made.name}</b> is made. This is the only time it is shown; keep it where the program reads it.
          </p>
          <div className="flex flex-wrap items-center gap-2 mt-2">
            <code className="bg-paper border border-line px-2 py-1.5 break-all" data-testid="token">
              {made.token}
            </code>
            <button
              type="button"
              className="btn"
              onClick={async () => {
                await navigator.clipboard?.writeText(made.token).catch(() => {})
                setCopied(true)
              }}
            >
              {copied ? 'Copied' : 'Copy'}
            </button>
            <button type="button" className="btn" onClick={() => setMade(null)}>
              I have it
            </button>
          </div>
        </div>
      )}
      {view.tokens.length === 0 ? (
        <p className="mt-5 text-ink2">No token is in use.</p>
      ) : (
        <table className="w-full mt-5">
          <thead>
            <tr className="text-left text-ink2 text-[0.88rem] border-b border-line">
              <th className="font-normal py-1">Token</th>
              <th className="font-normal max-sm:hidden">Made</th>
              <th className="font-normal">Last used</th>
              <th>
                <span className="sr-only">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {view.tokens.map((t) => (
              <tr key={t.id} className="border-b border-line2">
                <td className="py-2">
                  <b>{t.name}</b>
                  <span className="text-ink2"> · begins {t.hint}</span>
                </td>
                <td className="max-sm:hidden">{shortDate(Date.parse(t.createdAt), view.timeZone)}</td>
                <td>{t.lastUsedAt ? shortDate(Date.parse(t.lastUsedAt), view.timeZone) : 'never'}</td>
                <td className="text-right whitespace-nowrap">
                  {asking === t.id ? (
                    <>
                      <span className="text-plum font-semibold mr-2">For good?</span>
                      <button
                        type="button"
                        className="btn"
                        disabled={revoke.busy}
                        onClick={async () => {
                          if (await revoke.send({ id: t.id })) router.refresh()
                          setAsking(null)
                        }}
                      >
                        Revoke {t.name}
                      </button>{' '}
                      <button type="button" className="btn" onClick={() => setAsking(null)}>
                        Keep it
                      </button>
                    </>
                  ) : (
                    <button
                      type="button"
                      className="btn"
                      onClick={() => setAsking(t.id)}
                      aria-label={`Revoke ${t.name}`}
                    >
                      Revoke
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <ProblemNote problem={revoke.problem} />
    </section>
  )
}
