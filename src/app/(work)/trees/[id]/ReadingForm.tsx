'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { readQuantity } from '@/core/quantity/parse'
import { breastHeight, showGirth } from '@/core/quantity/format'
import { measureTrunk } from '@/core/trunk/trunk'
import type { TreeView } from '@/server/read/tree'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Select } from '@/ui/fields/Choice'
import { Toggle } from '@/ui/fields/Toggle'
import { Doubt } from '@/ui/fields/Doubt'

/** A trunk reading: which tape, one number a stem, in any unit. A slip is asked about before it is kept. */
export function ReadingForm({ view }: { view: TreeView }) {
  const router = useRouter()
  const { send, busy, problem, clear, renew } = useVerb('add-reading', {
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
    <form
      onSubmit={submit}
      id="measure"
      className="no-print bg-sheet border border-line p-4 grid gap-3"
      noValidate
    >
      <h2>New reading</h2>
      <Toggle
        label="Which tape?"
        options={[
          ['girth', 'Girth tape'],
          ['diameter', 'Diameter tape'],
        ]}
        value={tape}
        onChange={(t) => {
          setTape(t)
          clear()
        }}
      />
      {stems.map((s, i) => (
        <Field
          key={i}
          label={`${stems.length > 1 ? `Stem ${i + 1}, ` : ''}${tape} at ${breastHeight(view.units)}`.replace(
            /^./,
            (c) => c.toUpperCase(),
          )}
          value={s}
          onChange={(e) => change(stems.map((x, j) => (j === i ? e.target.value : x)))}
          placeholder={bareUnit === 'in' ? '44 1/2' : '113'}
          inputMode="text"
          problem={problem && !doubt && problem.field === `stems[${i}]` ? problem.message : null}
        >
          <Select
            className="!w-[76px]"
            aria-label="Unit of a bare number"
            value={bareUnit}
            onValue={setBareUnit}
            options={[
              ['in', 'in'],
              ['cm', 'cm'],
            ]}
          />
        </Field>
      ))}
      <p className="text-small min-h-[1.4em]" aria-live="polite">
        {preview?.ok && stems.some((s) => s.trim() !== '')
          ? tape === 'girth'
            ? `That is ${showGirth(preview.value.equivalentDiameter, view.units)} through.`
            : `That is a girth of ${showGirth(preview.value.equivalentDiameter * Math.PI, view.units)}.`
          : 'Feet and inches, fractions and centimetres can be typed: 5\' 3", 14 1/2 in, 37 cm.'}
      </p>
      <Doubt
        problem={problem}
        busy={busy}
        onKeep={(code) => {
          const also = [...accepted, code]
          setAccepted(also)
          void save(also)
        }}
      >
        {problem?.field === 'girth-as-diameter' && (
          <Button
            onClick={() => {
              setTape('girth')
              clear()
            }}
          >
            It was the girth
          </Button>
        )}
        {problem?.field === 'diameter-as-girth' && (
          <Button
            onClick={() => {
              setTape('diameter')
              clear()
            }}
          >
            It was the diameter
          </Button>
        )}
        {problem?.field === 'cm-as-in' && (
          <Button
            onClick={() => {
              setBareUnit('cm')
              setStems(stems.map((s) => s.replace(/\s*(in|inches|")$/i, '')))
              clear()
            }}
          >
            It was in cm
          </Button>
        )}
      </Doubt>
      <ProblemNote
        problem={doubt || problem?.field.startsWith('stems[') ? null : problem}
        onAnew={() => {
          renew()
          void save()
        }}
      />
      {saved && (
        <Note says="good" role="status">
          {saved}
        </Note>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="submit"
          className={`btn ${view.readings.length === 0 ? 'btn-now' : ''}`}
          disabled={busy}
        >
          {busy ? 'Keeping' : 'Keep the reading'}
        </button>
        <Button onClick={() => change([...stems, ''])} disabled={stems.length >= 30}>
          Another stem
        </Button>
        {stems.length > 1 && <Button onClick={() => change(stems.slice(0, -1))}>One less</Button>}
      </div>
    </form>
  )
}
