'use client'
import { useEffect, useState } from 'react'
import type { ShortView } from '@/server/read/load'
import { Link } from '@/ui/pieces/Link'
import { Note } from '@/ui/pieces/Note'
import { fromToday } from '@/ui/when'

/**
 * What all trucks of today and tomorrow want more of than the shelf holds, before anybody looks for it in the yard. It is worked out after
 * the page is shown, and stands where nothing moves for it.
 */
export function ShortOnShelf({ today }: { today: string }) {
  const [short, setShort] = useState<ShortView>([])
  useEffect(() => {
    let here = true
    fetch('/api/short', { cache: 'no-store' })
      .then(async (answer) => {
        if (!answer.ok) return
        const { value } = (await answer.json()) as { value: ShortView }
        if (here) setShort(value)
      })
      // Out of reach: the load-out says it as well.
      .catch(() => {})
    return () => {
      here = false
    }
  }, [])
  if (short.length === 0) return null
  return (
    <Note as="section" says="stop" className="mt-4" aria-label="Short on the shelf">
      <h2>Short on the shelf</h2>
      <ul>
        {short.map((s) => (
          <li key={`${s.date} ${s.key}`} className="mt-1.5">
            <b>{s.name}</b>, {fromToday(s.date, today)}. {s.short}{' '}
            <Link href={`/shelf/${s.code}`} className="underline underline-offset-2">
              Its lots
            </Link>
          </li>
        ))}
      </ul>
    </Note>
  )
}
