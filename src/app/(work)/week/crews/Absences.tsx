'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { CrewsView } from '@/server/read/week'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { May } from '@/ui/shell/may'
import { writtenDay } from '@/ui/when'

/** Who is away from today on, and one more. */
export function Absences({ view }: { view: CrewsView }) {
  const router = useRouter()
  const add = useVerb('set-absence', { makes: 'id' })
  const end = useVerb('end-absence')
  const who = [
    ...view.people.map((p) => [`person ${p.id}`, p.name] as const),
    ...view.crews.map((c) => [`crew ${c.id}`, `all of ${c.name}`] as const),
  ]
  const [chosen, setChosen] = useState<string>(who[0]?.[0] ?? '')
  const [from, setFrom] = useState(view.today)
  const [to, setTo] = useState(view.today)
  const [why, setWhy] = useState('')
  const at = (field: string) => (add.problem?.field === field ? add.problem.message : null)

  async function save(event: FormEvent) {
    event.preventDefault()
    const [kind, id] = chosen.split(' ')
    const done = await add.send({
      personId: kind === 'person' ? id! : null,
      crewId: kind === 'crew' ? id! : null,
      from,
      to,
      why,
    })
    if (done === null) return
    setWhy('')
    router.refresh()
  }

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
        <form
          onSubmit={(e) => void save(e)}
          className="mt-3 grid gap-2 sm:grid-cols-[1fr_150px_150px_1.4fr_auto] items-start"
        >
          <Choice label="Who is away" value={chosen} options={who} onValue={setChosen} problem={at('who')} />
          <Field
            label="From"
            type="date"
            value={from}
            onChange={(e) => setFrom(e.target.value)}
            problem={at('from')}
          />
          <Field
            label="To"
            type="date"
            value={to}
            onChange={(e) => setTo(e.target.value)}
            problem={at('to')}
          />
          <Field
            label="Why"
            placeholder="holiday"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            problem={at('why')}
          />
          <Button type="submit" className="sm:mt-6" disabled={add.busy}>
            Enter
          </Button>
        </form>
        <ProblemNote
          problem={
            add.problem && !['who', 'from', 'to', 'why'].includes(add.problem.field) ? add.problem : null
          }
        />
      </May>
    </section>
  )
}
