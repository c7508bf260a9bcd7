import Link from 'next/link'
import { sayMethods } from '@/core/card/say'
import { readAfterDay, type Query } from '@/server/read/address'
import { RUN_PAGE, runListView } from '@/server/read/today'
import { fromToday, writtenDate } from '@/ui/when'
import { DueAgainLine } from './DueAgainLine'
import { ButtonLink } from '@/ui/pieces/Button'

export const metadata = { title: 'Run' }

export default async function RunPage({ searchParams }: { searchParams: Promise<Query> }) {
  const after = readAfterDay(await searchParams, 'date')
  const { jobs, today, due } = await runListView(after && { onDate: after.day, id: after.id })
  const last = jobs.length === RUN_PAGE ? jobs.at(-1) : undefined
  return (
    <>
      <h1>Work for the crew</h1>
      {after && (
        <p>
          <Link href="/run" className="underline underline-offset-2">
            From the first
          </Link>
        </p>
      )}
      {due.length > 0 && (
        <section aria-label="Due again" className="mt-4 max-w-5xl">
          <h2>Due again, on no day yet</h2>
          <ul className="border-t border-line mt-1">
            {due.map((d) => (
              <DueAgainLine key={d.id} due={d} today={today} />
            ))}
          </ul>
        </section>
      )}
      <ul className="border-t border-line mt-4 max-w-3xl">
        {jobs.map((j) => (
          <li key={j.id} className="border-b border-line">
            <Link
              href={`/run/${j.id}`}
              prefetch={false}
              className="grid sm:grid-cols-[120px_minmax(0,1fr)_auto] gap-x-4 gap-y-1 py-3 items-baseline no-underline hover:bg-sheet"
            >
              <span className="font-bold">{fromToday(j.onDate, today)}</span>
              <span>
                <span className="font-head font-bold text-lead block">{j.siteName}</span>
                <span className="text-ink2">
                  {sayMethods(j.methods)}, {j.trees} {j.trees === 1 ? 'tree' : 'trees'} ·{' '}
                  {writtenDate(j.onDate)} · {j.crew ?? 'no crew yet'}
                  {j.own && <b className="text-rust"> (yours)</b>}
                  {j.siteNote && <span className="block text-small text-straw">{j.siteNote}</span>}
                </span>
              </span>
              {j.inTrees > 0 ? (
                <span className="tag tag-water">{j.inTrees} in trees</span>
              ) : j.recorded === j.trees ? (
                <span className="tag tag-moss">all recorded</span>
              ) : (
                <span className="tag tag-straw">
                  {j.recorded} of {j.trees} recorded
                </span>
              )}
            </Link>
          </li>
        ))}
        {jobs.length === 0 && (
          <li className="py-4 text-ink2">
            No work is open and none is booked for the next two weeks. The arborist hands it over from
            Prescribe.
          </li>
        )}
      </ul>
      {last && (
        <ButtonLink className="mt-3" href={`/run?${new URLSearchParams({ date: last.onDate, id: last.id })}`}>
          Next {RUN_PAGE}
        </ButtonLink>
      )}
    </>
  )
}
