'use client'
import { useState, type FormEvent } from 'react'
import { deviationsOf, type Outcome } from '@/core/ports/outcome'
import { volumeApplied, whyNotFinished } from '@/core/ports/running'
import { showMl, showSpeed, showTemperature } from '@/core/quantity/format'
import type { JobView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import type { JobTree } from './job'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { TextArea } from '@/ui/fields/TextArea'
import { useMay } from '@/ui/shell/may'
import { Doubt } from '@/ui/fields/Doubt'

type Accepted = Exclude<Outcome, 'treated'> | 'wind' | 'temperature'

const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm'] as const

/** The record of one tree: what cannot be known from the ports is asked, the rest is written by the product. */
export function SignRecord({ view, tree, sending }: { view: JobView; tree: JobTree; sending: boolean }) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('sign-record', { makes: 'id' })
  const w = view.weather
  const [form, setForm] = useState({
    lot: '',
    temperature: showTemperature(w.temperature, view.units),
    wind: showSpeed(w.wind, view.units),
    windFrom: w.windFrom as (typeof WINDS)[number],
    sky: w.sky,
    soil: w.soil,
    counted: '',
    notices: '',
    deviations: '',
  })
  const set = (field: keyof typeof form) => (e: { target: { value: string } }) =>
    setForm({ ...form, [field]: e.target.value })
  const at = (field: string) =>
    problem?.code !== 'doubt' && problem?.field === field ? problem.message : null
  const unfinished = whyNotFinished(tree.ports)
  const inField = ['lot', 'temperature', 'wind', 'sky', 'counted', 'notices', 'deviations']

  const [yes, setYes] = useState<Accepted[]>([])
  const doubt = problem?.code === 'doubt' ? problem : null
  const otherwise = deviationsOf(
    tree.ports.map((p) => ({ number: p.number, bearing: p.planned })),
    tree.ports,
    tree.dose.volumeM3,
    tree.dose.uptake.to,
  )

  async function submit(event?: FormEvent, answered?: Accepted) {
    event?.preventDefault()
    // An answer holds for what was asked; a press on the form itself is asked anew.
    const accepted = answered ? [...yes, answered] : []
    setYes(accepted)
    const counted = form.counted.trim() === '' ? null : Number(form.counted)
    const done = await send({
      ...form,
      jobItemId: tree.id,
      counted: Number.isNaN(counted) ? form.counted : counted,
      deviations: form.deviations || null,
      accepted,
    })
    if (done) go(`/ledger/${done.recordId}`)
  }

  return (
    <form onSubmit={submit} className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>Record for {tree.tag}</h2>
      {unfinished ? (
        <Note>{unfinished}</Note>
      ) : (
        <Note says="good">
          {showMl(volumeApplied(tree.ports))} went in through{' '}
          {tree.ports.filter((p) => p.startedAt !== null).length} ports.
        </Note>
      )}
      <Choice
        label="Lot, off the package"
        value={form.lot}
        onValue={(lot) => setForm({ ...form, lot })}
        problem={at('lot')}
        options={[['', 'choose'], ...tree.lots.map((l) => [l.number, l.number] as const)]}
      />
      <Field
        label="Empties counted in"
        inputMode="numeric"
        value={form.counted}
        onChange={set('counted')}
        problem={at('counted')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Temperature"
          value={form.temperature}
          onChange={set('temperature')}
          problem={at('temperature')}
        />
        <Field label="Wind" value={form.wind} onChange={set('wind')} problem={at('wind')} />
        <Choice
          label="Wind from"
          value={form.windFrom}
          onValue={(windFrom) => setForm({ ...form, windFrom })}
          options={WINDS.map((w) => [w, w] as const)}
        />
        <Choice
          label="Soil"
          value={form.soil}
          onValue={(soil) => setForm({ ...form, soil })}
          options={[
            ['moist', 'moist'],
            ['dry', 'dry'],
            ['saturated', 'saturated'],
          ]}
        />
      </div>
      <Field
        label="Sky"
        value={form.sky}
        onChange={set('sky')}
        problem={at('sky')}
        hint="Weather is filled in from the simulated service; correct it by what you see."
      />
      <Field
        label="Notices given"
        value={form.notices}
        onChange={set('notices')}
        problem={at('notices')}
        placeholder="sign at the gate, office told"
      />
      <div>
        {!unfinished && otherwise.length > 0 && (
          <div className="text-small mb-2">
            <p className="label">Otherwise than planned, as it stands in the record</p>
            <ul className="border-l-4 border-straw pl-3">
              {otherwise.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          </div>
        )}
        <TextArea
          label="What went otherwise than planned, and why, in your words"
          rows={2}
          value={form.deviations}
          onChange={set('deviations')}
          problem={at('deviations')}
        />
      </div>
      {doubt ? (
        <Doubt
          problem={doubt}
          busy={busy}
          keep={
            doubt.field === 'wind' || doubt.field === 'temperature'
              ? 'Yes, I measured it'
              : `Yes, sign it as ${doubt.field}`
          }
          onKeep={(code) => void submit(undefined, code as Accepted)}
        />
      ) : (
        <ProblemNote problem={problem && inField.includes(problem.field) ? null : problem} />
      )}
      {!may('sign-record') ? (
        <p className="text-ink2">The crew lead signs under their licence.</p>
      ) : (
        <>
          <Button type="submit" now className="hand-tall" disabled={busy || sending || unfinished !== null}>
            {busy ? 'Signing' : sending ? 'Keeping the last steps' : 'Sign the record'}
          </Button>
          <p className="text-small text-ink2">
            Signed under licence {view.licence ?? 'not on file'}. A record stands as signed; a mistake is put
            right by a correction.
          </p>
        </>
      )}
    </form>
  )
}
