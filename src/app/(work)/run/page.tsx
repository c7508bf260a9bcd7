import { DueAgainLines } from '@/app/withPage'
import { Link } from '@/ui/pieces/Link'
import { readAfterDay, type Query } from '@/server/read/address'
import { FIRST_DUE, RUN_PAGE, runListView } from '@/server/read/today'
import { ButtonLink } from '@/ui/pieces/Button'
import { JobLines } from './JobLines'

export const metadata = { title: 'Run' }

export default async function RunPage({ searchParams }: { searchParams: Promise<Query> }) {
  const after = readAfterDay(await searchParams, 'date')
  const { jobs, today, due, puts } = await runListView(after && { onDate: after.day, id: after.id })
  const last = jobs.length === RUN_PAGE ? jobs.at(-1) : undefined
  const again = due.length > 0 && (
    <section aria-label="Due again" className="mt-4 max-w-5xl">
      <h2>Due again, on no day yet</h2>
      <DueAgainLines due={due.slice(0, FIRST_DUE)} today={today} />
      {due.length > FIRST_DUE && (
        <p className="py-2.5">
          <Link href="/run/due" className="underline underline-offset-2">
            All that is due again
          </Link>
        </p>
      )}
    </section>
  )
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Work for the crew</h1>
        <div className="flex gap-2">
          <ButtonLink href="/run/load">Load-out</ButtonLink>
          <ButtonLink href="/run/evening">Evening</ButtonLink>
        </div>
      </div>
      {after && (
        <p>
          <Link href="/run" className="underline underline-offset-2">
            From the first
          </Link>
        </p>
      )}
      {puts && again}
      {puts && again && <h2 className="mt-6">Booked</h2>}
      <JobLines jobs={jobs} today={today} />
      {last && (
        <ButtonLink className="mt-3" href={`/run?${new URLSearchParams({ date: last.onDate, id: last.id })}`}>
          Next {RUN_PAGE}
        </ButtonLink>
      )}
      {!puts && again}
    </>
  )
}
