'use client'
import { useState, type FormEvent } from 'react'
import type { Spot } from '@/core/place/onGlobe'
import { readPlace, type TypedPlace } from '@/core/place/place'
import type { Problem } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import type { SiteView } from '@/server/read/grounds'
import { Doubt } from '@/ui/fields/Doubt'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { useGo } from '@/ui/shell/useGo'
import { ByPosition } from './ByPosition'
import { PlaceFields } from './PlaceFields'

/** Puts a tree where it stands on the plan. */
export function MoveTree({
  tree,
  units,
  corner,
  place,
  onPlace,
}: {
  tree: NonNullable<SiteView['moving']>
  units: UnitSystem
  corner: Spot | null
  place: TypedPlace
  onPlace: (place: TypedPlace) => void
}) {
  const go = useGo()
  const verb = useVerb('move-tree')
  const [misread, setMisread] = useState<Problem | null>(null)
  const problem = misread ?? verb.problem

  async function save(accepted: string[] = []) {
    const read = readPlace(place, units)
    setMisread(read.ok ? null : read.problem)
    if (!read.ok) return
    if (await verb.send({ treeId: tree.id, version: tree.version, ...read.value, accepted }))
      go(`/trees/${tree.id}`)
  }
  function submit(event: FormEvent) {
    event.preventDefault()
    void save()
  }

  return (
    <form onSubmit={submit} className="bg-sheet border border-line p-4 grid gap-3" noValidate>
      <h2>Move {tree.tag}</h2>
      <PlaceFields place={place} units={units} problem={problem} onPlace={onPlace} />
      <ByPosition corner={corner} units={units} onPlace={onPlace} />
      <Doubt problem={problem} busy={verb.busy} onKeep={(code) => void save([code])} />
      <ProblemNote
        problem={
          problem && (problem.code === 'doubt' || ['eastM', 'northM'].includes(problem.field))
            ? null
            : problem
        }
      />
      <div className="flex gap-2">
        <Button type="submit" now disabled={verb.busy}>
          {verb.busy ? 'Saving' : 'Keep this place →'}
        </Button>
        <ButtonLink href={`/trees/${tree.id}`}>Leave it</ButtonLink>
      </div>
    </form>
  )
}
