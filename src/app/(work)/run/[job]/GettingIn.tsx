import type { JobView } from '@/server/read/work'

/** How one gets in at the site, where water is and whom to ring: one line each, only what is told. */
export function GettingIn({ job }: { job: JobView['job'] }) {
  const lines = [
    ['Where', job.address],
    ['How to get in', job.access],
    ['Gate code', job.gateCode],
    ['Water', job.water],
    ['To be rung', job.contactOnDay],
  ].filter(([, text]) => text)
  // The address alone is on every sheet already.
  if (lines.length < 2) return null
  return (
    <details className="mt-2">
      <summary className="cursor-pointer py-1 text-ink2">
        Getting in
        {job.gateCode && (
          <>
            {' '}
            · gate code <b className="text-ink">{job.gateCode}</b>
          </>
        )}
      </summary>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {lines.map(([label, text]) => (
          <div key={label} className="contents">
            <dt className="text-ink2">{label}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
    </details>
  )
}
