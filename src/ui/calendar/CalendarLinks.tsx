'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { ShownOnce } from '@/ui/pieces/ShownOnce'
import { useMay } from '@/ui/shell/may'
import { shortDate } from '@/ui/when'

/** Links under which a calendar program reads the days of a crew or of a client: made, shown once, ended for good. */
export function CalendarLinks({
  of,
  links,
  timeZone,
}: {
  of: { crewId: string | null; clientId: string | null }
  links: readonly { id: string; madeBy: string; madeAt: Date; lastUsedAt: Date | null }[]
  timeZone: string
}) {
  const router = useRouter()
  const may = useMay()
  const make = useVerb('make-calendar-link', { makes: 'id' })
  const end = useVerb('end-calendar-link')
  const [made, setMade] = useState<string | null>(null)
  if (!may('make-calendar-link')) return null

  async function add() {
    const done = await make.send(of)
    if (done === null) return
    setMade(`${window.location.origin}/api/calendar/${done.link}.ics`)
    router.refresh()
  }

  return (
    <details className="no-print basis-full order-last text-small">
      <summary className="underline underline-offset-2 cursor-pointer py-1">
        {links.length === 0
          ? 'Calendar link'
          : `${links.length} calendar ${links.length === 1 ? 'link' : 'links'}`}
      </summary>
      <p className="text-ink2 max-w-prose">
        {of.crewId
          ? 'A calendar program on a phone shows this crew’s days. '
          : 'The client’s calendar shows when somebody comes. '}
        Whoever has the link can read it, without signing in; end it when it is in the wrong hands.
      </p>
      <ul>
        {links.map((l) => (
          <li key={l.id} className="flex flex-wrap items-center gap-x-3">
            <span>
              made {shortDate(l.madeAt, timeZone)} by {l.madeBy},{' '}
              {l.lastUsedAt ? `last read ${shortDate(l.lastUsedAt, timeZone)}` : 'never read'}
            </span>
            <Button
              quiet
              disabled={end.busy}
              onClick={async () => {
                if ((await end.send({ linkId: l.id })) !== null) router.refresh()
              }}
            >
              End it
            </Button>
          </li>
        ))}
      </ul>
      {made ? (
        <ShownOnce secret={made} onKept={() => setMade(null)} className="mt-1">
          This is the only time the link is shown. Copy it into the calendar now.
        </ShownOnce>
      ) : (
        <Button className="mt-1" disabled={make.busy} onClick={() => void add()}>
          Make a link
        </Button>
      )}
      <ProblemNote problem={make.problem ?? end.problem} />
    </details>
  )
}
