import { showTemperature } from '@/core/quantity/format'
import type { SeasonView } from '@/server/read/season'
import { dateIn } from '@/core/time/calendar'
import { writtenDay } from '@/ui/when'
import { sayRain } from '@/ui/sayRain'

/** The next ten days, each in a few words: warmth, rain, soil, and what is left of the cover. */
export function TenDays({ view }: { view: SeasonView }) {
  const { ten, cover, units } = view
  if (ten.length === 0) return null
  const left = new Map(cover?.days ?? [])
  const on = (at: number) => dateIn(view.site.timeZone, new Date(at))
  // Never before the label lets it go on again.
  const renew = cover?.renewBy ? on(Math.max(cover.renewBy, cover.renewFrom ?? 0)) : null
  return (
    <section aria-label="The next ten days" className="mt-6">
      <h2>
        The next ten days
        {cover && (
          <span className="text-small text-ink2 font-text font-normal"> · what is left of {cover.card}</span>
        )}
      </h2>
      {cover && <p>{sayCover(view, on)}</p>}
      <ol className="grid grid-cols-2 sm:grid-cols-5 xl:grid-cols-10 gap-1.5 mt-2">
        {ten.map((d) => {
          const percent = left.get(d.date)
          return (
            <li
              key={d.date}
              className={`bg-sheet border px-2 py-1.5 ${renew === d.date ? 'border-rust border-2' : 'border-line'}`}
            >
              <span className="font-head font-bold block">{writtenDay(d.date)}</span>
              <span className="block">
                {d.min === null || d.max === null
                  ? 'warmth not known'
                  : `${showTemperature(d.min, units).replace(/ .*/, '')} to ${showTemperature(d.max, units)}`}
              </span>
              <span className="block text-water">{sayRain(d.rain, units)}</span>
              {d.chance >= 0.1 && (
                <span className="block text-small text-ink2">rain {Math.round(d.chance * 100)} % likely</span>
              )}
              {d.soil && d.soil !== 'moist' && <span className="block text-small">soil {d.soil}</span>}
              {percent !== undefined && (
                <>
                  <span aria-hidden className="block h-[10px] bg-line2 mt-1">
                    <span className="block h-full bg-moss" style={{ width: `${percent}%` }} />
                  </span>
                  <span className="block text-small">cover {Math.round(percent)} %</span>
                </>
              )}
              {renew === d.date && <span className="block text-small font-bold text-rust">renew it</span>}
            </li>
          )
        })}
      </ol>
    </section>
  )
}

/** How the cover stands, in a sentence. */
function sayCover({ cover, today }: SeasonView, on: (at: number) => string): string {
  if (!cover) return ''
  const left = Math.round(cover.days[0]?.[1] ?? 0)
  const went = `It went on ${writtenDay(on(cover.at))}; ${left === 0 ? 'nothing is left' : `${left} % is left at the end of today`}.`
  if (!cover.renewBy) return `${went} By the forecast more than half stays.`
  const from = cover.renewFrom && on(cover.renewFrom)
  const half = on(cover.renewBy)
  return `${went} It ${half < today ? 'fell' : 'falls'} below half on ${writtenDay(half)}${from && from > half ? `; the label lets it be renewed from ${writtenDay(from)}` : ''}.`
}
