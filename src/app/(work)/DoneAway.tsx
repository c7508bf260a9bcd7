'use client'
import type { todayView } from '@/server/read/today'
import { useGo } from '@/ui/shell/useGo'
import { useVerb } from '@/ui/fields/useVerb'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { clockTime, shortDate } from '@/ui/when'

/** What a crew did without a signal, otherwise than it stood by then; until the arborist has seen it. */
export function DoneAway({
  away,
  timeZone,
}: Pick<Awaited<ReturnType<typeof todayView>>, 'away'> & { timeZone: string }) {
  const { send, busy, problem } = useVerb('see-away')
  const go = useGo()
  if (away.length === 0) return null
  return (
    <Note as="section" says="stop" className="mt-4" aria-label="Done without a signal">
      <ul>
        {away.map((d) => (
          <li key={d.id} className="py-1">
            <Link href={`/trees/${d.treeId}`} className="font-bold underline underline-offset-2">
              {d.tag}
            </Link>
            , {d.siteName}: {d.words}
            <span className="text-ink2">
              {' '}
              · {d.by}, entered {shortDate(d.enteredAt, timeZone)}, {clockTime(d.enteredAt, timeZone)}
            </span>
          </li>
        ))}
      </ul>
      <ProblemNote problem={problem} />
      <Button
        className="mt-2"
        disabled={busy}
        onClick={async () => {
          if ((await send({ ids: away.map((d) => d.id) })) !== null) go('/')
        }}
      >
        Seen
      </Button>
    </Note>
  )
}
