import type { ReactNode } from 'react'
import type { Crew } from '@/core/roster/crew'
import type { WeekView } from '@/server/read/week'
import { useWide } from '@/ui/pieces/useWide'
import { writtenDay } from '@/ui/when'
import { DayFoot } from './DayFoot'
import { DayHead } from './DayHead'
import type { WeekState } from './useWeek'

/** The week day after day, for the hand and on paper. */
export function BoardList({
  view,
  week,
  printing,
  days,
  cardsOf,
}: {
  view: WeekView
  week: WeekState
  printing: boolean
  days: readonly string[]
  cardsOf: (crew: Crew | null, date: string) => ReactNode
}) {
  const wide = useWide()
  if (wide && !printing) return null
  // What comes with the page is its first day; the others as soon as it is known that they are wanted.
  const shown = wide === null ? days.slice(0, 1) : days
  return (
    <div className="lg:hidden print:!block">
      {shown.map((date) => (
        <section key={date} aria-label={writtenDay(date)} className="mb-4">
          <DayHead date={date} view={view} />
          {[...week.roster.crews, null].map((crew) => {
            const cards = cardsOf(crew, date)
            if (cards === null) return null
            return (
              <div key={crew?.id ?? 'none'} className="mt-1">
                <h3 className="text-small text-ink2">{crew?.name ?? 'No crew yet'}</h3>
                <div className="grid gap-1">
                  {cards}
                  {crew && <DayFoot day={week.dayOf(crew, date)} away={[]} />}
                </div>
              </div>
            )
          })}
        </section>
      ))}
    </div>
  )
}
