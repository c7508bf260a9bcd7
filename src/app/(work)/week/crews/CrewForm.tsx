'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { METHODS, type Method } from '@/core/card/card'
import { METHOD_NAME } from '@/core/card/say'
import type { Crew } from '@/core/roster/crew'
import { readClock, sayClock } from '@/core/roster/span'
import { WEEKDAYS } from '@/core/time/calendar'
import type { CrewsView } from '@/server/read/week'
import { Field } from '@/ui/fields/Field'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Refusal } from '@/ui/fields/Refusal'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'

/** Hours as they are typed: "8", "7.5", "7:30"; null for what is none. */
function readHours(text: string): number | null {
  const clock = /^(\d{1,2}):([0-5]\d)$/.exec(text.trim())
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  const hours = text.trim() === '' ? 0 : Number(text.trim().replace(',', '.'))
  return Number.isFinite(hours) ? Math.round(hours * 60) : null
}

/** A crew written down or changed. */
export function CrewForm({ crew, view, onDone }: { crew: Crew | null; view: CrewsView; onDone: () => void }) {
  const router = useRouter()
  const { send, busy, problem } = useVerb('set-crew')
  const end = useVerb('end-crew')
  const [crewId] = useState(() => crew?.id ?? newId())
  const [name, setName] = useState(crew?.name ?? '')
  const [truck, setTruck] = useState(crew?.truck ?? '')
  const [people, setPeople] = useState<string[]>(crew?.people ?? [])
  const [methods, setMethods] = useState<Method[]>(crew?.methods ?? [...METHODS])
  const [begins, setBegins] = useState(crew ? sayClock(crew.begins) : '07:00')
  const [hours, setHours] = useState<string[]>(
    (crew?.minutes ?? [480, 480, 480, 480, 480, 0, 0]).map((m) => (m === 0 ? '' : String(m / 60))),
  )
  const at = (field: string) => (problem?.field.startsWith(field) ? problem.message : null)
  const flip = <T,>(list: T[], one: T) =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one]

  async function save(event: FormEvent) {
    event.preventDefault()
    const done = await send({
      crewId,
      name,
      truck: truck.trim() === '' ? null : truck,
      people,
      methods,
      begins: readClock(begins) ?? begins,
      // What is no number is the server's to speak about.
      minutes: hours.map((h) => readHours(h) ?? -1),
    })
    if (done === null) return
    router.refresh()
    onDone()
  }

  return (
    <form onSubmit={(e) => void save(e)} className="grid gap-3 bg-sheet border border-line p-3">
      <div className="grid sm:grid-cols-2 gap-3">
        <Field label="Name" value={name} onChange={(e) => setName(e.target.value)} problem={at('name')} />
        <Field
          label="Truck, and what it carries"
          placeholder="truck 2, tank and lift"
          value={truck}
          onChange={(e) => setTruck(e.target.value)}
          problem={at('truck')}
        />
      </div>
      <fieldset>
        <legend className="label">People</legend>
        <div className="flex flex-wrap gap-x-5">
          {view.people.map((p) => {
            const other = view.crews.find((c) => c.id !== crewId && c.people.includes(p.id))
            return (
              <label key={p.id} className="flex items-center gap-2 min-h-9">
                <input
                  type="checkbox"
                  className="size-5 accent-[var(--color-rust)]"
                  checked={people.includes(p.id)}
                  onChange={() => setPeople((all) => flip(all, p.id))}
                />
                <span>
                  {p.name}
                  <span className="text-small text-ink2">
                    {p.licence ? ', licensed' : ''}
                    {other ? `, in ${other.name}` : ''}
                  </span>
                </span>
              </label>
            )
          })}
        </div>
        <Refusal words={at('people')} />
      </fieldset>
      <div className="grid grid-cols-4 sm:grid-cols-8 gap-2">
        <Field
          label="Begins at"
          value={begins}
          onChange={(e) => setBegins(e.target.value)}
          problem={at('begins')}
        />
        {WEEKDAYS.map((day, i) => (
          <Field
            key={day}
            label={`${day}, hours`}
            inputMode="decimal"
            placeholder="none"
            value={hours[i]}
            onChange={(e) => setHours((all) => all.map((h, k) => (k === i ? e.target.value : h)))}
            problem={at(`minutes[${i}]`)}
          />
        ))}
      </div>
      <fieldset>
        <legend className="label">Does</legend>
        <div className="grid grid-cols-2 sm:grid-cols-4 gap-x-4">
          {METHODS.map((m) => (
            <label key={m} className="flex items-center gap-2 min-h-8 text-small">
              <input
                type="checkbox"
                className="size-5 accent-[var(--color-rust)]"
                checked={methods.includes(m)}
                onChange={() => setMethods((all) => flip(all, m))}
              />
              {METHOD_NAME[m].toLowerCase()}
            </label>
          ))}
        </div>
      </fieldset>
      <ProblemNote
        problem={
          problem &&
          !['name', 'truck', 'people', 'begins', 'minutes['].some((f) => problem.field.startsWith(f))
            ? problem
            : end.problem
        }
      />
      <div className="flex flex-wrap gap-2">
        <Button now type="submit" disabled={busy}>
          Keep
        </Button>
        <Button quiet onClick={onDone}>
          Leave it
        </Button>
        {crew && (
          <Button
            quiet
            className="ml-auto"
            disabled={end.busy}
            onClick={async () => {
              if ((await end.send({ crewId })) === null) return
              router.refresh()
              onDone()
            }}
          >
            End this crew
          </Button>
        )}
      </div>
    </form>
  )
}
