import type { TermsOf } from '../../card/card'
import type { DrenchInput, RateRange } from '../../dose/drench'
import type { Result } from '../../problem'
import type { Length } from '../../quantity/units'
import { cardReader, readOnce } from '../reader'

/** How much goes round a trunk, read to SI: of a drench and of a soil injection alike. */
export type PouredTerms = Pick<DrenchInput, 'basis' | 'multiStem'> & {
  rate: RateRange
  tiers: ({ above: Length } & RateRange)[] | undefined
  strength: number
}

/** Reads the rate, its tiers and the strength of a card. Problems name the card's own field. */
export const readPoured = readOnce(
  (terms: TermsOf<'soil-drench'> | TermsOf<'soil-injection'>): Result<PouredTerms> => {
    const r = cardReader()
    const range = (of: { low: string; high: string }, field: string): RateRange => ({
      low: r.quantity(of.low, 'volume', `${field}.low`),
      high: r.quantity(of.high, 'volume', `${field}.high`),
    })
    return r.done({
      basis: terms.basis,
      multiStem: terms.multiStem,
      rate: range(terms.rate, 'rate'),
      tiers: terms.tiers?.map((tier, i) => ({
        above: r.quantity(tier.above, 'length', `tiers[${i}].above`),
        ...range(tier, `tiers[${i}]`),
      })),
      strength: r.rate(terms.strength, 'mass', 'volume', 'strength'),
    })
  },
)
