'use client'
import { Absences } from './Absences'
import { CrewForm } from './CrewForm'
import { METHODS, METHOD_NAME } from '@/core/methods/names'
import { Link } from '@/ui/pieces/Link'
import { useState } from 'react'
import type { Crew } from '@/core/roster/crew'
import { sayWeekdays } from '@/core/roster/siteHours'
import { sayClock } from '@/core/roster/span'
import type { CrewsView } from '@/server/read/week'
import { CalendarLinks } from '@/ui/calendar/CalendarLinks'
import { Button } from '@/ui/pieces/Button'
import { May } from '@/ui/shell/may'
import { shortHours } from '../StopCard'

/** The firm's crews: who goes out together, with what, when and for what; and who is away. */
export function Crews({ view }: { view: CrewsView }) {
  const [open, setOpen] = useState<string | null>(view.crews.length === 0 ? 'new' : null)
  const idle = view.people.filter((p) => !view.crews.some((c) => c.people.includes(p.id)))
  return (
    <>
      <p className="text-small">
        <Link href="/week" className="underline underline-offset-2">
          Week
        </Link>
      </p>
      <h1>Crews</h1>
      <ul className="mt-2 max-w-4xl">
        {view.crews.map((crew) => (
          <li key={crew.id} className="border-b border-line py-3">
            {open === crew.id ? (
              <CrewForm key={crew.id} crew={crew} view={view} onDone={() => setOpen(null)} />
            ) : (
              <div className="flex flex-wrap justify-between gap-x-4 gap-y-2">
                <div className="min-w-0">
                  <h2>{crew.name}</h2>
                  <p>
                    {view.people
                      .filter((p) => crew.people.includes(p.id))
                      .map((p) => `${p.name}${p.licence ? ', licensed' : ''}`)
                      .join(' · ') || 'nobody yet'}
                    {crew.truck && <span className="text-ink2"> · {crew.truck}</span>}
                  </p>
                  <p className="text-small">{sayHours(crew)}</p>
                  <p className="text-small text-ink2">{sayDoes(crew)}</p>
                </div>
                <CalendarLinks
                  of={{ crewId: crew.id, clientId: null }}
                  links={view.links.filter((l) => l.crewId === crew.id)}
                  timeZone={view.timeZone}
                />
                <May step="set-crew">
                  <Button className="self-start" onClick={() => setOpen(crew.id)}>
                    Change
                  </Button>
                </May>
              </div>
            )}
          </li>
        ))}
      </ul>
      <p className="text-small text-ink2 mt-2">
        {idle.length > 0 && `In no crew: ${idle.map((p) => p.name).join(', ')}.`}
      </p>
      <May step="set-crew">
        {open === 'new' ? (
          <div className="mt-3 max-w-4xl">
            <h2>A new crew</h2>
            <CrewForm crew={null} view={view} onDone={() => setOpen(null)} />
          </div>
        ) : (
          <Button className="mt-3" onClick={() => setOpen('new')}>
            Add a crew
          </Button>
        )}
      </May>
      <Absences view={view} />
    </>
  )
}

/** "Mon to Thu 06:30, 8 h; Fri 06:30, 6 h" */
function sayHours(crew: Crew): string {
  const byMinutes = new Map<number, number[]>()
  for (const [i, minutes] of crew.minutes.entries())
    if (minutes > 0) byMinutes.set(minutes, [...(byMinutes.get(minutes) ?? []), i + 1])
  return (
    [...byMinutes]
      .map(([minutes, days]) => `${sayWeekdays(days)} from ${sayClock(crew.begins)}, ${shortHours(minutes)}`)
      .join('; ') || 'on no day of the week'
  )
}

function sayDoes(crew: Crew): string {
  const not = METHODS.filter((m) => !crew.methods.includes(m))
  if (not.length === 0) return 'Does every kind of work.'
  if (not.length < 6)
    return `Does every kind of work but ${not.map((m) => METHOD_NAME[m].toLowerCase()).join(', ')}.`
  return `Does ${crew.methods.map((m) => METHOD_NAME[m].toLowerCase()).join(', ') || 'nothing yet'}.`
}
