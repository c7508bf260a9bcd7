'use client'
import { useState, type FormEvent } from 'react'
import { deviationsOf } from '@/core/ports/outcome'
import { volumeApplied, whyNotFinished } from '@/core/ports/running'
import { showMl, showSpeed, showTemperature } from '@/core/quantity/format'
import type { JobView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import type { JobTree } from './usePorts'

const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm']

/** The record of one tree: what cannot be known from the ports is asked, the rest is written by the product. */
export function SignRecord({ view, tree, sending }: { view: JobView; tree: JobTree; sending: boolean }) {
  const go = useGo()
  const { send, busy, problem } = useVerb<{ recordId: string }>('sign-record', { makes: 'id' })
  const w = view.weather
  const [form, setForm] = useState({
    lot: '',
    temperature: showTemperature(w.temperature, view.units),
    wind: showSpeed(w.wind, view.units),
    windFrom: w.windFrom,
    sky: w.sky,
    soil: w.soil as string,
    counted: '',
    notices: '',
    deviations: '',
  })
  const set = (field: keyof typeof form) => (e: { target: { value: string } }) =>
    setForm({ ...form, [field]: e.target.value })
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  const unfinished = whyNotFinished(tree.ports)
  const inField = ['lot', 'temperature', 'wind', 'sky', 'counted', 'notices', 'deviations']

  const doubt = problem?.code === 'doubt' ? problem : null
  const otherwise = deviationsOf(
    tree.ports.map((p) => ({ number: p.number, bearing: p.planned })),
    tree.ports,
    tree.dose.volumeM3,
    tree.dose.uptake.to,
  )

  async function submit(event?: FormEvent, accepted: string[] = []) {
    event?.preventDefault()
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
        <p className="note">{unfinished}</p>
      ) : (
        <p className="note note-good">
          {showMl(volumeApplied(tree.ports))} went in through{' '}
          {tree.ports.filter((p) => p.startedAt !== null).length} ports.
        </p>
      )}
      <div>
        <label className="label" htmlFor="lot">
          Lot, off the package
        </label>
        <select
          id="lot"
          className="field"
          value={form.lot}
          onChange={set('lot')}
          aria-invalid={at('lot') ? true : undefined}
        >
          <option value="">choose</option>
          {tree.lots.map((l) => (
            <option key={l.id}>{l.number}</option>
          ))}
        </select>
        {at('lot') && <p className="text-plum font-semibold text-[0.88rem]">{at('lot')}</p>}
      </div>
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
        <Choice label="Wind from" value={form.windFrom} onChange={set('windFrom')} options={WINDS} />
        <Choice
          label="Soil"
          value={form.soil}
          onChange={set('soil')}
          options={['moist', 'dry', 'saturated']}
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
          <div className="text-[0.92rem] mb-2">
            <p className="label">Otherwise than planned, as it stands in the record</p>
            <ul className="border-l-4 border-straw pl-3">
              {otherwise.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          </div>
        )}
        <label className="label" htmlFor="deviations">
          What went otherwise than planned, and why, in your words
        </label>
        <textarea
          id="deviations"
          rows={2}
          className="field"
          value={form.deviations}
          onChange={set('deviations')}
        />
        {at('deviations') && <p className="text-plum font-semibold text-[0.88rem]">{at('deviations')}</p>}
      </div>
      {doubt ? (
        <div className="note note-stop" role="alert">
          <p>{doubt.message}</p>
          <button
            type="button"
            className="btn mt-2"
            disabled={busy}
            onClick={() => void submit(undefined, [doubt.field])}
          >
            Yes, sign it as {doubt.field}
          </button>
        </div>
      ) : (
        <ProblemNote problem={problem && inField.includes(problem.field) ? null : problem} />
      )}
      {view.role === 'technician' || view.role === 'office' ? (
        <p className="text-ink2">The crew lead signs under their licence.</p>
      ) : (
        <>
          <button
            type="submit"
            className="btn btn-now hand-tall"
            disabled={busy || sending || unfinished !== null}
          >
            {busy ? 'Signing' : sending ? 'Keeping the last steps' : 'Sign the record'}
          </button>
          <p className="text-[0.88rem] text-ink2">
            Signed under licence {view.licence ?? 'not on file'}. A record stands as signed; a mistake is put
            right by a correction.
          </p>
        </>
      )}
    </form>
  )
}

function Choice({
  label,
  value,
  onChange,
  options,
}: {
  label: string
  value: string
  onChange: (e: { target: { value: string } }) => void
  options: string[]
}) {
  return (
    <label>
      <span className="label">{label}</span>
      <select className="field" value={value} onChange={onChange}>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  )
}
