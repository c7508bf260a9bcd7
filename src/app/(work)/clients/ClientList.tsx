'use client'
import { useMemo, useState } from 'react'
import type { ClientsView } from '@/server/read/clients'
import { Field } from '@/ui/fields/Field'
import { ButtonLink } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { May } from '@/ui/shell/may'

/** Clients by name, filtered as you type. */
export function ClientList({ view }: { view: ClientsView }) {
  const [text, setText] = useState('')
  const shown = useMemo(() => {
    const wanted = text.trim().toLowerCase()
    return view.clients.filter((c) => `${c.name} ${c.contact ?? ''}`.toLowerCase().includes(wanted))
  }, [view.clients, text])
  return (
    <div className="max-w-3xl">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto">Clients</h1>
        <May step="add-client">
          <ButtonLink href="/clients/new" now>
            Enter a client
          </ButtonLink>
        </May>
      </div>
      {view.clients.length === 0 ? (
        <p className="py-6 text-ink2">
          There is no client yet. Enter the first, then their site, then its trees.
        </p>
      ) : (
        <>
          <div className="max-w-sm mt-3">
            <Field
              label="Filter by client or contact"
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          </div>
          <ul className="border-t border-line mt-3">
            {shown.map((c) => (
              <li key={c.id} className="border-b border-line">
                <Link
                  href={`/clients/${c.id}`}
                  className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 py-3 no-underline hover:bg-sheet"
                >
                  <span>
                    <span className="font-head font-bold text-lead block">{c.name}</span>
                    <span className="text-ink2">
                      {c.joined
                        ? 'joined with another client'
                        : c.away
                          ? 'put away'
                          : [c.contact, c.telephone].filter(Boolean).join(' · ') || 'no contact yet'}
                    </span>
                  </span>
                  <span className="pr-2">
                    {c.sites} {c.sites === 1 ? 'site' : 'sites'}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {shown.length === 0 && <p className="py-4 text-ink2">No client has that name. Clear the filter.</p>}
          {view.more && (
            <p className="py-3 text-ink2">Only the first 1,000 are listed; find the others with / .</p>
          )}
        </>
      )}
      <p className="mt-4">
        <Link href={view.archived ? '/clients' : '/clients?away=shown'}>
          {view.archived ? 'Hide those that are put away' : 'Show those that are put away too'}
        </Link>
      </p>
    </div>
  )
}
