'use client'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import type { ShutStop } from '@/server/read/week'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { writtenDay } from '@/ui/when'

/** As many as are named; the board has all. */
const SHOWN = 3

/** What of the next two weeks cannot be done where it stands, by the forecast and the gates as they are now; asked for beside the page. */
export function Unsettled() {
  const may = useMay()('take-week')
  const [shut, setShut] = useState<ShutStop[]>([])
  useEffect(() => {
    if (!may) return
    const gone = new AbortController()
    fetch('/api/week/shut', { signal: gone.signal })
      .then(async (answer) => {
        if (answer.ok) setShut(((await answer.json()) as { value: ShutStop[] }).value)
      })
      .catch(() => {})
    return () => gone.abort()
  }, [may])
  if (shut.length === 0) return null
  return (
    <Note as="section" says="water" className="mt-4" aria-label="What would move">
      <p>
        <b>
          {shut.length === 1
            ? 'One stop cannot be done where it stands'
            : `${shut.length} stops cannot be done where they stand`}
        </b>
        , as the days look now.{' '}
        <Link href="/week" className="underline underline-offset-2">
          Plan the week →
        </Link>
      </p>
      <ul>
        {shut.slice(0, SHOWN).map((s) => (
          <li key={s.stop}>
            {writtenDay(s.date)}, {s.name}: {s.why}
          </li>
        ))}
        {shut.length > SHOWN && <li>and {shut.length - SHOWN} more</li>}
      </ul>
    </Note>
  )
}
