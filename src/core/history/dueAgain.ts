import type { CardUse } from '../card/card'

/**
 * After how many days a use is due again: by the shorter of what the card says that it holds and what the cause bears by this way
 * with this active, never before the card’s least; null where neither says. Source: handbook, how long it works.
 *
 * @example dueAgain(drenchOfFiveYears, 365) // 365
 */
export function dueAgain(use: Pick<CardUse, 'terms' | 'limits'>, ofCause: number | null): number | null {
  const { terms } = use
  const years = 'retreatYears' in terms && typeof terms.retreatYears === 'number' ? terms.retreatYears : null
  const ofCard = years === null ? null : Math.round(years * 365)
  const shorter = Math.min(ofCause ?? Infinity, ofCard ?? Infinity)
  return shorter === Infinity ? null : Math.max(shorter, use.limits?.leastDays ?? 0)
}
