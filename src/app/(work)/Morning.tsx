'use client'
import type { AsJson } from '@/core/asJson'
import { Link } from '@/ui/pieces/Link'
import { useEffect, useState } from 'react'
import { sayClock } from '@/core/roster/span'
import type { MorningView } from '@/server/read/week'
import { askFor } from '@/ui/fields/askFor'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { writtenDay } from '@/ui/when'

/** As many as are named; the board has all. */
const SHOWN = 4

/** In which hours today’s work may be done, and what of the next two weeks cannot be done where it stands; asked for beside the page. */
export function Morning() {
  const may = useMay()('take-week')
  const [view, setView] = useState<AsJson<MorningView> | null>(null)
  useEffect(() => {
    const gone = new AbortController()
    void askFor<MorningView>('/api/week/morning', gone.signal).then((asked) => asked && setView(asked))
    return () => gone.abort()
  }, [])
  if (!view) return null
  const { today, shut } = view
  return (
    <>
      {today.length > 0 && (
        <section aria-label="Hours of today’s work" className="mt-4">
          <h2 className="text-small text-ink2 font-text font-normal">Hours of today’s work</h2>
          <ul>
            {today.slice(0, SHOWN).map((t) => (
              <li key={t.name}>
                <b>{t.name}</b>{' '}
                <span className={t.closed ? 'text-plum' : 'text-moss'}>
                  {t.closed ??
                    (t.open === null
                      ? 'any hour'
                      : t.open.map((s) => `${sayClock(s.from)} to ${sayClock(s.to)}`).join(', '))}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {may && shut.length > 0 && (
        <Note as="section" says="water" className="mt-4" aria-label="What would move">
          <p>
            <b>
              {view.stops === 1
                ? 'One stop cannot be done where it stands'
                : `${view.stops} stops cannot be done where they stand`}
            </b>
            , by the forecast and the crews as they are now.{' '}
            <Link href="/week" className="underline underline-offset-2">
              Plan the week →
            </Link>
          </p>
          <ul>
            {shut.slice(0, SHOWN).map((s) => (
              <li key={`${s.date} ${s.name}`}>
                {writtenDay(s.date)}, {s.name}: {s.why}
              </li>
            ))}
            {shut.length > SHOWN && <li>and {shut.length - SHOWN} more</li>}
          </ul>
        </Note>
      )}
    </>
  )
}
