'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { codeAsks } from '@/asks/house'
import type { OwnView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

/** A second factor of one’s own: begun with a drawing, shown to work by a code, and then asked when signing in. */
export function Factor({ view }: { view: OwnView }) {
  const router = useRouter()
  const start = useVerb('start-factor')
  const confirm = useStep('confirm-factor')
  const end = useStep('end-factor')
  const [begun, setBegun] = useState<{ secret: string; svg: string } | null>(null)
  const [codes, setCodes] = useState<readonly string[] | null>(null)
  const [ending, setEnding] = useState(false)
  return (
    <section>
      <h2>Second factor</h2>
      {codes ? (
        <Note as="div" says="good" className="mt-2" role="status">
          <p>
            It is asked from now on. These ten codes each work once, when your app is not at hand. Print them
            or write them down: they are shown only now.
          </p>
          <ul className="grid grid-cols-2 gap-x-6 mt-2 font-mono" aria-label="Recovery codes">
            {codes.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
          <Button
            className="mt-3"
            onClick={() => {
              setCodes(null)
              router.refresh()
            }}
          >
            I have them
          </Button>
        </Note>
      ) : view.hasFactor ? (
        ending ? (
          <AskedForm
            asks={codeAsks}
            start={{ code: '' }}
            by={end}
            onDone={() => {
              setEnding(false)
              router.refresh()
            }}
            keep="End it"
            onLeave={() => setEnding(false)}
            className="grid gap-3 mt-2 max-w-sm"
          >
            <Asked at="code" autoFocus autoComplete="one-time-code" />
          </AskedForm>
        ) : (
          <>
            <p className="mt-1">A code of your app is asked when you sign in.</p>
            <Button className="mt-2" onClick={() => setEnding(true)}>
              End it
            </Button>
          </>
        )
      ) : begun ? (
        <>
          <p className="mt-1">Scan this with the app that keeps your codes, then type the code it shows.</p>
          {/* The drawing is made by our own server and holds nothing else. */}
          <div
            className="bg-white w-[200px] border border-line mt-2 [&>svg]:w-full [&>svg]:h-auto"
            role="img"
            aria-label="The secret as a square code"
            dangerouslySetInnerHTML={{ __html: begun.svg }}
          />
          <p className="text-small text-ink2 mt-1 break-all">
            or type it: {begun.secret.replace(/(.{4})/g, '$1 ')}
          </p>
          <AskedForm
            asks={codeAsks}
            start={{ code: '' }}
            by={confirm}
            onDone={({ recoveryCodes }) => {
              setBegun(null)
              setCodes(recoveryCodes)
            }}
            keep="It works"
            onLeave={() => setBegun(null)}
            className="grid gap-3 mt-2 max-w-sm"
          >
            <Asked at="code" autoFocus autoComplete="one-time-code" />
          </AskedForm>
        </>
      ) : (
        <>
          <p className="mt-1">
            {view.factorAsked
              ? 'Your firm asks one of whoever signs: a code from an app, beside the password.'
              : 'A code from an app, beside the password.'}
          </p>
          <Button
            className="mt-2"
            disabled={start.busy}
            onClick={async () => {
              const made = await start.send({})
              if (made) setBegun(made)
            }}
          >
            Set one up
          </Button>
          <ProblemNote problem={start.problem} />
        </>
      )}
    </section>
  )
}
