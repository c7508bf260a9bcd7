'use client'
import { useRouter } from 'next/navigation'
import type { OwnView } from '@/server/read/house'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { clockTime, shortDate } from '@/ui/when'

/** Where one is signed in; each can be ended, or all but this. */
export function Sessions({ view }: { view: OwnView }) {
  const router = useRouter()
  const one = useVerb('end-session')
  const all = useVerb('end-other-sessions')
  return (
    <section>
      <h2>Where you are signed in</h2>
      <ul className="border-t border-line mt-2">
        {view.sessions.map((s) => (
          <li key={s.id} className="border-b border-line py-2 flex flex-wrap items-center gap-x-4">
            <span className="mr-auto">
              {s.device ?? 'a device that does not say what it is'}
              {s.here && <b> · here</b>}
              <span className="block text-small text-ink2">
                last used {shortDate(s.seenAt, view.timeZone)}, {clockTime(s.seenAt, view.timeZone)}
              </span>
            </span>
            {!s.here && (
              <Button
                quiet
                disabled={one.busy}
                aria-label={`End ${s.device ?? 'this session'}`}
                onClick={async () => {
                  if (await one.send({ sessionId: s.id })) router.refresh()
                }}
              >
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      {view.sessions.length > 1 && (
        <Button
          className="mt-2"
          disabled={all.busy}
          onClick={async () => {
            if (await all.send({})) router.refresh()
          }}
        >
          End all but this
        </Button>
      )}
      <ProblemNote problem={one.problem ?? all.problem} />
    </section>
  )
}
