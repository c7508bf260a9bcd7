import { sayClock } from '@/core/roster/span'
import { shortHours } from './StopCard'
import type { WeekState } from './useWeek'

/** What a crew's day comes to, and who of it is away. */
export function DayFoot({
  day,
  away,
}: {
  day: ReturnType<WeekState['dayOf']>
  away: readonly { name: string; why: string }[]
}) {
  return (
    <p className="text-small text-ink2 px-1 leading-tight">
      {shortHours(day.minutes)}, back {sayClock(Math.min(1439, day.home))}
      {day.over > 0 && <b className="block text-plum">{shortHours(day.over)} over their day</b>}
      {away.map((a) => (
        <span key={a.name} className="block">
          {a.name} away
        </span>
      ))}
    </p>
  )
}

/** Who of a crew is away on a day without stops. */
export function Away({
  away,
  licensed,
}: {
  away: readonly { name: string; why: string }[]
  licensed: boolean
}) {
  if (away.length === 0 && licensed) return null
  return (
    <p className="text-small text-ink2 px-1 leading-tight">
      {away.map((a) => (
        <span key={a.name} className="block">
          {a.name} away: {a.why}
        </span>
      ))}
      {!licensed && <span className="block">nobody with a licence</span>}
    </p>
  )
}
