'use client'
import type { ReactNode } from 'react'
import { againstPut } from '@/core/roster/board'
import { crewOn, type Crew } from '@/core/roster/crew'
import type { WeekView } from '@/server/read/week'
import { Button } from '@/ui/pieces/Button'
import { writtenDay } from '@/ui/when'
import { DayCell } from './DayCell'
import { Away, DayFoot } from './DayFoot'
import { DayHead } from './DayHead'
import type { Shown, WeekState } from './useWeek'

/** Crews by days, onto whose places stops are dropped. */
export function BoardGrid({
  view,
  week,
  days,
  cardsOf,
  holding,
  onPut,
  pages,
}: {
  view: WeekView
  week: WeekState
  days: readonly string[]
  cardsOf: (crew: Crew | null, date: string) => ReactNode
  /** The stop that is held over the board. */
  holding: Shown | null
  onPut: (stop: string, to: { crewId: string | null; date: string }) => void
  pages: ReactNode
}) {
  const { roster } = week
  return (
    <div
      className="hidden lg:grid print:!hidden gap-1"
      style={{ gridTemplateColumns: `104px repeat(${days.length}, minmax(0, 1fr))` }}
    >
      {pages}
      {days.map((d) => (
        <DayHead key={d} date={d} view={view} />
      ))}
      {[...roster.crews, null].map((crew) => (
        <CrewRow key={crew?.id ?? 'none'} crew={crew}>
          {days.map((date) => {
            const day = crew && week.dayOf(crew, date)
            const on = crew && crewOn(crew, roster, date)
            return (
              <DayCell
                key={date}
                label={`${crew?.name ?? 'No crew yet'}, ${writtenDay(date)}`}
                holding={holding !== null}
                against={holding && (againstPut(roster, crew, date, holding)[0] ?? null)}
                out={on?.out ?? null}
                onDropped={(stop) => onPut(stop, { crewId: crew?.id ?? null, date })}
              >
                {cardsOf(crew, date)}
                {day && day.stops.length > 0 && <DayFoot day={day} away={on?.away ?? []} />}
                {day && day.stops.length === 0 && on?.out === null && (
                  <Away away={on.away} licensed={on.licensed} />
                )}
              </DayCell>
            )
          })}
        </CrewRow>
      ))}
    </div>
  )
}

function CrewRow({ crew, children }: { crew: Crew | null; children: ReactNode }) {
  return (
    <>
      <div className="pt-1 pr-2">
        <p className="font-head font-bold leading-tight">{crew?.name ?? 'No crew yet'}</p>
        {crew?.truck && <p className="text-small text-ink2 leading-tight">{crew.truck}</p>}
      </div>
      {children}
    </>
  )
}

/** On to later days and back. */
export function Pages({
  first,
  columns,
  count,
  onFirst,
}: {
  first: number
  columns: number
  count: number
  onFirst: (first: number) => void
}) {
  if (count <= columns && first === 0) return <span />
  return (
    <div className="no-print flex flex-col items-start pr-2">
      {first > 0 && (
        <Button quiet onClick={() => onFirst(Math.max(0, first - columns))}>
          ← Earlier
        </Button>
      )}
      {first + columns < count && (
        <Button quiet onClick={() => onFirst(Math.min(first + columns, count - columns))}>
          Later →
        </Button>
      )}
    </div>
  )
}
