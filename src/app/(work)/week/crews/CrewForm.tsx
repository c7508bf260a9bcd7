'use client'
import { METHODS, METHOD_NAME } from '@/core/methods/names'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { type Method } from '@/core/card/card'
import type { Crew } from '@/core/roster/crew'
import { sayClock } from '@/core/roster/span'
import { WEEKDAYS } from '@/core/time/calendar'
import type { CrewsView } from '@/server/read/week'
import { Field } from '@/ui/fields/Field'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked, AskedBy } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { Ticks } from '@/ui/fields/Ticks'
import { setCrewAsks } from '@/asks/crews'

/** A crew written down or changed. */
export function CrewForm({ crew, view, onDone }: { crew: Crew | null; view: CrewsView; onDone: () => void }) {
  const router = useRouter()
  const by = useStep('set-crew')
  const end = useVerb('end-crew')
  const [crewId] = useState(() => crew?.id ?? newId())
  const kept = () => {
    router.refresh()
    onDone()
  }
  return (
    <AskedForm
      asks={setCrewAsks}
      start={{
        name: crew?.name ?? '',
        truck: crew?.truck ?? '',
        people: crew?.people ?? [],
        methods: crew?.methods ?? [...METHODS],
        begins: crew ? sayClock(crew.begins) : '07:00',
        minutes: (crew?.minutes ?? [480, 480, 480, 480, 480, 0, 0]).map((m) =>
          m === 0 ? '' : String(m / 60),
        ),
      }}
      fixed={{ crewId }}
      by={by}
      onDone={kept}
      keep="Keep"
      onLeave={onDone}
      more={
        crew && (
          <Button
            quiet
            className="ml-auto"
            disabled={end.busy}
            onClick={async () => {
              if ((await end.send({ crewId })) !== null) kept()
            }}
          >
            End this crew
          </Button>
        )
      }
      className="grid gap-3 bg-sheet border border-line p-3"
    >
      <div className="grid sm:grid-cols-2 gap-3">
        <Asked at="name" />
        <Asked at="truck" />
      </div>
      <AskedBy<string[]> at="people">
        {({ about, value, set, problem }) => (
          <Ticks
            legend={about.label}
            className="flex flex-wrap gap-x-5"
            options={view.people.map((p) => {
              const other = view.crews.find((c) => c.id !== crewId && c.people.includes(p.id))
              return [
                p.id,
                <>
                  {p.name}
                  <span className="text-small text-ink2">
                    {p.licence ? ', licensed' : ''}
                    {other ? `, in ${other.name}` : ''}
                  </span>
                </>,
              ] as const
            })}
            chosen={value}
            onChosen={set}
            problem={problem}
          />
        )}
      </AskedBy>
      <div className="grid grid-cols-4 sm:grid-cols-8 gap-2">
        <Asked at="begins" />
        {WEEKDAYS.map((day, i) => (
          <AskedBy<string> key={day} at={`minutes.${i}`}>
            {({ value, set, problem }) => (
              <Field
                label={`${day}, hours`}
                inputMode="decimal"
                placeholder="none"
                value={value}
                onChange={(e) => set(e.target.value)}
                problem={problem}
              />
            )}
          </AskedBy>
        ))}
      </div>
      <AskedBy<Method[]> at="methods">
        {({ about, value, set, problem }) => (
          <Ticks
            legend={about.label}
            className="grid grid-cols-2 sm:grid-cols-4 gap-x-4 text-small"
            options={METHODS.map((m) => [m, METHOD_NAME[m].toLowerCase()] as const)}
            chosen={value}
            onChosen={set}
            problem={problem}
          />
        )}
      </AskedBy>
      <ProblemNote problem={end.problem} />
    </AskedForm>
  )
}
