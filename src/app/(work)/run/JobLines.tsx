'use client'
import { sayMethods } from '@/core/methods/names'
import { Link } from '@/ui/pieces/Link'
import type { JobLine } from '@/server/read/today'
import { fromToday, writtenDate } from '@/ui/when'
import { JobTag } from './JobTag'

/** The crew’s jobs as lines. Drawn here from its rows: lines that the server draws go out twice, as they look and as they are made. */
export function JobLines({ jobs, today }: { jobs: readonly JobLine[]; today: string }) {
  return (
    <ul className="border-t border-line mt-2 max-w-3xl">
      {jobs.map((j) => (
        <li key={j.id} className="border-b border-line">
          <Link
            href={`/run/${j.id}`}

            className="grid sm:grid-cols-[120px_minmax(0,1fr)_auto] gap-x-4 gap-y-1 py-3 items-baseline no-underline hover:bg-sheet"
          >
            <span className="font-bold">{fromToday(j.onDate, today)}</span>
            <span>
              <span className="font-head font-bold text-lead block">{j.siteName}</span>
              <span className="text-ink2">
                {`${sayMethods(j.methods)}, ${j.trees} ${j.trees === 1 ? 'tree' : 'trees'} · ${writtenDate(j.onDate)} · ${j.crew ?? 'no crew yet'}`}
                {j.own && <b className="text-rust"> (yours)</b>}
                {j.siteNote && <span className="block text-small text-straw">{j.siteNote}</span>}
              </span>
            </span>
            <JobTag job={j} />
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
  )
}
