import { Link } from '@/ui/pieces/Link'
import { addDays, spokenDay } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { DataTable } from '@/ui/pieces/DataTable'
import { PIN_NAME } from '@/ui/ribbon/Pin'
import { idOfWindow, sayClosed, sayReached } from './sayDays'

/** What the ribbon shows, as tables. */
export function SeasonTables({
  view,
  sum,
}: {
  view: SeasonView
  sum: (v: number | null | undefined) => string
}) {
  return (
    <details className="mt-6 border-t border-line pt-2">
      <summary className="cursor-pointer py-1 font-bold hand:py-3">The same in tables</summary>
      {view.stages.length > 0 && (
        <DataTable
          caption="Stages"
          className="mt-2"
          columns={[{ head: 'Stage' }, { head: 'Begins' }]}
          rows={view.stages.flatMap((s) =>
            s.stages.map((x) => ({
              key: `${s.kind} ${x.stage}`,
              name: `${s.name}: ${x.stage}`,
              cells: [
                x.seen ? `seen ${spokenDay(addDays(view.from, x.begins.day))}` : sayReached(view, x.begins),
              ],
            })),
          )}
        />
      )}
      {view.targets.length > 0 && (
        <DataTable
          caption="What comes with the warmth"
          className="mt-4"
          columns={[
            { head: 'What comes with the warmth' },
            { head: 'Sum', wideOnly: true },
            { head: 'Look from' },
            { head: 'Until' },
          ]}
          rows={view.targets.map((t) => ({
            key: t.id,
            name: t.name,
            cells: [
              `${sum(t.low).replace(/ .*/, '')} to ${sum(t.high)}`,
              t.seen ? `seen ${spokenDay(t.seen.seenOn)}` : sayReached(view, t.begins),
              sayReached(view, t.ends),
            ],
          }))}
        />
      )}
      {view.pins.length > 0 && (
        <DataTable
          caption="Work and promises"
          className="mt-4"
          columns={[{ head: 'Work and promises' }, { head: 'How it stands' }, { head: 'What' }]}
          rows={view.pins.map((p, i) => ({
            key: i,
            name: spokenDay(p.on),
            cells: [
              PIN_NAME[p.kind].toLowerCase(),
              <Link key="what" href={p.href} className="underline underline-offset-2">
                {p.words}
              </Link>,
            ],
          }))}
        />
      )}
      {view.windows.length > 0 && (
        <DataTable
          caption="Days on which it may go on"
          className="mt-4"
          columns={[{ head: 'What waits for its day' }, { head: 'By its card' }, { head: 'This year' }]}
          rows={view.windows.map((w) => ({
            key: idOfWindow(w),
            name: `${w.card}, ${w.method}, ${w.kind}`,
            cells: [
              w.window,
              w.stretches.length === 0
                ? 'no day'
                : w.stretches
                    .map(
                      (s) =>
                        `${s.sure ? '' : 'perhaps '}${spokenDay(addDays(view.from, s.from))} to ${spokenDay(addDays(view.from, s.to - 1))}`,
                    )
                    .join(', '),
            ],
          }))}
        />
      )}
      {view.closed.length > 0 && (
        <DataTable
          caption="Closed"
          className="mt-4"
          columns={[{ head: 'Closed' }, { head: 'From' }, { head: 'Until' }]}
          rows={view.closed.map((c, i) => ({
            key: i,
            name: sayClosed(c),
            cells: [c.from, c.to].map((d) => spokenDay(addDays(view.from, Math.floor(d)))),
          }))}
        />
      )}
      <p className="text-small text-ink2 mt-2">
        Sums are published starting figures; what is seen on the ground and the label decide.
      </p>
    </details>
  )
}
