import { Link } from '@/ui/pieces/Link'
import { memo } from 'react'
import { addDays, spokenDate } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { PIN_NAME } from '@/ui/ribbon/Pin'
import { writtenDay } from '@/ui/when'
import { idOfWindow, LAST_STAGE_DAYS, sayClosed, sayWindow } from './sayDays'

/** The stage of each kind and what runs on a day. */
function standingOn(view: SeasonView, day: number) {
  return {
    stages: view.stages.flatMap((s) => {
      const stage = s.stages.findLast((x) => x.begins.day <= day)
      if (!stage) return []
      // The last one of the table has no end of its own.
      const past = stage === s.stages.at(-1) && day > stage.begins.day + LAST_STAGE_DAYS
      return [{ kind: s.name, stage: past ? `past ${stage.stage}` : stage.stage }]
    }),
    running: view.targets.filter((t) => t.begins && t.begins.day <= day && (t.ends?.day ?? 400) >= day),
    pins: view.pins.filter((p) => p.on === addDays(view.from, day)),
    windows: view.windows.map((w) => ({ id: idOfWindow(w), says: sayWindow(view, w, day) })),
    // A closed part of a day counts as that day.
    closed: view.closed.filter((c) => c.from < day + 1 && c.to > day),
  }
}

/** What stands on a day, in one line, for those who hear it. */
export function sayDay(view: SeasonView, day: number, sum: (v: number | null | undefined) => string): string {
  const { stages, running, pins, closed, windows } = standingOn(view, day)
  return [
    spokenDate(addDays(view.from, day)),
    view.warmth.known[day] === null || view.warmth.known[day] === undefined
      ? `usually ${sum(view.warmth.usual[day])}`
      : sum(view.warmth.known[day]),
    ...stages.map((s) => `${s.kind}: ${s.stage}`),
    ...running.map((t) => t.name),
    ...windows.map((w) => w.says),
    ...closed.map(sayClosed),
    ...pins.map((p) => `${PIN_NAME[p.kind]}: ${p.words}`),
  ].join('. ')
}

/** What stands on the chosen day, with the ways to it. */
export const DayOfSeason = memo(function DayOfSeason({
  view,
  day,
  sum,
}: {
  view: SeasonView
  day: number
  sum: (v: number | null | undefined) => string
}) {
  const { stages, running, pins, closed, windows } = standingOn(view, day)
  const known = view.warmth.known[day]
  return (
    <div className="mt-2 border-t border-line pt-2" aria-live="polite">
      <p>
        <b>{writtenDay(addDays(view.from, day))}</b>
        {day === view.day && ', today'}: {known === null || known === undefined ? 'not known, usually ' : ''}
        {sum(known ?? view.warmth.usual[day])}
        {known !== null && known !== undefined && typeof view.warmth.usual[day] === 'number' && (
          <span className="text-ink2">, usually {sum(view.warmth.usual[day])}</span>
        )}
        {stages.map((s) => (
          <span key={s.kind}>
            {' · '}
            {s.kind}: {s.stage}
          </span>
        ))}
        {running.length > 0 && (
          <span>
            {' · now comes: '}
            {running.map((t) => t.name).join('; ')}
          </span>
        )}
      </p>
      {windows.length > 0 && (
        <ul className="mt-1">
          {windows.map((w) => (
            <li key={w.id}>{w.says}</li>
          ))}
        </ul>
      )}
      {closed.length > 0 && <p className="text-plum font-bold">{closed.map(sayClosed).join('; ')}</p>}
      {pins.length > 0 && (
        <ul className="mt-1">
          {pins.map((p, i) => (
            <li key={i}>
              <span className="text-ink2">{PIN_NAME[p.kind]}: </span>
              <Link href={p.href} className="underline underline-offset-2">
                {p.words}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
})
