'use client'
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
            <li key={l.id} className="border-b border-line2 py-1.5 flex justify-between gap-3">
              <b>{l.number}</b>
              <span className={expired ? 'tag tag-plum' : ''}>
                {l.expiresOn === null
                  ? 'no last day'
                  : expired
                    ? `expired ${writtenDate(l.expiresOn)}`
                    : `good to ${writtenDate(l.expiresOn)}`}
              </span>
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
