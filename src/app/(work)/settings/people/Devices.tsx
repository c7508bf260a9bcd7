'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { PeopleView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { clockTime, shortDate } from '@/ui/when'

/** Where a person is signed in and when each device was last heard; one that is lost is ended, and empties itself when it next asks. */
export function Devices({
  devices,
  timeZone,
}: {
  devices: PeopleView['people'][number]['devices']
  timeZone: string
}) {
  const router = useRouter()
  const end = useVerb('end-device')
  const [asked, setAsked] = useState<string | null>(null)
  return (
    <>
      <ul className="border-t border-line2 mt-2">
        {devices.map((d) => (
          <li key={d.id} className="border-b border-line2 py-1.5 flex flex-wrap items-center gap-x-4 gap-y-1">
            <span className="mr-auto">
              {d.device ?? 'a device that does not say what it is'}
              {d.here && <b> · in your hand</b>}
              <span className="text-ink2">
                {' '}
                · last heard {shortDate(d.heardAt, timeZone)}, {clockTime(d.heardAt, timeZone)}
              </span>
            </span>
            {!d.here && asked !== d.id && (
              <Button
                quiet
                aria-label={`End this device: ${d.device ?? 'unnamed'}`}
                onClick={() => setAsked(d.id)}
              >
                End this device
              </Button>
            )}
            {asked === d.id && (
              <span className="basis-full flex flex-wrap items-center gap-3">
                <span>
                  It is signed out at once, and empties itself when it next asks: what was pressed there and
                  not sent is lost.
                </span>
                <Button
                  disabled={end.busy}
                  onClick={async () => {
                    if ((await end.send({ sessionId: d.id })) === null) return
                    setAsked(null)
                    router.refresh()
                  }}
                >
                  End and empty it
                </Button>
                <Button quiet onClick={() => setAsked(null)}>
                  Leave it
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      <ProblemNote problem={end.problem} />
    </>
  )
}
