'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SettingsView } from '@/server/read/settings'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { ShownOnce } from '@/ui/pieces/ShownOnce'
import { DataTable } from '@/ui/pieces/DataTable'

/** The person's tokens: made with a name, shown once, revoked for good. */
export function Tokens({ view }: { view: SettingsView }) {
  const router = useRouter()
  const make = useVerb('make-token', { makes: 'id' })
  const revoke = useVerb('revoke-token')
  const [name, setName] = useState('')
  const [made, setMade] = useState<{ name: string; token: string } | null>(null)
  const [asking, setAsking] = useState<string | null>(null)

  async function send(event: React.FormEvent) {
    event.preventDefault()
    const value = await make.send({ name })
    if (!value) return
    setMade({ name: name.trim(), token: value.token })
    setName('')
    router.refresh()
  }

  return (
    <section aria-label="Tokens">
      <h1>Tokens</h1>
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
        <Button type="submit" now className="mt-[22px]" disabled={make.busy}>
          Make token
        </Button>
      </form>
      {make.problem && make.problem.field !== 'name' && <ProblemNote problem={make.problem} />}
      {made && (
        <ShownOnce key={made.token} secret={made.token} testId="token" onKept={() => setMade(null)}>
          <b>{made.name}</b> is made. This is the only time it is shown; keep it where the program reads it.
        </ShownOnce>
      )}
      {view.tokens.length === 0 ? (
        <p className="mt-5 text-ink2">No token is in use.</p>
      ) : (
        <DataTable
          caption="Tokens in use"
          className="mt-5"
          columns={[
            { head: 'Token' },
            { head: 'Made', wideOnly: true },
            { head: 'Last used' },
            { head: <span className="sr-only">What to do</span>, figures: true },
          ]}
          rows={view.tokens.map((t) => ({
            key: t.id,
            name: (
              <>
                <b>{t.name}</b>
                <span className="text-ink2"> · begins {t.hint}</span>
              </>
            ),
            cells: [
              shortDate(Date.parse(t.createdAt), view.timeZone),
              t.lastUsedAt ? shortDate(Date.parse(t.lastUsedAt), view.timeZone) : 'never',
              asking === t.id ? (
                <>
                  <span className="text-plum font-semibold mr-2">For good?</span>
                  <Button
                    disabled={revoke.busy}
                    onClick={async () => {
                      if (await revoke.send({ id: t.id })) router.refresh()
                      setAsking(null)
                    }}
                  >
                    Revoke {t.name}
                  </Button>{' '}
                  <Button onClick={() => setAsking(null)}>Keep it</Button>
                </>
              ) : (
                <Button onClick={() => setAsking(t.id)} aria-label={`Revoke ${t.name}`}>
                  Revoke
                </Button>
              ),
            ],
          }))}
        />
      )}
      <ProblemNote problem={revoke.problem} />
    </section>
  )
}
