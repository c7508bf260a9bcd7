'use client'
import { useState } from 'react'
import { onPlan, type Spot } from '@/core/place/onGlobe'
import { showPlace, type TypedPlace } from '@/core/place/place'
import { readSpot } from '@/core/place/readSpot'
import type { UnitSystem } from '@/core/quantity/format'
import { Field } from '@/ui/fields/Field'
import { Button } from '@/ui/pieces/Button'
import { useHere } from '@/ui/plan/useHere'

/** A device that is right to no more than this is no help beside a trunk, m. */
const ROUGH_M = 10

/** A place by where the device is, or by coordinates from elsewhere; only where the site’s corner has a position. */
export function ByPosition({
  corner,
  units,
  onPlace,
}: {
  corner: Spot | null
  units: UnitSystem
  onPlace: (place: TypedPlace) => void
}) {
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [rough, setRough] = useState(false)
  const here = useHere((spot, withinM) => {
    if (corner) onPlace(showPlace(onPlan(spot, corner), units))
    setRough(withinM > ROUGH_M)
  })
  if (!corner) return null
  function type() {
    const read = readSpot(typed)
    setProblem(read.ok ? null : read.problem.message)
    if (read.ok) onPlace(showPlace(onPlan(read.value, corner!), units))
  }
  return (
    <details>
      <summary className="cursor-pointer py-1">By position</summary>
      <div className="grid gap-2 mt-1">
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={here.ask}>Take where I stand</Button>
          <span role="status" className="text-small text-ink2">
            {here.said}
          </span>
        </div>
        {rough && (
          <p className="text-small">
            That is rough beside a trunk: look on the plan whether it is right, or press there.
          </p>
        )}
        <div className="flex flex-wrap gap-2 items-end">
          <Field
            label="Coordinates"
            value={typed}
            placeholder="42.31214, −75.21790"
            problem={problem}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter') return
              e.preventDefault()
              type()
            }}
          />
          <Button onClick={type}>Put it there</Button>
        </div>
      </div>
    </details>
  )
}
