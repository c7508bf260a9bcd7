'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { counted } from '@/core/text/counted'
import { CATEGORIES } from '@/core/roster/licence'
import type { PeopleView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { shortDate, writtenDate } from '@/ui/when'
import { LinkOnce } from './LinkOnce'

const ChangePerson = afterPage(() => import('./ChangePerson'), 'ChangePerson')
const Devices = afterPage(() => import('./Devices'), 'Devices')
const LicenceForm = afterPage(() => import('./LicenceForm'), 'LicenceForm')

type Person = PeopleView['people'][number]

/** One person: what they are, their licences, and what whoever keeps the house may do. */
export function PersonLine({ person: p, view }: { person: Person; view: PeopleView }) {
  const may = useMay()
  const router = useRouter()
  const [open, setOpen] = useState<'change' | 'licence' | 'devices' | null>(null)
  const [link, setLink] = useState<{ link: string; posted: boolean } | null>(null)
  const away = useVerb('put-person-away')
  const again = useVerb('take-person-back')
  const password = useVerb('make-password-link', { makes: 'id' })
  const offFile = useVerb('end-licence')
  const isAway = p.putAwayAt !== null
  const done = () => {
    setOpen(null)
    router.refresh()
  }
  return (
    <li className="border-b border-line py-3">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <div className="mr-auto min-w-[220px]">
          <p className="font-bold">
            {p.name}
            {p.id === view.me && <span className="font-normal text-ink2"> (you)</span>}
          </p>
          <p>
            {p.role}
            {p.keepsHouse && ', keeps the house'} · {p.email}
          </p>
          <p className="text-small text-ink2">
            {isAway
              ? `put away on ${shortDate(p.putAwayAt!, view.timeZone)}`
              : p.lastSeenAt === null
                ? 'never signed in'
                : `last seen ${shortDate(p.lastSeenAt, view.timeZone)}`}
            {p.factorSince !== null && ' · second factor'}
          </p>
        </div>
        {!isAway && (
          <div className="flex flex-wrap gap-2">
            {may('set-person') && (
              <Button
                quiet
                onClick={() => setOpen(open === 'change' ? null : 'change')}
                aria-label={`Change ${p.name}`}
              >
                Change
              </Button>
            )}
            {may('make-password-link') && p.id !== view.me && (
              <Button
                quiet
                disabled={password.busy}
                onClick={async () => {
                  const made = await password.send({ personId: p.id })
                  if (made) setLink(made)
                }}
              >
                New password
              </Button>
            )}
            {may('put-person-away') && (
              <Button
                quiet
                disabled={away.busy}
                aria-label={`Put away ${p.name}`}
                onClick={async () => {
                  if (await away.send({ personId: p.id })) router.refresh()
                }}
              >
                Put away
              </Button>
            )}
          </div>
        )}
        {isAway && may('take-person-back') && (
          <Button
            quiet
            disabled={again.busy}
            aria-label={`Take back ${p.name}`}
            onClick={async () => {
              if (await again.send({ personId: p.id })) router.refresh()
            }}
          >
            Take back
          </Button>
        )}
      </div>
      <ProblemNote problem={away.problem ?? again.problem ?? password.problem} />
      {link && (
        <LinkOnce
          link={link.link}
          onKept={() => setLink(null)}
          says={
            link.posted
              ? `A link for ${p.name} is in the outbox. It works once, within an hour.`
              : `Give this to ${p.name}. It works once, within an hour, and is shown only now.`
          }
        />
      )}
      {may('end-device') && p.devices.length > 0 && (
        <div className="mt-1.5">
          <button
            type="button"
            className="underline underline-offset-2 py-1 text-small"
            aria-expanded={open === 'devices'}
            onClick={() => setOpen(open === 'devices' ? null : 'devices')}
          >
            signed in on {counted(p.devices.length, 'device')}
            <span className="sr-only">: {p.name}</span>
          </button>
          {open === 'devices' && <Devices devices={p.devices} timeZone={view.timeZone} />}
        </div>
      )}
      {open === 'change' && <ChangePerson person={p} onDone={done} onLeave={() => setOpen(null)} />}
      {!isAway && (
        <div className="mt-1.5">
          {p.licences.map((l) => (
            <p key={l.id} className="flex flex-wrap items-center gap-x-3">
              <span>
                Licence {l.number}
                {l.categories.length > 0 &&
                  `, ${CATEGORIES.filter(([c]) => l.categories.includes(c))
                    .map(([, text]) => text)
                    .join(', ')}`}
                {l.state && `, ${l.state}`}
                {l.until ? (
                  <span className={l.ends ? 'text-plum font-semibold' : ''}>
                    {l.left! < 0
                      ? ` · ran out on ${writtenDate(l.until)}`
                      : ` · until ${writtenDate(l.until)}${l.ends ? `, in ${l.left} ${l.left === 1 ? 'day' : 'days'}` : ''}`}
                  </span>
                ) : (
                  ' · no end entered'
                )}
              </span>
              {may('end-licence') && (
                <button
                  type="button"
                  className="underline underline-offset-2 py-1 text-small"
                  aria-label={`take off file: licence ${l.number}`}
                  disabled={offFile.busy}
                  onClick={async () => {
                    if (await offFile.send({ licenceId: l.id })) router.refresh()
                  }}
                >
                  take off file
                </button>
              )}
            </p>
          ))}
          <ProblemNote problem={offFile.problem} />
          {may('add-licence') &&
            (open === 'licence' ? (
              <LicenceForm personId={p.id} onDone={done} onLeave={() => setOpen(null)} />
            ) : (
              <button
                type="button"
                className="underline underline-offset-2 py-1 text-small"
                onClick={() => setOpen('licence')}
                aria-label={`put a licence on file: ${p.name}`}
              >
                put a licence on file
              </button>
            ))}
        </div>
      )}
    </li>
  )
}
