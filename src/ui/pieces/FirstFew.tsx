'use client'
import { useState, type ReactNode } from 'react'
import { Button } from './Button'

/**
 * A long list begun: its first things, those that must be in sight whatever their place, and a press for the rest. `whole` where all of it is wanted, as on paper. A list that
 * is only a little longer is shown whole.
 */
export function FirstFew<T>({
  first,
  of,
  what,
  inSight,
  whole,
  draw,
}: {
  first: number
  of: readonly T[]
  /** What they are, for what the press says: "stops". */
  what: string
  inSight: (thing: T) => boolean
  whole: boolean
  draw: (thing: T) => ReactNode
}) {
  const [all, setAll] = useState(false)
  const isWhole = whole || all || of.length <= first + Math.ceil(first / 3)
  const shown = isWhole ? of : of.filter((thing, i) => i < first || inSight(thing))
  return (
    <>
      {shown.map(draw)}
      {!isWhole && (
        <Button quiet onClick={() => setAll(true)}>
          and {of.length - shown.length} more {what}
        </Button>
      )}
    </>
  )
}
