'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { CardView } from '@/server/read/shelf'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { writtenDate } from '@/ui/when'

/** The lots of a card: which are good, and one more put on the shelf. */
export function Lots({ view, code }: { view: CardView; code: string }) {
  const may = useMay()
  const router = useRouter()
  const verb = useVerb('enter-lot', { makes: 'id' })
  const [number, setNumber] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const at = (field: string) => (verb.problem?.field === field ? verb.problem.message : null)
  return (
    <section aria-labelledby="lots">
      <h2 id="lots">Lots on the shelf</h2>
      {view.lots.length === 0 && <p className="mt-1">None. A record needs the lot it was put on from.</p>}
      <ul className="border-t border-line2 mt-1">
        {view.lots.map((l) => {
          const expired = l.expiresOn !== null && l.expiresOn < view.today
          return (
            <li key={l.id} className="border-b border-line2 py-1.5">
              <span className="flex justify-between gap-3">
                <b>{l.number}</b>
                <span className={l.withdrawnOn !== null || expired ? 'tag tag-plum' : ''}>
                  {l.withdrawnOn !== null
                    ? `called back ${writtenDate(l.withdrawnOn)}`
                    : l.expiresOn === null
                      ? 'no last day'
                      : expired
                        ? `expired ${writtenDate(l.expiresOn)}`
                        : `good to ${writtenDate(l.expiresOn)}`}
                </span>
              </span>
              {l.withdrawnOn === null ? (
                may('withdraw-lot') && <CallBack lot={l} />
              ) : (
                <CalledBack lot={l} putOn={view.putOn.filter((p) => p.lot === l.number)} />
              )}
            </li>
          )
        })}
      </ul>
      {may('enter-lot') && (
        <form
          className="grid gap-2 mt-3 no-print"
          onSubmit={async (e) => {
            e.preventDefault()
            const kept = await verb.send({ code, number, expiresOn: expiresOn || null })
            if (!kept) return
            setNumber('')
            setExpiresOn('')
            router.refresh()
          }}
        >
          <Field
            label="Lot, off the package"
            value={number}
            onChange={(e) => setNumber(e.target.value)}
            problem={at('number')}
            maxLength={60}
            autoComplete="off"
          />
          <Field
            label="Last day"
            type="date"
            value={expiresOn}
            onChange={(e) => setExpiresOn(e.target.value)}
            problem={at('expiresOn')}
          />
          <Button type="submit" className="justify-self-start" disabled={verb.busy}>
            Put on the shelf
          </Button>
          <ProblemNote
            problem={verb.problem && at('number') === null && at('expiresOn') === null ? verb.problem : null}
            onAnew={verb.renew}
          />
        </form>
      )}
    </section>
  )
}

/** Calls a lot back, with the reason: nothing is put on from it any more. */
function CallBack({ lot }: { lot: CardView['lots'][number] }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('withdraw-lot')
  const [why, setWhy] = useState('')
  return (
    <details className="no-print">
      <summary className="cursor-pointer underline underline-offset-2 text-small py-1 max-sm:py-3">
        Call lot {lot.number} back
      </summary>
      <form
        className="grid gap-2"
        noValidate
        onSubmit={async (e) => {
          e.preventDefault()
          if ((await send({ lotId: lot.id, why })) !== null) router.refresh()
        }}
      >
        <Field
          label="Why it is called back"
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          problem={problem?.field === 'why' ? problem.message : null}
        />
        <ProblemNote problem={problem?.field === 'why' ? null : problem} />
        <Button type="submit" className="justify-self-start" disabled={busy}>
          Call it back
        </Button>
      </form>
    </details>
  )
}

/** Why a lot was called back, and the records of what was put on from it. */
function CalledBack({ lot, putOn }: { lot: CardView['lots'][number]; putOn: CardView['putOn'] }) {
  return (
    <div className="text-small">
      <p>{lot.withdrawnWhy}</p>
      {putOn.length === 0 ? (
        <p className="text-ink2">Nothing was put on from it.</p>
      ) : (
        <ul>
          {putOn.map((p) => (
            <li key={p.recordId}>
              <Link href={`/ledger/${p.recordId}`} className="underline underline-offset-2 inline-block py-1">
                Record {p.seq}
              </Link>
              , {writtenDate(p.on)}, {p.siteName}, {p.trees} {p.trees === 1 ? 'tree' : 'trees'}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
