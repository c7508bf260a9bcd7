import { HOUR_REASON, USUAL_SPRAY } from '@/core/methods/hourReasons'
import { showSpeed, showTemperature, type UnitSystem } from '@/core/quantity/format'
import type { SeasonView } from '@/server/read/season'
import { writtenDay } from '@/ui/when'
import { sayRain } from '@/ui/sayRain'

/** Three days by the hour: what the weather is, and what stands against a spray by the usual limits. */
export function HoursAhead({ hours, units }: { hours: SeasonView['hours']; units: UnitSystem }) {
  if (hours.length === 0) return <p className="mt-3 text-ink2">The weather of the next hours is not known.</p>
  const days = [...new Set(hours.map((h) => h.time.slice(0, 10)))]
  return (
    <section aria-label="Hours" className="mt-3">
      <p className="text-small text-ink2">
        For a spray by the usual limits: wind from {showSpeed(USUAL_SPRAY.minWind, units)} to{' '}
        {showSpeed(USUAL_SPRAY.maxWind, units)}, gusts to {showSpeed(USUAL_SPRAY.maxGust, units)}, dry leaves,{' '}
        {USUAL_SPRAY.rainFastHours} dry hours after. A card’s own limits hold on its bench.
      </p>
      {days.map((day) => (
        <div key={day} className="mt-3">
          <h3 className="font-head font-bold">{writtenDay(day)}</h3>
          <ol className="grid grid-cols-3 min-[480px]:grid-cols-6 lg:grid-cols-12 gap-[3px] mt-1">
            {hours
              .filter((h) => h.time.startsWith(day))
              .map((h) => (
                <li
                  key={h.time}
                  className={`px-1.5 py-1 border-t-4 ${h.reasons.length === 0 ? 'border-moss bg-sheet' : 'border-line bg-line2'}`}
                >
                  <b className="font-head">{h.time.slice(11, 16)}</b>
                  <span className="block text-small">
                    {h.temperature === undefined ? 'not known' : showTemperature(h.temperature, units)}
                    {h.wind !== undefined && `, ${showSpeed(h.wind, units)}`}
                  </span>
                  {(h.rain ?? 0) > 0 && (
                    <span className="block text-small text-water">{sayRain(h.rain ?? null, units)}</span>
                  )}
                  <span className="block text-small leading-tight">
                    {h.reasons.length === 0 ? 'open' : h.reasons.map((r) => HOUR_REASON[r]).join(', ')}
                  </span>
                </li>
              ))}
          </ol>
        </div>
      ))}
    </section>
  )
}
