'use client'
import type { TypedPlace } from '@/core/place/place'
import type { UnitSystem } from '@/core/quantity/format'
import { Field } from '@/ui/fields/Field'

/** Where a tree stands: pressed on the plan, or typed as two distances from its lower left corner. */
export function PlaceFields({
  place,
  units,
  problems,
  onPlace,
}: {
  place: TypedPlace
  units: UnitSystem
  /** What is refused of either distance. */
  problems: { eastM: string | null; northM: string | null }
  onPlace: (place: TypedPlace) => void
}) {
  const unit = units === 'us' ? 'ft' : 'm'
  return (
    <div role="group" aria-label="Place">
      <p className="label">Place: press on the plan, or type both distances from its lower left corner</p>
      <div className="grid grid-cols-2 gap-2">
        <Field
          label={`East, ${unit}`}
          value={place.east}
          onChange={(e) => onPlace({ ...place, east: e.target.value })}
          problem={problems.eastM}
        />
        <Field
          label={`North, ${unit}`}
          value={place.north}
          onChange={(e) => onPlace({ ...place, north: e.target.value })}
          problem={problems.northM}
        />
      </div>
    </div>
  )
}
