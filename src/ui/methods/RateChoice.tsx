'use client'
import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { Choice } from '@/ui/fields/Choice'

/** The label's range in its own words, with what its inch is of: mixing that up is a threefold error. */
export function rangeOf(use: UseOf<Method>): { low: string; high: string; of: string } | null {
  switch (use.method) {
    case 'trunk-injection':
      return use.terms.ratePerInch ? { ...use.terms.ratePerInch, of: 'an inch of diameter' } : null
    case 'soil-drench':
    case 'soil-injection':
      return { ...use.terms.rate, of: `an inch of ${use.terms.basis}` }
    case 'bark-spray':
      return { ...use.terms.rate, of: 'an inch of diameter' }
    case 'crown-spray':
      return { ...use.terms.mix, of: 'in the tank' }
    case 'feed':
      return { ...use.terms.nitrogen, of: 'of nitrogen' }
    default:
      return null
  }
}

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
