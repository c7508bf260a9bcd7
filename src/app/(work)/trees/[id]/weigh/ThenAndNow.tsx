import { showWeight } from '@/core/diagnose/showWeight'
import type { Weighed } from '@/core/diagnose/weigh'
import type { WeighView } from '@/server/read/tree'
import { DataTable } from '@/ui/pieces/DataTable'
import { shortDate } from '@/ui/when'

/** The weights as they were signed beside those of now; the old ones stay as they were. */
export function ThenAndNow({
  earlier,
  weighed,
  view,
}: {
  earlier: WeighView['earlier'][number]
  weighed: readonly Weighed[]
  view: WeighView
}) {
  const then = new Map(earlier.weights.map((w) => [w.cause, w.probability]))
  const rows = weighed
    .map((w) => ({ cause: w.cause, now: w.probability, then: then.get(w.cause) ?? null }))
    .filter((r) => r.now >= 0.05 || (r.then ?? 0) >= 0.05)
  return (
    <section className="mt-8 max-w-2xl">
      <h2>Then and now</h2>
      <DataTable
        caption="Then and now"
        className="mt-1"
        columns={[
          { head: 'Cause' },
          {
            head: `signed ${shortDate(earlier.signedAt, view.timeZone)}, almanac ${earlier.almanacVersion}`,
            figures: true,
          },
          { head: 'now', figures: true },
        ]}
        rows={rows.map((r) => ({
          key: r.cause,
          name: (
            <>
              {view.names[r.cause] ?? r.cause}
              {r.cause === earlier.cause && <span className="tag ml-2">signed</span>}
            </>
          ),
          cells: [r.then === null ? 'not weighed' : showWeight(r.then), <b key="now">{showWeight(r.now)}</b>],
        }))}
      />
    </section>
  )
}
