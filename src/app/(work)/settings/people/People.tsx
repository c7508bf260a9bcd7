'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { useRouter } from 'next/navigation'
import { PersonLine } from './PersonLine'
import { useState } from 'react'
import type { PeopleView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'
import { AskFactor } from './AskFactor'
import { LinkOnce } from './LinkOnce'

const InviteForm = afterPage(() => import('./InviteForm'), 'InviteForm')

/** Everybody who works here, who is asked in, and who was. */
export function People({ view }: { view: PeopleView }) {
  const may = useMay()
  const router = useRouter()
  const [asking, setAsking] = useState(false)
  const [made, setMade] = useState<{ name: string; link: string; posted: boolean } | null>(null)
  const back = useVerb('call-back-invitation')
  const here = view.people.filter((p) => p.putAwayAt === null)
  const away = view.people.filter((p) => p.putAwayAt !== null)
  return (
    <div className="max-w-4xl">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto">People</h1>
        {may('invite') && !asking && (
          <Button now onClick={() => setAsking(true)}>
            Ask somebody in
          </Button>
        )}
      </div>
      {asking && (
        <InviteForm
          onDone={(answer) => {
            setMade(answer)
            setAsking(false)
            router.refresh()
          }}
          onLeave={() => setAsking(false)}
        />
      )}
      {made && (
        <LinkOnce
          link={made.link}
          onKept={() => setMade(null)}
          says={
            made.posted
              ? `The invitation for ${made.name} is in the outbox. It works once, within seven days.`
              : `Send this to ${made.name}. It works once, within seven days, and is shown only now.`
          }
        />
      )}
      <ul className="border-t border-line mt-4">
        {here.map((p) => (
          <PersonLine key={p.id} person={p} view={view} />
        ))}
      </ul>
      {view.invited.length > 0 && (
        <section className="mt-6">
          <h2>Asked in</h2>
          <ul className="border-t border-line mt-2">
            {view.invited.map((i) => (
              <li
                key={i.id}
                className="border-b border-line py-2 flex flex-wrap items-center gap-x-4 gap-y-1"
              >
                <span className="mr-auto">
                  <b>{i.name}</b> · {i.role} · {i.email}
                  <span className="block text-small text-ink2">
                    the link works until {shortDate(i.until, view.timeZone)}
                  </span>
                </span>
                <Button
                  quiet
                  disabled={back.busy}
                  onClick={async () => {
                    if (await back.send({ invitationId: i.id })) router.refresh()
                  }}
                >
                  Call back
                </Button>
              </li>
            ))}
          </ul>
          <ProblemNote problem={back.problem} />
        </section>
      )}
      {away.length > 0 && (
        <section className="mt-6">
          <h2>Put away</h2>
          <p className="text-ink2 mt-1">What they did keeps their name. They cannot sign in.</p>
          <ul className="border-t border-line mt-2">
            {away.map((p) => (
              <PersonLine key={p.id} person={p} view={view} />
            ))}
          </ul>
        </section>
      )}
      {may('ask-factor') && <AskFactor asked={view.factorAsked} />}
      {!view.keepsHouse && (
        <Note className="mt-6">
          People are asked in and put away by whoever keeps the house:{' '}
          {here
            .filter((p) => p.keepsHouse)
            .map((p) => p.name)
            .join(', ')}
          .
        </Note>
      )}
    </div>
  )
}
