'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { NOTICES } from '@/core/place/notices'
import type { ClientWholeView } from '@/server/read/clients'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { May, useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'

const ChangeClient = afterPage(() => import('./ChangeClient'), 'ChangeClient')

/** A client: whom to ring, their sites, and what the office may do with it. */
export function ClientPage({ view }: { view: ClientWholeView }) {
  const may = useMay()
  const [changing, setChanging] = useState(false)
  const { client } = view
  const isAway = client.archivedAt !== null
  return (
    <div className="max-w-3xl">
      <p className="text-ink2">
        <Link href="/clients">Clients</Link>
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto">{client.name}</h1>
        {!isAway && (
          <May step="add-site">
            <ButtonLink href={`/clients/${client.id}/new-site`} now={view.sites.length === 0}>
              Enter a site
            </ButtonLink>
          </May>
        )}
        {!isAway && may('change-client') && !changing && (
          <Button quiet onClick={() => setChanging(true)}>
            Change
          </Button>
        )}
      </div>
      {view.joinedInto && (
        <Note className="mt-2">
          This was listed twice. It stands at{' '}
          <Link href={`/clients/${view.joinedInto.id}`}>{view.joinedInto.name}</Link>.
        </Note>
      )}
      {changing ? <ChangeClient view={view} onDone={() => setChanging(false)} /> : <About view={view} />}
      <section className="mt-6">
        <h2>Sites</h2>
        {view.sites.length === 0 ? (
          <p className="text-ink2 mt-1">None yet.</p>
        ) : (
          <ul className="border-t border-line mt-2">
            {view.sites.map((s) => (
              <li key={s.id} className="border-b border-line">
                <Link
                  href={`/grounds/${s.id}`}
                  className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 py-3 no-underline hover:bg-sheet"
                >
                  <span>
                    <b>{s.name}</b>
                    <span className="block text-ink2">{s.away ? 'put away' : s.address}</span>
                  </span>
                  <span className="pr-2">
                    {s.trees.toLocaleString('en-US')} {s.trees === 1 ? 'tree' : 'trees'}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        )}
      </section>
      <Told view={view} />
      {client.joinedInto === null && <PutAway view={view} />}
    </div>
  )
}

function About({ view: { client } }: { view: ClientWholeView }) {
  return (
    <div className="mt-2">
      {client.contacts.map((c, i) => (
        <p key={i}>
          <b>{c.name}</b>
          {c.role && `, ${c.role}`}
          {c.telephone && (
            <>
              {' · '}
              <a href={`tel:${c.telephone.replace(/[^+\d]/g, '')}`}>{c.telephone}</a>
            </>
          )}
          {c.email && (
            <>
              {' · '}
              <a href={`mailto:${c.email}`}>{c.email}</a>
            </>
          )}
        </p>
      ))}
      {client.contact && <p>{client.contact}</p>}
      <p className="text-ink2">
        Wants to be told of work: {NOTICES.find(([n]) => n === client.notices)?.[1]}.
      </p>
      {client.note && <p className="mt-1 whitespace-pre-line">{client.note}</p>}
    </div>
  )
}

/** What they were told of work, each in its own words. */
function Told({ view: { sent, timeZone } }: { view: ClientWholeView }) {
  if (sent.length === 0) return null
  return (
    <section className="mt-6">
      <h2>Told of work</h2>
      <ul className="border-t border-line mt-2">
        {sent.map((m) => (
          <li key={m.id} className="border-b border-line py-2">
            <details>
              <summary className="cursor-pointer py-1">
                <b>{m.subject}</b>
                <span className="text-ink2">
                  {' '}
                  · {shortDate(m.at, timeZone)}, {clockTime(m.at, timeZone)}, by {m.by} to {m.to}
                </span>
              </summary>
              <p className="mt-1 pl-3 border-l-2 border-line whitespace-pre-line">{m.body}</p>
              <p className="mt-1 pl-3">
                <Link href={`/run/${m.jobId}`}>The job it is about</Link>
              </p>
            </details>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Seldom needed: put away, taken back, or joined with the client it is. */
function PutAway({ view }: { view: ClientWholeView }) {
  const may = useMay()
  const router = useRouter()
  const away = useVerb('archive-client')
  const join = useVerb('join-clients')
  const [into, setInto] = useState('')
  const isAway = view.client.archivedAt !== null
  if (!may('archive-client')) return null
  return (
    <details className="mt-8" open={isAway}>
      <summary className="cursor-pointer py-2">Put away, or listed twice</summary>
      <div className="border-l-2 border-line pl-3 grid gap-4 mt-1">
        <div>
          <p>
            {isAway
              ? 'This client is put away. What was recorded stays.'
              : 'Put away, the client is not offered any more. What was recorded stays.'}
          </p>
          <Button
            className="mt-2"
            disabled={away.busy}
            onClick={async () => {
              if (await away.send({ clientId: view.client.id, away: !isAway })) router.refresh()
            }}
          >
            {isAway ? 'Take back' : 'Put away'}
          </Button>
          <ProblemNote problem={away.problem} />
        </div>
        {view.others.length > 0 && (
          <div className="max-w-sm">
            <Choice
              label="The same as this client, listed twice"
              hint="all its sites, trees and records stand there then"
              options={[['', 'choose'], ...view.others.map((o) => [o.id, o.name] as const)]}
              value={into}
              onValue={setInto}
            />
            <Button
              className="mt-2"
              disabled={into === '' || join.busy}
              onClick={async () => {
                if (await join.send({ clientId: view.client.id, intoId: into }))
                  router.push(`/clients/${into}`)
              }}
            >
              Join them
            </Button>
            <ProblemNote problem={join.problem} />
          </div>
        )}
      </div>
    </details>
  )
}
