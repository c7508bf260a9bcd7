'use client'
import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { rangeOf } from '@/core/methods/say'
import { Choice } from '@/ui/fields/Choice'

/** A square foot as it is written for people; the card keeps it as it was typed. */
const squared = (rate: string) => rate.replace(/\b(ft|m)2\b/, '$1²')

/** Chooses a rate inside the label's range. Nothing where the label gives only one. */
export function RateChoice({
  use,
  choice,
  onChoice,
  why,
}: {
  use: UseOf<Method>
  choice: number
  onChoice: (choice: number) => void
  /** Why this rate is proposed; null when it was chosen otherwise. */
  why: string | null
}) {
  const found = rangeOf(use)
  if (!found) return null
  const range = { ...found, low: squared(found.low), high: squared(found.high) }
  if (range.low === range.high)
    return (
      <p>
        <span className="label block">Rate</span>
        <b>
          {range.low} {range.of}
        </b>
      </p>
    )
  return (
    <Choice
      label={`Rate, ${range.of}`}
      value={choice}
      onValue={onChoice}
      options={[
        [0, `low, ${range.low}`],
        [0.5, 'middle'],
        [1, `high, ${range.high}`],
      ]}
      hint={why ? `Proposed. ${why}` : 'Chosen by hand.'}
    />
  )
}
