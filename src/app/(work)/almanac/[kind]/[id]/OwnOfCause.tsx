'use client'
import { useState } from 'react'
import { WAY_METHODS } from '@/core/decide/way'
import type { AlmanacView } from '@/server/read/almanac'
import { OwnForm } from '../../OwnForm'
import { Ours } from './Ours'
import { Toggle } from '@/ui/fields/Toggle'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { wayName } from '@/ui/ways/Ways'
import { Asked, useAsked } from '@/ui/form/Asked'
import { ok } from '@/core/problem'
import { useWatch } from 'react-hook-form'
import { ownTestAsks, ownWayAsks } from '@/asks/almanac'

/** What the firm has added to a cause: tests that prove it, ways of working on it. Each is taken out again by one press. */
export function OwnOfCause({ cause, view }: { cause: string; view: AlmanacView }) {
  const may = useMay()
  const [adding, setAdding] = useState<'test' | 'way' | null>(null)
  const own = view.own.filter(
    ({ entry: e }) =>
      (e.kind === 'test' && e.settles.includes(cause)) || (e.kind === 'way' && e.cause === cause),
  )
  if (!may('set-own-entry')) return null
  return (
    <div className="grid gap-3">
      {own.length > 0 && (
        <ul aria-label="Ours" className="border-t border-line">
          {own.map((o) => (
            <li key={o.id} className="py-1.5 border-b border-line2">
              <Ours own={o} />
            </li>
          ))}
        </ul>
      )}
      {adding === null ? (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setAdding('test')}>Add a test of our own</Button>
          <Button onClick={() => setAdding('way')}>Add a way of our own</Button>
        </div>
      ) : adding === 'test' ? (
        <OwnTest cause={cause} onDone={() => setAdding(null)} />
      ) : (
        <OwnWay cause={cause} onDone={() => setAdding(null)} />
      )}
    </div>
  )
}

function OwnTest({ cause, onDone }: { cause: string; onDone: () => void }) {
  return (
    <OwnForm
      title="A test of our own"
      asks={ownTestAsks}
      is={{ kind: 'test', settles: [cause] }}
      start={{ how: 'sample', name: '', take: '', note: '', days: '10', minutes: '15' }}
      entry={(typed) => ok({ ...typed, ...(typed.how === 'test' && { days: 0 }) })}
      onDone={onDone}
    >
      <HowMade />
      <Asked at="name" />
      <Asked at="take" />
      <Asked at="note" />
      <div className="grid grid-cols-2 gap-3">
        <Days />
        <Asked at="minutes" />
      </div>
    </OwnForm>
  )
}

function HowMade() {
  const { about, value, set } = useAsked<string>('how')
  return <Toggle label={about.label} options={about.options!} value={value} onChange={set} />
}

/** A test on the spot is answered at once. */
function Days() {
  return useWatch({ name: 'how' }) === 'sample' && <Asked at="days" />
}

function OwnWay({ cause, onDone }: { cause: string; onDone: () => void }) {
  return (
    <OwnForm
      title="A way of our own"
      asks={ownWayAsks}
      is={{ kind: 'way', cause }}
      start={{ method: 'crown-spray', well: 'holds it down', what: '', when: '', again: '' }}
      onDone={onDone}
    >
      <div className="grid grid-cols-2 gap-3">
        <Asked at="method" options={WAY_METHODS.map((m) => [m, wayName(m)] as const)} />
        <Asked at="well" />
      </div>
      <Asked at="what" />
      <Asked at="when" />
      <Asked at="again" />
    </OwnForm>
  )
}
