'use client'
import { useState, type FormEvent } from 'react'
import { HOSTS } from '@/almanac/hosts'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'

const KINDS = [...HOSTS].sort((a, b) => a.name.localeCompare(b.name))

/** A new tree: tag, kind, place on the plan. Saved, it opens for measuring. */
export function NewTree({
  siteId,
  ownHosts,
  place,
  onPlace,
  onDone,
}: {
  siteId: string
  ownHosts: readonly { id: string; name: string; botanical: string }[]
  place: { east: string; north: string } | null
  onPlace: (place: { east: string; north: string } | null) => void
  onDone: () => void
}) {
  const go = useGo()
  const { send, busy, problem, renew } = useVerb<{ id: string }>('add-tree', { makes: 'id' })
  const [tag, setTag] = useState('')
  const [host, setHost] = useState('')
  const [note, setNote] = useState('')
  const at = (field: string) => (problem?.field === field ? problem.message : null)

  async function submit(event?: FormEvent) {
    event?.preventDefault()
    const added = await send({
      siteId,
      tag,
      host,
      note: note || null,
      eastM: number(place?.east),
      northM: number(place?.north),
    })
    if (added) go(`/trees/${added.id}#measure`)
  }
  const number = (text = '') => (text.trim() === '' || Number.isNaN(Number(text)) ? null : Number(text))

  return (
    <form onSubmit={submit} className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>New tree</h2>
      <Field
        label="Tag"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        placeholder="Ash 18"
        problem={at('tag')}
        autoFocus
      />
      <div>
        <label className="label" htmlFor="kind">
          Kind, as far as you can tell now
        </label>
        <select
          id="kind"
          className="field"
          value={host}
          onChange={(e) => setHost(e.target.value)}
          aria-invalid={at('host') ? true : undefined}
        >
          <option value="">choose</option>
          {[...KINDS, ...ownHosts].map((h) => (
            <option key={h.id} value={h.id}>
              {h.name} ({h.botanical})
            </option>
          ))}
        </select>
        {at('host') && <p className="text-plum font-semibold text-[0.88rem]">{at('host')}</p>}
      </div>
      <div>
        <p className="label">Place: press on the plan, or type metres from its lower left corner</p>
        <div className="grid grid-cols-2 gap-2">
          <Field
            label="East, m"
            inputMode="decimal"
            value={place?.east ?? ''}
            onChange={(e) => onPlace({ east: e.target.value, north: place?.north ?? '' })}
            problem={at('eastM')}
          />
          <Field
            label="North, m"
            inputMode="decimal"
            value={place?.north ?? ''}
            onChange={(e) => onPlace({ east: place?.east ?? '', north: e.target.value })}
            problem={at('northM')}
          />
        </div>
      </div>
      <Field
        label="Note, if any"
        value={note}
        onChange={(e) => setNote(e.target.value)}
        problem={at('note')}
      />
      <ProblemNote
        problem={
          problem && ['tag', 'host', 'eastM', 'northM', 'note'].includes(problem.field) ? null : problem
        }
        onAnew={() => {
          renew()
          void submit()
        }}
      />
      <div className="flex gap-2">
        <button type="submit" className="btn btn-now" disabled={busy}>
          {busy ? 'Saving' : 'Add and measure →'}
        </button>
        <button type="button" className="btn" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  )
}
