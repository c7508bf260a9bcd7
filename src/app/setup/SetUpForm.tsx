'use client'
import { setUpAsks } from '@/asks/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { Spot } from '@/ui/form/Spot'
import { ownTimeZone, TimeZone } from '@/ui/form/TimeZone'
import { useDoor } from '@/ui/form/useDoor'
import { useAlive } from '@/ui/fields/useAlive'

/** The code, the firm, its first person. Done, it goes on to the first steps. */
export function SetUpForm() {
  const by = useDoor<{ firm: string }>('/api/setup')
  const alive = useAlive()
  // What this device knows by itself stands there already; on the server nothing does.
  if (!alive) return <p className="mt-6 text-ink2">One moment …</p>
  const zone = ownTimeZone()
  return (
    <AskedForm
      asks={setUpAsks}
      start={{
        code: '',
        firm: {
          name: '',
          town: '',
          latitude: '',
          longitude: '',
          timeZone: zone,
          units: zone.startsWith('America/') ? 'us' : 'metric',
          language: 'en',
          jurisdiction: zone.startsWith('America/') ? 'united-states' : 'elsewhere',
        },
        person: { name: '', email: '', password: '', role: 'arborist', licence: '' },
      }}
      by={by}
      onDone={() => window.location.assign('/first-steps')}
      keep="Set up and go on →"
      keeping="Setting up"
      className="grid gap-6 mt-5"
    >
      <div className="max-w-[220px]">
        <Asked at="code" autoFocus autoComplete="off" />
      </div>
      <fieldset className="grid gap-3">
        <legend className="font-head font-bold text-lead mb-1">The firm</legend>
        <Asked at="firm.name" autoComplete="organization" />
        <Asked at="firm.town" />
        <Spot within="firm" />
        <div className="grid sm:grid-cols-2 gap-3">
          <TimeZone at="firm.timeZone" />
          <Asked at="firm.units" />
          <Asked at="firm.jurisdiction" />
          <Asked at="firm.language" />
        </div>
      </fieldset>
      <fieldset className="grid gap-3">
        <legend className="font-head font-bold text-lead mb-1">You</legend>
        <Asked at="person.name" autoComplete="name" />
        <Asked at="person.email" autoComplete="username" />
        <Asked at="person.password" />
        <div className="grid sm:grid-cols-2 gap-3">
          <Asked at="person.role" />
          <Asked at="person.licence" label="Licence number, if you have one" />
        </div>
      </fieldset>
    </AskedForm>
  )
}
