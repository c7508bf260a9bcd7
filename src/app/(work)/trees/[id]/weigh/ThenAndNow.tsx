import { OFTEN_WORD } from '@/almanac/oftenWord'
import { findingName } from '@/almanac/findings'
import type { Frequency } from '@/core/diagnose/almanac'
import type { Change } from '@/core/diagnose/basis'
import { sensible } from '@/core/quantity/pair'
import { showWeight } from '@/core/diagnose/showWeight'
import type { Weighed } from '@/core/diagnose/weigh'
import type { WeighView } from '@/server/read/tree'
import { DataTable } from '@/ui/pieces/DataTable'
import { shortDate } from '@/ui/when'

/** How often a finding is there, as it is said. */
const often = (f: Frequency | null) => (f === null ? 'not known' : OFTEN_WORD[f])

/** The weights as they were signed beside those of now, and what has changed in the almanac between; the old ones stay as they were. */
export function ThenAndNow({
  earlier,
  weighed,
  changes,
  view,
}: {
  earlier: WeighView['earlier'][number]
  weighed: readonly Weighed[]
  /** Null where what it was weighed by was not kept yet. */
  changes: readonly Change[] | null
  view: WeighView
}) {
  const then = new Map(earlier.weights.map((w) => [w.cause, w.probability]))
  const rows = weighed
    .map((w) => ({ cause: w.cause, now: w.probability, then: then.get(w.cause) ?? null }))
    .filter((r) => r.now >= 0.05 || (r.then ?? 0) >= 0.05)
  return (
    <section className="mt-8 max-w-2xl" aria-label="Then and now">
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
      <h3 className="mt-3 font-bold">What has changed in the almanac since</h3>
      {changes === null ? (
        <p className="text-ink2">It was signed before that was kept with a signature.</p>
      ) : changes.length === 0 ? (
        <p>Nothing of what the signature rests on.</p>
      ) : (
        <ul className="border-t border-line mt-1">
          {changes.map((c) => (
            <li
              key={c.about === 'often' ? `${c.cause} ${c.finding}` : `${c.cause} ${c.about}`}
              className="py-1 border-b border-line2"
            >
              <b>{view.names[c.cause] ?? c.cause}</b>
              {c.about === 'gone' && ', no longer in it'}
              {c.about === 'new' && ', not in it then'}
              {c.about === 'common' &&
                `, ${c.now > c.was ? 'commoner' : 'rarer'} than it was taken to be: ${sensible(c.now / c.was, 1)} times as common`}
              {c.about === 'often' &&
                `, ${findingName(c.finding).toLowerCase()}: ${often(c.was)}, now ${often(c.now)}`}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
