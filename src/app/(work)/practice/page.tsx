import { Link } from '@/ui/pieces/Link'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { COMPOSED } from '@/almanac/practiceCase'
import { practiceView, type PracticeView } from '@/server/read/practice'
import { DataTable } from '@/ui/pieces/DataTable'
import { shortDate } from '@/ui/when'
import { DrawCase } from './DrawCase'

export const metadata = { title: 'Practice' }

export default async function PracticePage() {
  const { runs, again, ours, team, timeZone } = await practiceView()
  const right = runs.filter((r) => r.right).length
  const mean = runs.length ? Math.round(runs.reduce((s, r) => s + r.score, 0) / runs.length) : null
  const best = new Map<string, number>()
  for (const r of runs) best.set(r.caseId, Math.max(best.get(r.caseId) ?? 0, r.score))
  return (
    <>
      <h1>Practice</h1>
      <p className="mt-1 max-w-2xl">
        Made-up trees. Each look costs minutes; say what it is and what is to be done, then see the best way
        there. Nothing here touches a client’s tree.
      </p>
      <div className="grid gap-8 mt-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          <h2 className="border-b border-ink2 pb-1">Composed cases</h2>
          <ul>
            {COMPOSED.map((c) => (
              <li key={c.id} className="border-b border-line">
                <Link
                  href={`/practice/composed/${c.id}`}
                  className="flex justify-between gap-3 py-2.5 no-underline hover:bg-sheet"
                >
                  <span>
                    <b>{c.title}</b>
                    <span className="block text-ink2">{c.story}</span>
                  </span>
                  {best.has(`composed:${c.id}`) && (
                    <span className="tag tag-moss self-start">best {best.get(`composed:${c.id}`)}</span>
                  )}
                </Link>
              </li>
            ))}
          </ul>
          {ours.length > 0 && (
            <p className="mt-3">
              <Link
                href={`/practice/again/${ours[runs.length % ours.length]}.${runs.length + 1}`}
                className="underline"
              >
                A tree with a cause of our own
              </Link>
            </p>
          )}
          <DrawCase />
        </section>
        <section>
          {again.length > 0 && (
            <div className="mb-6">
              <h2 className="border-b border-ink2 pb-1">To meet again</h2>
              <ul>
                {again.slice(0, 6).map((a) => (
                  <li key={a.cause} className="border-b border-line">
                    <Link
                      href={`/practice/again/${a.cause}.${runs.length + 1}`}
                      className="flex justify-between gap-3 py-2.5 no-underline hover:bg-sheet"
                    >
                      <b>A tree you have missed before</b>
                      <span className="text-ink2">
                        {a.streak === 0
                          ? 'missed last time'
                          : `told right ${a.streak === 1 ? 'once' : `${a.streak} times`} since`}
                      </span>
                    </Link>
                  </li>
                ))}
              </ul>
              <p className="text-small text-ink2 mt-1">
                What was missed comes again after a day, then later with each right answer.
              </p>
            </div>
          )}
          <h2 className="border-b border-ink2 pb-1">Your own progress</h2>
          {mean === null ? (
            <p className="py-3 text-ink2">No case yet. Begin with the linden above the bicycle stands.</p>
          ) : (
            <>
              <p className="py-2">
                {runs.length} {runs.length === 1 ? 'case' : 'cases'} · cause right in <b>{right}</b> · mean
                score <b>{mean}</b> of 100
              </p>
              <ul className="border-t border-line">
                {runs.slice(0, 12).map((r, i) => (
                  <li key={i} className="flex justify-between gap-3 py-1.5 border-b border-line2">
                    <span>
                      {hostName(r.host)}: {causeName(r.trueCause).toLowerCase()}
                      {!r.right && (
                        <span className="text-plum"> · you said {causeName(r.answer).toLowerCase()}</span>
                      )}
                      <span className="text-ink2">
                        {' '}
                        · {r.checks.length} checks, {r.minutes} min · {shortDate(r.at, timeZone)}
                      </span>
                    </span>
                    <b>{r.score}</b>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      </div>
      {team.length > 0 && <Team team={team} />}
    </>
  )
}

/** How each person stands, for who trains them: what is missed most is what to look at together. */
function Team({ team }: { team: PracticeView['team'] }) {
  return (
    <section className="mt-8 max-w-4xl">
      <h2>The team</h2>
      <DataTable
        caption="Practice of the team"
        className="mt-1"
        columns={[
          { head: 'Person' },
          { head: 'Cases', figures: true },
          { head: 'Mean score of 100', figures: true },
          { head: 'Missed most' },
        ]}
        rows={team.map((t) => ({
          key: t.personId,
          name: t.name,
          cells: [
            t.cases,
            t.mean,
            t.missed.length > 0
              ? t.missed
                  .slice(0, 3)
                  .map((c) => causeName(c).toLowerCase())
                  .join(', ')
              : 'nothing so far',
          ],
        }))}
      />
    </section>
  )
}
