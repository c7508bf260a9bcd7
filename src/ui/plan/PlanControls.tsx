'use client'
import { Button } from '../pieces/Button'
import type { PlanSight } from './usePlanWindow'

const WAYS = [
  ['West', -0.4, 0],
  ['North', 0, 0.4],
  ['South', 0, -0.4],
  ['East', 0.4, 0],
] as const

/** The ways about a plan: closer, back, aside, and the whole of it. */
export function PlanControls({ sight: { near, zoom, pan, showAll } }: { sight: PlanSight }) {
  return (
    <div className="no-print flex flex-wrap gap-2 p-2" role="group" aria-label="Closer and back">
      <Button onClick={() => zoom(2)}>Closer</Button>
      <Button disabled={near === null} onClick={() => zoom(0.5)}>
        Back
      </Button>
      {near && (
        <>
          {WAYS.map(([name, dx, dy]) => (
            <Button key={name} onClick={() => pan(dx, dy)}>
              {name}
            </Button>
          ))}
          <Button onClick={showAll}>Whole site</Button>
        </>
      )}
    </div>
  )
}
