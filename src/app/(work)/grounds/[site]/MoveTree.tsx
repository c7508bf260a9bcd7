'use client'
import type { Spot } from '@/core/place/onGlobe'
import { readPlace, type TypedPlace } from '@/core/place/place'
import { ok } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import type { SiteView } from '@/server/read/grounds'
import { useGo } from '@/ui/shell/useGo'
import { ByPosition } from './ByPosition'
import { AskedPlace } from './AskedPlace'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { z } from 'zod'

/** Nothing is typed in it but the place, which the page keeps. */
const PLACE_ALONE = z.strictObject({})

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
  return (
    <AskedForm
      asks={PLACE_ALONE}
      start={{}}
      fixed={{ treeId: tree.id, version: tree.version }}
      sends={() => {
        const read = readPlace(place, units)
        return read.ok ? ok({ ...read.value }) : read
      }}
      by={useStep('move-tree')}
      onDone={() => go(`/trees/${tree.id}`)}
      keep="Keep this place →"
      onLeave={() => go(`/trees/${tree.id}`)}
      className="bg-sheet border border-line p-4 grid gap-3"
    >
      <h2>Move {tree.tag}</h2>
      <AskedPlace place={place} units={units} onPlace={onPlace} />
      <ByPosition corner={corner} units={units} onPlace={onPlace} />
    </AskedForm>
  )
}
