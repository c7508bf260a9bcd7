'use client'
import { useState } from 'react'
import { showTemperature } from '@/core/quantity/format'
import type { Working } from '@/core/working/working'
import { dateIn, spokenDate, spokenDay } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { Slip } from '@/ui/slip/Slip'
import { clockTime } from '@/ui/when'

/** A line that can be opened to its working. */
function Line({
  says,
  look,
  title,
  about,
  working,
}: {
  says: string
  look: string
  title: string
  about: string
  working: Working
}) {
  const [open, setOpen] = useState(false)
  return (
    <li className="border-b border-line py-1.5">
      <button
        type="button"
        className="w-full text-left flex flex-wrap justify-between gap-x-3 min-h-[32px] hand:min-h-[48px] items-center"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <span>
          <b>{about}</b> {says}
        </span>
        <span className={`tag ${look}`}>{title}</span>
      </button>
      {open && <Slip working={working} title={title} about={about} />}
    </li>
  )
}

const SCAB = {
  infection: ['infection, no cover', 'tag-plum'],
  'infection under cover': ['infection, under cover', 'tag-moss'],
  none: ['too short or too cold', ''],
} as const
const BLIGHT = {
  infection: 'tag-plum',
  high: 'tag-straw',
  moderate: '',
  low: '',
} as const

/** Newest wet spells that are listed. */
const MOST_SPELLS = 12

/** Where the trade times by infection: scab, rust and leaf curl by wet spells, fire blight in bloom by warmth and wetting. */
export function Risks({ view }: { view: SeasonView }) {
  const { scab, blight, wettings, site, units } = view
  const spellBegins = (s: { fromAt: number; measured: boolean }) =>
    `${spokenDay(dateIn(site.timeZone, new Date(s.fromAt)))}, ${clockTime(s.fromAt, site.timeZone)}${s.measured ? '' : ' by the forecast'}`
  const spells = scab ? [...scab.spells].reverse() : []
  return (
    <div>
      {scab && (
        <section aria-label="Apple scab">
          <h2>Apple scab, wet spells of the primary season</h2>
          <p className="text-small text-ink2">
            From green tip until six weeks after petal fall: {spokenDate(scab.from)} to {spokenDate(scab.to)}.
            A cover counts while more than half of it is left when a spell begins.
          </p>
          {spells.length === 0 ? (
            <p className="mt-2">No wet spell so far.</p>
          ) : (
            <ul className="border-t border-line mt-2">
              {spells.slice(0, MOST_SPELLS).map((s) => (
                <Line
                  key={s.fromAt}
                  title={SCAB[s.verdict][0]}
                  look={SCAB[s.verdict][1]}
                  about={spellBegins(s)}
                  says={`wet ${s.hours} h${s.mean === null ? '' : ` at ${showTemperature(s.mean, units)}`}${s.needs === null ? '' : `, scab needs ${s.needs} h`}`}
                  working={s.working}
                />
              ))}
            </ul>
          )}
          {spells.length > MOST_SPELLS && (
            <p className="text-small text-ink2 mt-1">
              {spells.length - MOST_SPELLS} earlier {spells.length === MOST_SPELLS + 1 ? 'spell' : 'spells'}{' '}
              of this season are not listed;{' '}
              {spells.slice(MOST_SPELLS).filter((s) => s.verdict === 'infection').length} of them infected
              without a cover.
            </p>
          )}
        </section>
      )}
      {wettings.map((w) => (
        <section key={w.id} aria-label={w.name} className="mt-6 first:mt-0">
          <h2>{w.name}, wet spells</h2>
          <p className="text-small text-ink2">
            {w.when}: {spokenDate(w.from)} to {spokenDate(w.to)}. {w.then}
          </p>
          {w.spells.length === 0 ? (
            <p className="mt-2">No wet spell of that warmth so far.</p>
          ) : (
            <ul className="border-t border-line mt-2">
              {[...w.spells]
                .reverse()
                .slice(0, MOST_SPELLS)
                .map((s) => (
                  <Line
                    key={s.fromAt}
                    title={
                      s.infects ? 'wet enough to infect' : w.rain && !s.rained ? 'dew alone' : 'too short'
                    }
                    look={s.infects ? 'tag-plum' : ''}
                    about={spellBegins(s)}
                    says={`wet ${s.hours} h at ${showTemperature(w.within.from, units)} to ${showTemperature(w.within.to, units)}`}
                    working={s.working}
                  />
                ))}
            </ul>
          )}
        </section>
      ))}
      {blight && (
        <section aria-label="Fire blight" className="mt-6 first:mt-0">
          <h2>Fire blight in bloom</h2>
          <ul className="border-t border-line mt-2">
            {blight.map((d) => (
              <Line
                key={d.date}
                title={d.risk}
                look={BLIGHT[d.risk]}
                about={spokenDay(d.date)}
                says={d.missing.length === 0 ? 'all four hold' : `missing: ${d.missing.join(', ')}`}
                working={d.working}
              />
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
