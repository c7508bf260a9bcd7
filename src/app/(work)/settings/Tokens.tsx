'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { SettingsView } from '@/server/read/settings'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { shortDate } from '@/ui/when'
import { Button } from '@/ui/pieces/Button'
import { ShownOnce } from '@/ui/pieces/ShownOnce'
import { DataTable } from '@/ui/pieces/DataTable'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { makeTokenAsks } from '@/asks/house'

/** The person's tokens: made with a name, shown once, revoked for good. */
export function Tokens({ view }: { view: SettingsView }) {
  const router = useRouter()
  const make = useStep('make-token', 'id')
  const revoke = useVerb('revoke-token')
  const [made, setMade] = useState<{ name: string; token: string } | null>(null)
  const [asking, setAsking] = useState<string | null>(null)

  return (
    <section aria-label="Tokens">
      <h1>Tokens</h1>
      <p className="text-ink2 mt-1.5 max-w-prose">
        A token lets a program ask as you. Give each program its own, so that one can be revoked alone.
      </p>
      <AskedForm
        asks={makeTokenAsks}
        start={{ name: '' }}
        by={make}
        again
        onDone={({ token }, { name }) => {
          setMade({ name: String(name).trim(), token })
          router.refresh()
        }}
        keep="Make token"
        className="grid gap-2 mt-3 max-w-sm"
      >
        <Asked at="name" maxLength={120} />
      </AskedForm>
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
