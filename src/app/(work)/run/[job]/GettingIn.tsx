import type { JobView } from '@/server/read/work'
import { Terms } from '@/ui/pieces/Terms'

/** How one gets in at the site, where water is and whom to ring: one line each, only what is told. */
export function GettingIn({ job }: { job: JobView['job'] }) {
  const lines = (
    [
      ['Where', job.address],
      ['How to get in', job.access],
      ['Gate code', job.gateCode],
      ['Water', job.water],
      ['To be rung', job.contactOnDay],
    ] as const
  ).filter(([, text]) => text)
  // The address alone is on every sheet already.
  if (lines.length < 2) return null
  return (
    <details className="mt-2">
      <summary className="cursor-pointer py-1 hand:py-3 text-ink2">
        Getting in
        {job.gateCode && (
          <>
            {' '}
            · gate code <b className="text-ink">{job.gateCode}</b>
          </>
        )}
      </summary>
      <Terms lines={lines} />
    </details>
  )
}
