'use client'
import { Link } from '@/ui/pieces/Link'
import type { todayView } from '@/server/read/today'
import { SmallRing } from '@/ui/ring/SmallRing'
import { fromToday } from '@/ui/when'
import { JobTag } from './run/JobTag'

type Job = Awaited<ReturnType<typeof todayView>>['jobs'][number]

/** A job of today with the first of its trees as rings; drawn here from their figures: as drawn on the server they were nearly half of what Today sent. */
export function TodayJob({ job, does, today }: { job: Job; does: string; today: string }) {
  return (
    <li className="border-b border-line">
      <Link
        href={`/run/${job.id}`}
        className="grid sm:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_auto] gap-x-5 gap-y-1 items-center py-3 no-underline hover:bg-sheet"
      >
        <span>
          <span className="font-head font-bold text-lead block">{job.siteName}</span>
          <span className="text-ink2">
            {[
              `${does}, ${job.trees} ${job.trees === 1 ? 'tree' : 'trees'}`,
              ...(job.crew === null ? [] : [job.own ? 'yours' : job.crew]),
              ...(job.onDate < today ? [`left open ${fromToday(job.onDate, today)}`] : []),
            ].join(', ')}
          </span>
          {job.siteNote && <span className="block text-small text-straw">{job.siteNote}</span>}
        </span>
        <span className="flex flex-wrap items-center gap-1.5">
          {job.rings.map((r) => (
            <SmallRing
              key={r.tag}
              size={Math.round(26 + Math.min(26, r.diameterM * 45))}
              bearings={r.bearings ?? undefined}
              done={r.done}
            />
          ))}
          {job.trees > job.rings.length && (
            <span className="text-ink2">{`and ${job.trees - job.rings.length} more`}</span>
          )}
        </span>
        <span>
          <JobTag job={job} />
        </span>
      </Link>
    </li>
  )
}
