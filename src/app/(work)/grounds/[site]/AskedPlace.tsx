'use client'
import type { TypedPlace } from '@/core/place/place'
import type { UnitSystem } from '@/core/quantity/format'
import { useRefusal } from '@/ui/form/AskedForm'
import { PlaceFields } from './PlaceFields'

/** Where a tree stands, in a form: what is refused of either distance is told beside it. */
export function AskedPlace(place: {
  place: TypedPlace
  units: UnitSystem
  onPlace: (place: TypedPlace) => void
}) {
  const [east, north] = [useRefusal('eastM'), useRefusal('northM')]
  return <PlaceFields {...place} problems={{ eastM: east, northM: north }} />
}
