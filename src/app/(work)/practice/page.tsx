import Link from 'next/link'
import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { COMPOSED } from '@/almanac/practiceCase'
import { practiceView } from '@/server/read/practice'
import { shortDate } from '@/ui/when'
import { DrawCase } from './DrawCase'

export const metadata = { title: 'Practice' }

export default async function PracticePage() {
  const { runs, timeZone } = await practiceView()
  const right = runs.filter((r) => r.answer === r.trueCause).length
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
          <DrawCase />
        </section>
        <section>
          <h2 className="border-b border-ink2 pb-1">Your own progress</h2>
          {mean === null ? (
            <p className="py-3 text-ink2">No case yet. Begin with the black pear.</p>
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
                      {r.answer !== r.trueCause && (
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
    </>
  )
}
