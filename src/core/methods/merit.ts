import type { PutOnMethod } from '../card/card'
import type { UseOf } from './plan'

/** Why a way stands where it does among those that may be chosen; the greater `score` stands first. */
export interface Merit {
  score: number
  reasons: string[]
}

const years = (n: number) => (n === 1 ? 'one year' : `${n} years`)

/**
 * The order in which ways are offered, by house rule: what lasts before what is repeated, what opens no wood before what does,
 * what counts to no limit of the ground before what does, a slow feed before a quick one; against a borer that girdles, what
 * is fast before all. Each with its reasons in words.
 *
 * @example merit(soilDrench).reasons // ['holds 5 years', 'no wound', 'counts toward the yearly limit of the ground']
 */
export function merit(use: UseOf<PutOnMethod>, q: { girdles: boolean } = { girdles: false }): Merit {
  const reasons: string[] = []
  let score = 0
  if ('retreatYears' in use.terms) {
    score += 10 * Math.min(5, use.terms.retreatYears)
    reasons.push(`holds ${years(use.terms.retreatYears)}`)
  }
  if (use.method === 'trunk-injection') {
    score += 8
    // A borer that girdles leaves no year to wait for roots to bring it up.
    if (q.girdles) score += 30
    reasons.push('fast and contained in the tree', 'wounds the trunk')
  } else if (use.method !== 'crown-spray' && use.method !== 'feed') {
    score += 4
    reasons.push('no wound')
  }
  if (use.limits?.activePerAreaYear) {
    score -= 6
    reasons.push('counts toward the yearly limit of the ground')
  }
  if (use.method === 'crown-spray') {
    const { repeatDays, kind } = use.terms
    if (kind === 'contact' || kind === 'biological') score += 6
    reasons.push(
      kind === 'contact'
        ? 'kills only what it wets'
        : kind === 'biological'
          ? 'spares most helpers'
          : 'a film before infection',
    )
    if (repeatDays) reasons.push(`again after ${repeatDays.least} to ${repeatDays.most} days`)
  }
  if (use.method === 'feed') {
    // Quick release burns dry roots and drives soft growth; slow release is given whenever the soil takes it.
    if (use.terms.release === 'slow') score += 6
    reasons.push(`${use.terms.release} release`)
  }
  return { score, reasons }
}
