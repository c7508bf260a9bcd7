'use client'
import { useState, type FormEvent } from 'react'
import { HOSTS, hostName } from '@/almanac/hosts'
import { lineage } from '@/core/kind/kind'
import type { Spot } from '@/core/place/onGlobe'
import { readPlace, type TypedPlace } from '@/core/place/place'
import type { Problem } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import { Choice } from '@/ui/fields/Choice'
import { Doubt } from '@/ui/fields/Doubt'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useGo } from '@/ui/shell/useGo'
import { ByPosition } from './ByPosition'
import { PlaceFields } from './PlaceFields'

/** By name; a narrower kind stands with its wider one. */
const KINDS = [...HOSTS].sort((a, b) => placeOf(a.id).localeCompare(placeOf(b.id)))
function placeOf(kind: string): string {
  return lineage(kind).reverse().map(hostName).join(' ')
}
const IN_FIELDS = ['tag', 'host', 'eastM', 'northM', 'note']

/** What is typed of a new tree beside its place; it is kept by the page, which outlives the form. */
export interface TypedTree {
  tag: string
  host: string
  note: string
}

/** A new tree: tag, kind, place on the plan. Saved, it opens for measuring. */
export function NewTree({
  siteId,
  ownHosts,
  units,
  corner,
  place,
  onPlace,
  typed,
  onTyped,
  onDone,
}: {
  siteId: string
  ownHosts: readonly { id: string; name: string; botanical: string }[]
  units: UnitSystem
  corner: Spot | null
  place: TypedPlace
  onPlace: (place: TypedPlace) => void
  typed: TypedTree
  onTyped: (part: Partial<TypedTree>) => void
  onDone: () => void
}) {
  const go = useGo()
  const verb = useVerb('add-tree', { makes: 'id' })
  const [misread, setMisread] = useState<Problem | null>(null)
  const { tag, host, note } = typed
  const problem = misread ?? verb.problem
  const at = (field: string) => (problem?.field === field ? problem.message : null)

  async function save(accepted: string[] = []) {
    const read = readPlace(place, units)
    setMisread(read.ok ? null : read.problem)
    if (!read.ok) return
    const added = await verb.send({ siteId, tag, host, note: note || null, ...read.value, accepted })
    if (added) go(`/trees/${added.id}#measure`)
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save()
  }

  return (
    <form onSubmit={submit} className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>New tree</h2>
      <Field
        label="Tag"
        value={tag}
        onChange={(e) => onTyped({ tag: e.target.value })}
        placeholder="Ash 18"
        problem={at('tag')}
        autoFocus
      />
      <Choice
        label="Kind, as far as you can tell now"
        value={host}
        onValue={(kind) => onTyped({ host: kind })}
        problem={at('host')}
        options={[
          ['', 'choose'],
          ...[...KINDS, ...ownHosts].map((h) => [h.id, `${h.name} (${h.botanical})`] as const),
        ]}
      />
      <PlaceFields place={place} units={units} problem={problem} onPlace={onPlace} />
      <ByPosition corner={corner} units={units} onPlace={onPlace} />
      <Field
        label="Note, if any"
        value={note}
        onChange={(e) => onTyped({ note: e.target.value })}
        problem={at('note')}
      />
      <Doubt problem={problem} busy={verb.busy} onKeep={(code) => void save([code])} />
      <ProblemNote
        problem={problem && (problem.code === 'doubt' || IN_FIELDS.includes(problem.field)) ? null : problem}
        onAnew={() => {
          verb.renew()
          void save()
        }}
      />
      <div className="flex gap-2">
        <Button type="submit" now disabled={verb.busy}>
          {verb.busy ? 'Saving' : 'Add and measure →'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  )
}
