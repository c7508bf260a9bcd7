import { Link } from '@/ui/pieces/Link'
import { capital } from '@/core/capital'
import { grouped } from '@/core/grouped'
import { MONTHS } from '@/core/time/yearly'
import type { AheadView, ToCome } from '@/server/read/ahead'
import { sayTags } from '@/server/read/together'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { writtenDate } from '@/ui/when'

const KIND: Record<ToCome['kind'], [word: string, look: string]> = {
  booked: ['booked', 'tag tag-water'],
  due: ['due again', 'tag tag-straw'],
  promised: ['to look at', 'tag'],
}

/** What is to come at a site, year by year and month by month: booked, due again, promised; what waits, and what was ended and why. */
export function Ahead({ view }: { view: AheadView }) {
  const { site, late, years, waiting, ended } = view
  const count = years.reduce((n, y) => n + y.lines.length, late.length)
  return (
    <div className="max-w-4xl">
      <SiteHeading
        site={site}
        title={`${site.name}, to come`}
        below={
          count === 0
            ? 'Nothing is promised, booked or due here.'
            : `${count} ${count === 1 ? 'date' : 'dates'}${years.length > 0 ? `, as far as ${years.at(-1)!.year}` : ''}. Nothing leaves this page but by being done, or ended with a reason.`
        }
      />
      {view.full && (
        <Note className="mt-3">There is more than one page shows; the nearest dates stand here.</Note>
      )}
      {late.length > 0 && (
        <section aria-labelledby="late" className="mt-5">
          <h2 id="late" className="text-plum">
            Should have been done
          </h2>
          <Lines lines={late} />
        </section>
      )}
      {years.map(({ year, lines }) => (
        <section key={year} aria-labelledby={`year-${year}`} className="mt-6">
          <h2 id={`year-${year}`} className="text-figure font-head">
            {year}
          </h2>
          {[...grouped(lines, (l) => l.on.slice(0, 7))].map(([month, own]) => (
            <div key={month} className="grid sm:grid-cols-[120px_minmax(0,1fr)] gap-x-4">
              <h3 className="text-base text-ink2 py-2">{MONTHS[Number(month.slice(5)) - 1]}</h3>
              <Lines lines={own} />
            </div>
          ))}
        </section>
      ))}
      {waiting.length > 0 && (
        <section aria-labelledby="waits" className="mt-7">
          <h2 id="waits">Waits for a step before it</h2>
          <ul className="border-t border-line mt-1">
            {waiting.map((w) => (
              <li key={w.id} className="border-b border-line py-2">
                <b>{w.tag}</b>: {w.cardName}, {w.days} {w.days === 1 ? 'day' : 'days'} after {w.after}
              </li>
            ))}
          </ul>
        </section>
      )}
      {ended.length > 0 && (
        <section aria-labelledby="ended" className="mt-7">
          <h2 id="ended">Ended, and why</h2>
          <ul className="border-t border-line mt-1">
            {ended.map((e) => (
              <li key={e.id} className="border-b border-line py-2 text-ink2">
                {e.cardName}
                {e.times > 1 && `, ${e.n} of ${e.times}`}, from {writtenDate(e.dueFrom)}: {e.words}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}

function Lines({ lines }: { lines: readonly ToCome[] }) {
  return (
    <ul className="border-t border-line -mt-px">
      {lines.map((l) => (
        <li key={`${l.kind} ${l.href} ${l.on} ${l.what}`} className="border-b border-line">
          <Link
            href={l.href}

            className="grid sm:grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 py-2.5 items-baseline no-underline hover:bg-sheet"
          >
            <span>
              <b>{capital(l.what)}</b>
              <span className="block text-ink2 text-small">
                {writtenDate(l.on)}
                {l.to !== null && l.to !== l.on && ` to ${writtenDate(l.to)}`} ·{' '}
                {l.tags.length === 0
                  ? `${l.trees} ${l.trees === 1 ? 'tree' : 'trees'}`
                  : sayTags(l.tags, l.tags.length, l.trees)}
                {l.more !== null && ` · ${l.more}`}
              </span>
            </span>
            <span className={`${KIND[l.kind][1]} justify-self-start`}>{KIND[l.kind][0]}</span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
