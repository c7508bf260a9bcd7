'use client'
import { againstPut } from '@/core/roster/board'
import { spokenWeekday } from '@/core/time/calendar'
import { Field } from '@/ui/fields/Field'
import type { WeekState } from './useWeek'

/** What found no place and what would open one, and what would be changed and why, before any of it is taken. */
export function Outcome({ week, onChoose }: { week: WeekState; onChoose: (stop: string) => void }) {
  const crewOf = (id: string | null) => week.roster.crews.find((c) => c.id === id) ?? null
  const name = (id: string | null) => crewOf(id)?.name ?? 'no crew yet'
  if (week.moved.length === 0 && week.unplaced.length === 0) return null
  return (
    <div
      className={`grid gap-x-6 gap-y-5 mt-5 ${week.moved.length > 0 && week.unplaced.length > 0 ? 'lg:grid-cols-2' : ''}`}
    >
      {week.moved.length > 0 && (
        <section aria-label="If the changes are taken">
          <h2 className="border-b border-ink pb-1">If the changes are taken</h2>
          <ul className={week.unplaced.length > 0 ? '' : 'lg:columns-2 lg:gap-x-6'}>
            {week.moved.map((s) => {
              const put = week.board.get(s.stop.id)!
              const said = week.whyOf(s)
              const days =
                put.date === s.stop.onDate
                  ? null
                  : `${s.stop.onDate ? spokenWeekday(s.stop.onDate) : 'no day'} → ${put.date ? spokenWeekday(put.date) : 'no day'}`
              const crews =
                put.crewId === s.stop.crewId ? null : `${name(s.stop.crewId)} → ${name(put.crewId)}`
              const kept =
                days === null && crews === null ? (put.pinned ? 'kept where it is' : 'let go again') : null
              return (
                <li key={s.stop.id} className="border-b border-line py-1.5 break-inside-avoid">
                  <button
                    type="button"
                    className="font-bold underline underline-offset-2"
                    onClick={() => onChoose(s.stop.id)}
                  >
                    {s.name}
                  </button>
                  <span className="block text-small">
                    {[days, crews, kept].filter(Boolean).join('; ')}
                    {said && <span className="text-ink2">: {said}</span>}
                    {put.date !== null &&
                      againstPut(week.roster, crewOf(put.crewId), put.date, s).map((w) => (
                        <b key={w} className="block text-plum">
                          {w}
                        </b>
                      ))}
                  </span>
                </li>
              )
            })}
          </ul>
          {week.asksWhy && (
            <div className="mt-2 max-w-md">
              <Field
                label="Why, for what you moved to another day yourself"
                placeholder="the client asked for Thursday"
                value={week.why}
                onChange={(e) => week.setWhy(e.target.value)}
                problem={week.take.problem?.field.endsWith('.why') ? week.take.problem.message : null}
              />
            </div>
          )}
        </section>
      )}
      {week.unplaced.length > 0 && (
        <section aria-label="Not placed">
          <h2 className="border-b border-ink pb-1">Not placed</h2>
          <ul>
            {week.unplaced.map(({ asked, why, wayOut }) => (
              <li key={asked.stop.id} className="border-b border-line py-1.5">
                <button
                  type="button"
                  className="font-bold underline underline-offset-2"
                  onClick={() => onChoose(asked.stop.id)}
                >
                  {asked.name}
                </button>
                <span className="block text-small">
                  {why} <span className="text-ink2">{wayOut}</span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
