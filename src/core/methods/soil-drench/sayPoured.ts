import type { TermsOf } from '../../card/card'
import { between, type Said } from '../../card/said'

/** How much, in the label’s own inch: it is printed beside the rate wherever the rate stands. */
export const sayPoured = (
  t: Pick<TermsOf<'soil-drench'>, 'rate' | 'basis' | 'multiStem' | 'tiers' | 'strength' | 'retreatYears'>,
): Said[] => [
  ['Rate', `${between(t.rate)} an inch of ${t.basis}`],
  ...(t.tiers ?? []).map((tier): Said => [
    `Above ${tier.above} through`,
    `${between(tier)} an inch of ${t.basis}`,
  ]),
  ['Several stems', t.multiStem === 'sum' ? 'their diameters added up' : 'as one of the same wood area'],
  ['Active', t.strength],
]
