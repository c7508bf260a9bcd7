'use client'
import { useState, type ReactNode } from 'react'
import { Button } from './Button'
import { usePrinting } from './usePrinting'

/**
 * A long list begun: its first things, those that must be in sight whatever their place, and a press for the rest. Paper has all of it. A list that is only a little
 * longer is shown whole.
 */
export function FirstFew<T>({
  first,
  of,
  what,
  inSight,
  draw,
}: {
  first: number
  of: readonly T[]
  /** What they are, for what the press says: "stops". */
  what: string
  inSight: (thing: T) => boolean
  draw: (thing: T) => ReactNode
}) {
  const [all, setAll] = useState(false)
  const printing = usePrinting()
  const whole = printing || all || of.length <= first + Math.ceil(first / 3)
  const shown = whole ? of : of.filter((thing, i) => i < first || inSight(thing))
  return (
    <>
      {shown.map(draw)}
      {!whole && (
        <Button quiet onClick={() => setAll(true)}>
          and {of.length - shown.length} more {what}
        </Button>
      )}
    </>
  )
}
