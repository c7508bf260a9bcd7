'use client'
import { useRouter } from 'next/navigation'
import type { CrewsView } from '@/server/read/week'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { May } from '@/ui/shell/may'
import { writtenDay } from '@/ui/when'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { absenceAsks } from '@/asks/crews'

/** Who is away from today on, and one more. */
export function Absences({ view }: { view: CrewsView }) {
  const router = useRouter()
  const add = useStep('set-absence', 'id')
  const end = useVerb('end-absence')
  const who = [
    ...view.people.map((p) => [`person ${p.id}`, p.name] as const),
    ...view.crews.map((c) => [`crew ${c.id}`, `all of ${c.name}`] as const),
  ]
  return (
    <section aria-label="Away" className="mt-6 max-w-4xl">
      <h2>Away</h2>
      <ul>
        {view.absences.map((a) => (
          <li
            key={a.id}
            className="border-b border-line py-1.5 flex flex-wrap justify-between gap-3 items-center"
          >
            <span>
              <b>
                {a.personId
                  ? view.people.find((p) => p.id === a.personId)?.name
                  : `all of ${view.crews.find((c) => c.id === a.crewId)?.name ?? 'a crew that was ended'}`}
              </b>
              , {writtenDay(a.from)}
              {a.to !== a.from && ` to ${writtenDay(a.to)}`}: {a.why}{' '}
              <span className="text-small text-ink2">entered by {a.by}</span>
            </span>
            <May step="end-absence">
              <Button
                quiet
                disabled={end.busy}
                onClick={async () => {
                  if ((await end.send({ absenceId: a.id })) !== null) router.refresh()
                }}
              >
                There after all
              </Button>
            </May>
          </li>
        ))}
        {view.absences.length === 0 && <li className="py-1.5 text-ink2">Nobody is away from today on.</li>}
      </ul>
      <ProblemNote problem={end.problem} />
      <May step="set-absence">
        <AskedForm
          asks={absenceAsks}
          start={{ who: who[0]?.[0] ?? '', from: view.today, to: view.today, why: '' }}
          sends={({ who, ...absence }) => {
            const [kind, id] = String(who).split(' ')
            return ok({
              personId: kind === 'person' ? id : null,
              crewId: kind === 'crew' ? id : null,
              ...absence,
            })
          }}
          by={add}
          again
          onDone={() => router.refresh()}
          keep="Enter"
          quiet
          className="mt-3 grid gap-2 sm:grid-cols-[1fr_150px_150px_1.4fr] items-start"
        >
          <Asked at="who" options={who} />
          <Asked at="from" />
          <Asked at="to" />
          <Asked at="why" />
        </AskedForm>
      </May>
    </section>
  )
}
