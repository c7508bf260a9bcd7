'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { readQuantity } from '@/core/quantity/parse'
import { showGirth } from '@/core/quantity/format'
import { measureTrunk } from '@/core/trunk/trunk'
import type { TreeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'

/** A trunk reading: which tape, one number a stem, in any unit. A slip is asked about before it is kept. */
export function ReadingForm({ view }: { view: TreeView }) {
  const router = useRouter()
  const { send, busy, problem, clear, renew } = useVerb<{ diameterM: number }>('add-reading', {
    makes: 'id',
  })
  const [tape, setTape] = useState<'girth' | 'diameter'>('girth')
  const [bareUnit, setBareUnit] = useState<'in' | 'cm'>(view.units === 'us' ? 'in' : 'cm')
  const [stems, setStems] = useState([''])
  const [saved, setSaved] = useState<string | null>(null)
  const [accepted, setAccepted] = useState<string[]>([])
  const doubt = problem?.code === 'doubt' ? problem : null
  // A change of units reaches the form too, but never turns a number that is already typed.
  const own = view.units === 'us' ? 'in' : 'cm'
  const [followed, setFollowed] = useState(own)
  if (followed !== own) {
    setFollowed(own)
    if (stems.every((s) => s.trim() === '')) setBareUnit(own)
  }

  function change(next: string[]) {
    setStems(next)
    setAccepted([])
    setSaved(null)
    clear()
  }
  async function save(also: string[] = accepted) {
    const done = await send({ treeId: view.tree.id, tape, bareUnit, stems, accepted: also })
    if (!done) return
    setSaved(`Kept: ${showGirth(done.diameterM, view.units)} through.`)
    setStems([''])
    setAccepted([])
    router.refresh()
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save()
  }

  // What the number means, shown while it is typed, by the same functions that will keep it.
  const parsed = stems.map((s) => readQuantity(s, 'length', 'stem', { bareUnit }))
  const preview = parsed.every((p) => p.ok)
    ? measureTrunk(
        parsed.map((p) =>
          tape === 'girth' ? { girth: p.ok ? p.value.si : 0 } : { diameter: p.ok ? p.value.si : 0 },
        ),
        12,
        view.units,
      )
    : null

  return (
    <form onSubmit={submit} id="measure" className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>New reading</h2>
      <fieldset>
        <legend className="label">Which tape?</legend>
        <div className="grid grid-cols-2 gap-2">
          {(['girth', 'diameter'] as const).map((t) => (
            <label key={t} className={`btn ${tape === t ? '!border-rust !bg-rust-soft !text-rust' : ''}`}>
              <input
                type="radio"
                name="tape"
                className="sr-only"
                checked={tape === t}
                onChange={() => {
                  setTape(t)
                  clear()
                }}
              />
              {t === 'girth' ? 'Girth tape' : 'Diameter tape'}
            </label>
          ))}
        </div>
      </fieldset>
      {stems.map((s, i) => (
        <Field
          key={i}
          label={`${stems.length > 1 ? `Stem ${i + 1}, ` : ''}${tape} at 4 1/2 ft`.replace(/^./, (c) =>
            c.toUpperCase(),
          )}
          value={s}
          onChange={(e) => change(stems.map((x, j) => (j === i ? e.target.value : x)))}
          placeholder={bareUnit === 'in' ? '44 1/2' : '113'}
          inputMode="text"
          problem={problem && !doubt && problem.field === `stems[${i}]` ? problem.message : null}
        >
          <select
            className="field !w-[76px]"
            aria-label="Unit of a bare number"
            value={bareUnit}
            onChange={(e) => setBareUnit(e.target.value as 'in' | 'cm')}
          >
            <option>in</option>
            <option>cm</option>
          </select>
        </Field>
      ))}
      <p className="text-[0.92rem] min-h-[1.4em]" aria-live="polite">
        {preview?.ok && stems.some((s) => s.trim() !== '')
          ? tape === 'girth'
            ? `That is ${showGirth(preview.value.equivalentDiameter, view.units)} through.`
            : `That is a girth of ${showGirth(preview.value.equivalentDiameter * Math.PI, view.units)}.`
          : 'Feet and inches, fractions and centimetres can be typed: 5\' 3", 14 1/2 in, 37 cm.'}
      </p>
      {doubt && (
        <div className="note" role="alert">
          <p>{doubt.message}</p>
          <div className="flex flex-wrap gap-2 mt-2">
            {doubt.field === 'girth-as-diameter' && (
              <button
                type="button"
                className="btn"
                onClick={() => {
                  setTape('girth')
                  clear()
                }}
              >
                It was the girth
              </button>
            )}
            {doubt.field === 'diameter-as-girth' && (
              <button
                type="button"
                className="btn"
                onClick={() => {
                  setTape('diameter')
                  clear()
                }}
              >
                It was the diameter
              </button>
            )}
            {doubt.field === 'cm-as-in' && (
              <button
                type="button"
                className="btn"
                onClick={() => {
                  setBareUnit('cm')
                  setStems(stems.map((s) => s.replace(/\s*(in|inches|")$/i, '')))
                  clear()
                }}
              >
                It was in cm
              </button>
            )}
            <button
              type="button"
              className="btn"
              disabled={busy}
              onClick={() => {
                const also = [...accepted, doubt.field]
                setAccepted(also)
                void save(also)
              }}
            >
              It is right, keep it
            </button>
          </div>
        </div>
      )}
      <ProblemNote
        problem={doubt || problem?.field.startsWith('stems[') ? null : problem}
        onAnew={() => {
          renew()
          void save()
        }}
      />
      {saved && (
        <p className="note note-good" role="status">
          {saved}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="submit"
          className={`btn ${view.readings.length === 0 ? 'btn-now' : ''}`}
          disabled={busy}
        >
          {busy ? 'Keeping' : 'Keep the reading'}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => change([...stems, ''])}
          disabled={stems.length >= 30}
        >
          Another stem
        </button>
        {stems.length > 1 && (
          <button type="button" className="btn" onClick={() => change(stems.slice(0, -1))}>
            One less
          </button>
        )}
      </div>
    </form>
  )
}
