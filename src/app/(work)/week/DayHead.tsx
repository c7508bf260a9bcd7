import { fromToday, writtenDay } from '@/ui/when'
import type { WeekView } from '@/server/read/week'
import { sayRain } from '@/ui/sayRain'

/** A day at the head of its column: its date, and its hours in the firm’s town, those in which a spray may go out full, those with rain blue. */
export function DayHead({ date, view }: { date: string; view: WeekView }) {
  const sky = view.sky.find((s) => s.date === date)
  const rain = view.rain[date] ?? null
  const open = sky?.hours.filter((h) => h.open).length ?? 0
  const said = sky
    ? `${open === 0 ? 'no spray hour' : `${open} spray ${open === 1 ? 'hour' : 'hours'}`}${rain === null ? '' : `, ${rain < 0.00013 ? 'dry' : `${sayRain(rain, view.units)} rain`}`}`
    : date === view.today
      ? 'little of it is left'
      : 'not forecast yet'
  return (
    <div className="pb-1.5 pr-2">
      <p className="font-head font-bold flex justify-between gap-2">
        {writtenDay(date)}
        {date === view.today && <span className="text-rust">{fromToday(date, view.today)}</span>}
      </p>
      {sky && (
        <span className="flex gap-px mt-0.5" aria-hidden="true">
          {sky.hours.map((h, i) => (
            <span
              key={i}
              className={`h-1.5 grow ${h.open ? 'bg-moss' : h.rain ? 'bg-water' : 'border border-ink2 border-y-0 bg-line2'}`}
            />
          ))}
        </span>
      )}
      <p className="text-small text-ink2">{said}</p>
    </div>
  )
}
