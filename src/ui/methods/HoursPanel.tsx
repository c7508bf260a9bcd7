import type { Method } from '@/core/card/card'
import { HOUR_REASON, type ForecastHour } from '@/core/methods/hourReasons'
import { stretches, workHours } from '@/core/methods/hours'
import type { UseOf } from '@/core/methods/plan'
import { sayWallClock, wallClock } from '@/core/time/wallClock'
import { writtenDay } from '@/ui/when'

const clock = (time: string) => time.slice(11, 16)
const HOUR = 3_600_000
const endOf = (from: string, hours: number) => clock(sayWallClock(wallClock(from)! + hours * HOUR))

/**
 * In which of the next hours work may be done, by its card and the weather at the site: the best stretch first, every hour as a
 * cell, and in words why the others are closed. Nothing where weather sets nothing.
 */
export function HoursPanel({
  use,
  actives,
  forecast,
  minutes,
}: {
  use: UseOf<Method>
  actives: readonly { name: string }[]
  forecast: readonly ForecastHour[]
  /** Of work. */
  minutes: number
}) {
  if (forecast.length === 0)
    return <p className="no-print mt-3 border-t border-line pt-2 text-ink2">The weather here is not known.</p>
  const need = Math.max(1, Math.ceil(minutes / 60))
  const found = workHours(use, actives, forecast, Math.min(need, 16))
  if (!found.ok || found.value === null) return null
  const { hours, next, best } = found.value
  const days = [...new Set(hours.map((h) => h.time.slice(0, 10)))]
  const closed = stretches(hours).filter((s) => s.reasons.length > 0 && s.reasons.join() !== 'night')
  return (
    <details className="no-print mt-3 border-t border-line pt-2">
      <summary className="cursor-pointer py-1 hand:py-3">
        <span className="font-bold">When it may be done</span>{' '}
        {next ? (
          <>
            next {writtenDay(next.from.slice(0, 10))}, {clock(next.from)} to {endOf(next.from, next.hours)}
          </>
        ) : (
          <span className="text-plum">
            no {need === 1 ? 'hour' : `${need} hours together`} in the next three days
          </span>
        )}
      </summary>
      {best && best.from !== next?.from && (
        <p className="text-small">
          The longest is {writtenDay(best.from.slice(0, 10))}, {clock(best.from)} to{' '}
          {endOf(best.from, best.hours)}.
        </p>
      )}
      <div aria-hidden className="mt-2 grid gap-[3px]">
        {days.map((day) => (
          <div
            key={day}
            className="grid grid-cols-[72px_repeat(16,minmax(0,1fr))] sm:grid-cols-[84px_repeat(16,minmax(0,1fr))] gap-[2px] items-center"
          >
            <span className="text-small text-ink2">{writtenDay(day)}</span>
            {Array.from({ length: 16 }, (_, i) => i + 5).map((h) => {
              const hour = hours.find((x) => x.time === `${day}T${String(h).padStart(2, '0')}:00`)
              const inNext =
                next !== null &&
                hour !== undefined &&
                hour.time >= next.from &&
                wallClock(hour.time)! < wallClock(next.from)! + next.hours * HOUR
              return (
                <span
                  key={h}
                  title={
                    hour && !hour.open
                      ? `${clock(hour.time)}: ${hour.reasons.map((r) => HOUR_REASON[r]).join(', ')}`
                      : undefined
                  }
                  className={`h-[26px] text-center text-small leading-[26px] ${
                    !hour
                      ? ''
                      : hour.open
                        ? `bg-moss-soft ${inNext ? 'border-b-[4px] border-moss font-bold' : ''}`
                        : 'bg-line2 text-ink2 line-through'
                  }`}
                >
                  <span className={h % 2 === 0 ? '' : 'max-sm:invisible'}>{hour ? h : ''}</span>
                </span>
              )
            })}
          </div>
        ))}
      </div>
      {closed.length > 0 && (
        <>
          <p className="text-small font-bold mt-1.5">Closed by day</p>
          <ul className="text-small">
            {closed.map((s) => (
              <li key={s.from}>
                {writtenDay(s.from.slice(0, 10))}, {clock(s.from)} to {endOf(s.from, s.hours)}:{' '}
                {s.reasons.map((r) => HOUR_REASON[r]).join(', ')}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="text-small text-ink2 mt-1">
        By this card and the forecast; the label and the hour itself decide.
      </p>
    </details>
  )
}
