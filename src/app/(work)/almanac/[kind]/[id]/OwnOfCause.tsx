'use client'
import { useState } from 'react'
import { HOW_WELL, WAY_METHODS, type HowWell, type WayMethod } from '@/core/decide/way'
import type { AlmanacView } from '@/server/read/almanac'
import { OwnForm, useOwnEntry, wordsOf } from '../../OwnForm'
import { Ours } from './Ours'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { Toggle } from '@/ui/fields/Toggle'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { wayName } from '@/ui/ways/Ways'

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
  const verb = useOwnEntry(onDone)
  const [how, setHow] = useState<'sample' | 'test'>('sample')
  const [typed, setTyped] = useState({ name: '', take: '', note: '', days: '10', minutes: '15' })
  const of = wordsOf(typed, setTyped, verb.at)
  return (
    <OwnForm
      title="A test of our own"
      verb={verb}
      fields={['name', 'take', 'note', 'days', 'minutes']}
      onDone={onDone}
      onSend={() =>
        verb.keep({
          kind: 'test',
          ...typed,
          how,
          settles: [cause],
          days: how === 'test' ? 0 : Number(typed.days),
          minutes: Number(typed.minutes),
        })
      }
    >
      <Toggle
        label="Where it is made"
        options={[
          ['sample', 'in a laboratory'],
          ['test', 'on the spot'],
        ]}
        value={how}
        onChange={setHow}
      />
      <Field label="Name" {...of('name')} />
      <Field label="What to take, and how" {...of('take')} />
      <Field label="What the answer is worth" {...of('note')} />
      <div className="grid grid-cols-2 gap-3">
        {how === 'sample' && <Field label="Days until the answer" inputMode="numeric" {...of('days')} />}
        <Field label="Minutes to take it" inputMode="numeric" {...of('minutes')} />
      </div>
    </OwnForm>
  )
}

function OwnWay({ cause, onDone }: { cause: string; onDone: () => void }) {
  const verb = useOwnEntry(onDone)
  const [method, setMethod] = useState<WayMethod>('crown-spray')
  const [well, setWell] = useState<HowWell>('holds it down')
  const [typed, setTyped] = useState({ what: '', when: '', again: '' })
  const of = wordsOf(typed, setTyped, verb.at)
  return (
    <OwnForm
      title="A way of our own"
      verb={verb}
      fields={['what', 'when', 'again']}
      onDone={onDone}
      onSend={() => verb.keep({ kind: 'way', cause, method, well, ...typed })}
    >
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Method"
          options={WAY_METHODS.map((m) => [m, wayName(m)] as const)}
          value={method}
          onValue={setMethod}
        />
        <Choice
          label="How well it works"
          options={HOW_WELL.map((h) => [h, h] as const)}
          value={well}
          onValue={setWell}
        />
      </div>
      <Field label="What is done" {...of('what')} />
      <Field label="When" {...of('when')} />
      <Field label="How often" {...of('again')} />
    </OwnForm>
  )
}
