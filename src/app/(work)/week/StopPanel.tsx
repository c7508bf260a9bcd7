'use client'
import { Link } from '@/ui/pieces/Link'
import { useEffect, useRef } from 'react'
import { againstPut } from '@/core/roster/board'
import { sayMinutes } from '@/core/methods/sayTime'
import { Choice } from '@/ui/fields/Choice'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { writtenDate, writtenDay } from '@/ui/when'
import { workOf } from './StopCard'
import type { Shown, WeekState } from './useWeek'

/** A stop in full: what is done, when it is due, what each day says to it, and where it is put, for hands that do not drag. */
export function StopPanel({
  asked,
  week,
  may,
  onClose,
}: {
  asked: Shown
  week: WeekState
  may: boolean
  onClose: () => void
}) {
  const { stop } = asked
  const put = week.board.get(stop.id)!
  const crews = week.roster.crews
  const fixed = stop.begun || !may
  const panel = useRef<HTMLElement>(null)
  // In one column it opens below the board.
  useEffect(() => {
    const at = panel.current
    if (at && at.getBoundingClientRect().top > window.innerHeight - 160) at.scrollIntoView({ block: 'start' })
  }, [stop.id])
  const crew = crews.find((c) => c.id === put.crewId) ?? null
  return (
    <section
      ref={panel}
      aria-label="This stop"
      className="no-print bg-paper border border-line rounded-sm p-3"
    >
      <div className="flex justify-between gap-2 items-start">
        <h2>
          {asked.site}
          {stop.block && `, ${stop.block}`}
        </h2>
        <Button quiet onClick={onClose}>
          Close
        </Button>
      </div>
      <p>
        {workOf(stop)}, {sayMinutes(stop.minutes)}
      </p>
      {asked.pace !== null && <p className="text-small text-ink2">{asked.pace}</p>}
      <p className="text-small text-ink2">{stop.cards.join(', ')}</p>
      {asked.note && <p className="text-small text-straw">{asked.note}</p>}
      <p className="text-small">
        {stop.dueFrom && `From ${writtenDate(stop.dueFrom)}, `}due by {writtenDate(stop.dueTo)}
        {stop.jobId && (
          <>
            {' · '}
            <Link href={`/run/${stop.jobId}`} className="underline underline-offset-2">
              open the job
            </Link>
          </>
        )}
      </p>
      {stop.anew > 0 && (
        <Note says="stop" className="mt-2">
          {stop.jobId === null
            ? 'Its card was replaced since it was signed: end it with the reason, and prescribe it by the newer card.'
            : `At ${stop.anew} of ${stop.trees} trees what it rests on has changed: the arborist takes it back and prescribes anew before anything is begun.`}
        </Note>
      )}
      {stop.begun && <Note className="mt-2">Work there has begun; it stays on its day.</Note>}
      {!fixed && (
        <div className="grid grid-cols-2 gap-2 mt-2">
          <Choice
            label="Day"
            value={put.date ?? ''}
            options={[
              ...(put.date === null ? [['', 'on no day yet'] as const] : []),
              ...(put.date !== null && !week.roster.days.includes(put.date)
                ? [[put.date, writtenDay(put.date)] as const]
                : []),
              ...week.roster.days.map((d) => [d, writtenDay(d)] as const),
            ]}
            onValue={(date) => date !== '' && week.put(stop.id, { crewId: put.crewId, date })}
          />
          <Choice
            label="Crew"
            value={put.crewId ?? ''}
            options={[['', 'no crew yet'], ...crews.map((c) => [c.id, c.name] as const)]}
            onValue={(id) =>
              week.put(stop.id, { crewId: id === '' ? null : id, date: put.date ?? week.roster.days[0]! })
            }
          />
        </div>
      )}
      {!fixed && put.crewId !== null && (
        <label className="flex items-center gap-2 mt-2 min-h-8">
          <input
            type="checkbox"
            checked={put.pinned}
            onChange={(e) => week.pin(stop.id, e.target.checked)}
            className="size-5 accent-[var(--color-rust)]"
          />
          Keep it here when the week is planned again
        </label>
      )}
      <h3 className="font-head font-bold mt-3">What each day says{crew ? `, with ${crew.name}` : ''}</h3>
      {asked.days.length === 0 ? (
        <p className="text-small text-ink2">Asked of every tree; a moment.</p>
      ) : (
        <ul className="text-small">
          {week.roster.days.map((date) => {
            const against = againstPut(week.roster, crew, date, asked)
            return (
              <li key={date} className="grid grid-cols-[84px_minmax(0,1fr)] gap-2 border-t border-line py-1">
                <b>{writtenDay(date)}</b>
                <span className={against.length > 0 ? 'text-plum' : 'text-moss'}>
                  {against.length > 0 ? against.join(' ') : 'may be done'}
                </span>
              </li>
            )
          })}
        </ul>
      )}
    </section>
  )
}
