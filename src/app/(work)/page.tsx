import { sayMethods } from '@/core/methods/names'
import { ANEW } from '@/core/plan/anew'
import { Link } from '@/ui/pieces/Link'
import { showTemperature } from '@/core/quantity/format'
import { sayRenewal } from '@/core/season/renewal'
import { spokenWeekday } from '@/core/time/calendar'
import { checkHref } from '@/server/read/checkHref'
import { sayTags } from '@/server/read/together'
import type { OverdueView } from '@/server/read/overdue'
import { todayView } from '@/server/read/today'
import { reader } from '@/server/read/reader'
import { Morning } from './Morning'
import { loadHref } from './run/load/loadHref'
import { DoneAway } from './DoneAway'
import { ShortOnShelf } from './ShortOnShelf'
import { TodayJob } from './TodayJob'
import { clockTime, fromToday, longDate, writtenDate } from '@/ui/when'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

export const metadata = { title: 'Today' }

export default async function TodayPage() {
  const person = await reader()
  const view = await todayView()
  const { openJobs: open, openTrees: trees } = view
  const waiting = (['examine', 'weigh', 'decide', 'prescribe'] as const).filter((s) => view.waiting[s] > 0)
  const shownDue = view.due.reduce((n, d) => n + d.tags.length, 0)
  const more = view.dueInAll - shownDue
  const heading =
    open === 0
      ? 'Today, nothing booked'
      : `Today, ${open} ${open === 1 ? 'job' : 'jobs'}, ${trees.toLocaleString('en-US')} ${trees === 1 ? 'tree' : 'trees'}`
  return (
    <div className="grid gap-x-7 gap-y-6 xl:grid-cols-[minmax(0,1fr)_300px]">
      <div>
        <h1>{heading}</h1>
        <p className="text-ink2 mt-1 spine:hidden">
          {longDate(Date.parse(`${view.today}T12:00:00Z`), 'UTC')}
        </p>
        <p className="mt-2 flex flex-wrap gap-x-5 spine:hidden">
          <Link href="/reckon" className="underline py-3">
            Reckon a dose
          </Link>
          <Link href="/ledger" className="underline py-3">
            Ledger
          </Link>
          <Link href="/settings" className="underline py-3">
            Settings
          </Link>
          <Link href="/settings/device" className="underline py-3">
            This device
          </Link>
        </p>
        {view.firstSteps && (
          <Note className="mt-3">
            <Link href="/first-steps">First steps</Link>: {view.firstSteps.done} of {view.firstSteps.of} are
            done.
          </Note>
        )}
        {view.trouble && (
          <Note says="stop" className="mt-3" role="alert">
            The ledger has trouble at record {view.trouble.seq}. {view.trouble.words} Tell the office, and
            keep the database and the file of seals as they are.
          </Note>
        )}
        <Overdue counts={view.overdue} />
        <DoneAway away={view.away} timeZone={person.timeZone} />
        <Missing missing={view.missing} today={view.today} timeZone={person.timeZone} />
        <Morning />
        <InjectionHours hours={view.hours} units={person.units} />
        <section className="mt-5">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4">
            <h2 className="text-small text-ink2 font-text font-normal">Work for the crew</h2>
            {open > 0 && (
              <Link href="/run/load" className="underline underline-offset-2 text-small hand:py-3">
                Load-out
              </Link>
            )}
          </div>
          <ul className="border-t border-line mt-1">
            {view.jobs.map((job) => (
              <TodayJob key={job.id} job={job} does={sayMethods(job.methods)} today={view.today} />
            ))}
            {view.jobsInAll > view.jobs.length && (
              <li className="py-2.5 border-b border-line">
                <Link href="/run" className="underline underline-offset-2">
                  All {view.jobsInAll.toLocaleString('en-US')} jobs
                </Link>
              </li>
            )}
            {view.jobs.length === 0 && (
              <li className="py-4 text-ink2">
                Nothing is booked for today. A prescription that is handed to the crew appears here on its
                day.
              </li>
            )}
          </ul>
        </section>
        {view.anew.length > 0 && (
          <section className="mt-6">
            <h2 className="text-small text-ink2 font-text font-normal">To be worked out again</h2>
            <ul className="border-t border-line mt-1">
              {view.anew.map((a) => (
                <li key={a.treeId} className="border-b border-line">
                  <Link
                    href={`/trees/${a.treeId}/prescribe`}
                    className="grid sm:grid-cols-[130px_minmax(0,1fr)] gap-x-5 items-baseline py-2.5 no-underline hover:bg-sheet"
                  >
                    <span className="font-bold text-plum">with the crew</span>
                    <span>
                      <span className="font-bold">{a.tag}</span>, {a.siteName}: {ANEW[a.anew]}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        {view.dueAgain.length > 0 && (
          <section className="mt-6">
            <h2 className="text-small text-ink2 font-text font-normal">Due again, on no day yet</h2>
            <ul className="border-t border-line mt-1">
              {view.dueAgain.map((d) => (
                <li key={d.id} className="border-b border-line">
                  <Link
                    href="/run"
                    className="grid sm:grid-cols-[130px_minmax(0,1fr)_auto] gap-x-5 items-baseline py-2.5 no-underline hover:bg-sheet"
                  >
                    <span className="font-bold">{fromToday(d.dueFrom, view.today)}</span>
                    <span>
                      <span className="font-bold">{d.cardName}</span>, {d.n} of {d.times}:{' '}
                      {d.cause.toLowerCase()}, {d.trees} {d.trees === 1 ? 'tree' : 'trees'},{' '}
                      {[...d.blocks, d.siteName].join(', ')}
                      {d.renewal && (
                        <span className="block text-small">{sayRenewal(d.renewal, spokenWeekday)}</span>
                      )}
                    </span>
                    <span className={d.dueTo < view.today ? 'tag tag-rust' : 'text-ink2'}>
                      {d.dueTo < view.today ? 'overdue' : `until ${writtenDate(d.dueTo)}`}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="mt-6">
          <h2 className="text-small text-ink2 font-text font-normal">
            Promised and due
            {more > 0 &&
              `, the first ${shownDue.toLocaleString('en-US')} of ${view.dueInAll.toLocaleString('en-US')}`}
          </h2>
          <ul className="border-t border-line mt-1">
            {view.due.map((c) => (
              <li key={c.id} className="border-b border-line">
                <Link
                  href={checkHref(c)}
                  className="grid sm:grid-cols-[130px_minmax(0,1fr)_auto] gap-x-5 items-baseline py-2.5 no-underline hover:bg-sheet"
                >
                  <span className="font-bold">{fromToday(c.dueOn, view.today)}</span>
                  <span>
                    <span className="font-bold">{sayTags(c.tags)}</span>, {c.siteName}: {c.what.toLowerCase()}
                  </span>
                  <span className={c.dueOn <= view.today ? 'tag tag-rust justify-self-start' : 'text-ink2'}>
                    {c.dueOn <= view.today ? 'check now' : writtenDate(c.dueOn)}
                  </span>
                </Link>
              </li>
            ))}
            {more > 0 && (
              <li className="py-2.5 border-b border-line">
                <Link href="/follow-up" className="underline underline-offset-2">
                  All promised checks
                </Link>
              </li>
            )}
            {view.due.length === 0 && (
              <li className="py-4 text-ink2">No check is due in the next two weeks.</li>
            )}
          </ul>
        </section>
      </div>
      <aside className="xl:pt-12">
        <section className="bg-paper border border-line p-4">
          <h2>Waiting for the arborist</h2>
          {waiting.length === 0 && (
            <p className="mt-2 text-ink2">Nothing waits. Walk a site and examine a tree.</p>
          )}
          <ul className="mt-2">
            {waiting.map((step) => (
              <li key={step} className="border-b border-dotted border-line last:border-b-0">
                <Link
                  href={`/waiting/${step}`}
                  className="flex justify-between items-baseline py-2 no-underline hover:underline"
                >
                  <span>to {step}</span>
                  <span className="font-head font-bold text-lead">
                    {view.waiting[step].toLocaleString('en-US')}{' '}
                    <span className="text-small font-text font-normal text-ink2">
                      {view.waiting[step] === 1 ? 'tree' : 'trees'}
                    </span>
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <ButtonLink href={view.role === 'arborist' ? '/grounds' : '/run'} now className="mt-3 w-full">
            {view.role === 'arborist' ? 'Open the grounds' : 'Open the crew’s work'}
          </ButtonLink>
        </section>
        {/* What the shelf lacks is for those who order; a crew sees it on its own list. */}
        {(person.role === 'office' || person.role === 'arborist') && <ShortOnShelf today={view.today} />}
      </aside>
    </div>
  )
}

/** What is missing in the yard while the truck still stands there, and the way to its list. */
function Missing({
  missing,
  today,
  timeZone,
}: Pick<Awaited<ReturnType<typeof todayView>>, 'missing' | 'today'> & { timeZone: string }) {
  if (missing.length === 0) return null
  return (
    <Note as="section" says="stop" className="mt-4" aria-label="Missing on a truck">
      <ul>
        {missing.map((m) => (
          <li key={`${m.onDate} ${m.crewId} ${m.line}`}>
            <b>{m.name}</b>
            {m.amount !== null && `, ${m.amount}`} is missing for{' '}
            <Link href={loadHref(m.onDate, m.crewId)} className="underline underline-offset-2">
              {m.crew ?? 'what no crew has'}, {fromToday(m.onDate, today)}
            </Link>
            <span className="text-ink2">
              {' '}
              · said by {m.by} at {clockTime(m.at, timeZone)}
            </span>
          </li>
        ))}
      </ul>
    </Note>
  )
}

/** How much is overdue, and the way to all of it. */
function Overdue({ counts: { jobs, again, checks } }: { counts: OverdueView['counts'] }) {
  const all = jobs + again + checks
  if (all === 0) return null
  return (
    <p className="mt-3">
      <Link href="/overdue" className="font-bold text-plum underline underline-offset-2 py-2">
        {all.toLocaleString('en-US')} overdue
      </Link>{' '}
      <span className="text-ink2">
        {[
          jobs > 0 && `${jobs.toLocaleString('en-US')} ${jobs === 1 ? 'job' : 'jobs'} left open`,
          again > 0 && `${again.toLocaleString('en-US')} due again`,
          checks > 0 && `${checks.toLocaleString('en-US')} promised`,
        ]
          .filter(Boolean)
          .join(', ')}
      </span>
    </p>
  )
}

const UPTAKE_LOOK = {
  good: 'bg-paper border-moss',
  slow: 'bg-straw-soft border-straw',
  closed: 'bg-line2 border-plum',
}

/** Hour by hour, whether a trunk takes anything up today, with the reason of every closed hour. */
function InjectionHours({
  hours,
  units,
}: {
  hours: Awaited<ReturnType<typeof todayView>>['hours']
  units: 'us' | 'metric'
}) {
  return (
    <section className="mt-4">
      <h2 className="text-small text-ink2 font-text font-normal mb-1">
        Uptake in the next hours, ring-porous wood against the label’s time
      </h2>
      <ol className="grid grid-cols-4 sm:grid-cols-8 lg:grid-cols-[repeat(16,minmax(0,1fr))] gap-[2px]">
        {hours.length === 0 && <li className="col-span-full text-ink2">The weather here is not known.</li>}
        {hours.map((h) => (
          <li key={h.time} className={`px-1.5 py-1 border-t-4 ${UPTAKE_LOOK[h.uptake]}`}>
            <span className="font-head font-bold">{h.time.slice(11, 13)}</span>
            <span className="block text-small leading-tight">{h.uptake}</span>
            <span className="block text-small leading-tight text-ink2">
              {showTemperature(h.temperature, units)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}
