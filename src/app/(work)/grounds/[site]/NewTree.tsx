'use client'
import { useEffect } from 'react'
import { HOSTS, hostName } from '@/almanac/hosts'
import { lineage } from '@/core/kind/kind'
import type { Spot } from '@/core/place/onGlobe'
import { readPlace, type TypedPlace } from '@/core/place/place'
import type { UnitSystem } from '@/core/quantity/format'
import { useGo } from '@/ui/shell/useGo'
import { ByPosition } from './ByPosition'
import { AskedPlace } from './AskedPlace'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { useFormContext } from 'react-hook-form'
import { newTreeAsks } from '@/asks/trees'

/** By name; a narrower kind stands with its wider one. */
const KINDS = [...HOSTS].sort((a, b) => placeOf(a.id).localeCompare(placeOf(b.id)))
function placeOf(kind: string): string {
  return lineage(kind).reverse().map(hostName).join(' ')
}

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
  onTyped: (typed: TypedTree) => void
  onDone: () => void
}) {
  const go = useGo()
  const by = useStep('add-tree', 'id')
  return (
    <AskedForm
      asks={newTreeAsks}
      start={typed}
      sends={(tree) => {
        const read = readPlace(place, units)
        return read.ok ? ok({ siteId, ...tree, ...read.value }) : read
      }}
      by={by}
      onDone={({ id }) => go(`/trees/${id}#measure`)}
      keep="Add and measure →"
      onLeave={onDone}
      className="bg-sheet border border-line p-4 grid gap-3"
    >
      <Keep onTyped={onTyped} />
      <h2>New tree</h2>
      <Asked at="tag" autoFocus />
      <Asked
        at="host"
        options={[
          ['', 'choose'],
          ...[...KINDS, ...ownHosts].map((h) => [h.id, `${h.name} (${h.botanical})`] as const),
        ]}
      />
      <AskedPlace place={place} units={units} onPlace={onPlace} />
      <ByPosition corner={corner} units={units} onPlace={onPlace} />
      <Asked at="note" />
    </AskedForm>
  )
}

/** Tells the page what is typed. */
function Keep({ onTyped }: { onTyped: (typed: TypedTree) => void }) {
  const { subscribe } = useFormContext<TypedTree>()
  useEffect(
    () => subscribe({ formState: { values: true }, callback: ({ values }) => onTyped(values) }),
    [subscribe, onTyped],
  )
  return null
}
