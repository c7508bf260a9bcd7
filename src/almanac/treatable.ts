import { BORER, RETURNS, SELDOM_KILLS, type Treatable } from '@/core/decide/treatable'
import { cause as causeOf } from './causes'

/** Causes that kill otherwise than by girdling. */
const OF: Readonly<Record<string, Treatable>> = {
  'hemlock-woolly-adelgid': RETURNS,
  // Above a twentieth of the crown it is in the trunk.
  'dutch-elm-disease': { kind: 'wilt', good: 5, none: 5 },
  'verticillium-wilt': { kind: 'wilt', good: 25, none: 60 },
  'oak-wilt': { kind: 'wilt', good: 10, none: 25 },
}
/** Oaks that wall the wilt off bear more of it. Source: handbook, how long it works. */
const OAK_WILT_SLOW: Treatable = { kind: 'wilt', good: 20, none: 30 }

/**
 * How trees with a cause answer to treatment. A maple often lives on with its wilt; an elm or a red oak does not.
 * @example treatableOf('emerald-ash-borer').kind // 'borer'
 */
export function treatableOf(cause: string, host?: string): Treatable {
  if (cause === 'oak-wilt' && (host === 'oak-white-group' || host === 'oak-live')) return OAK_WILT_SLOW
  return OF[cause] ?? (causeOf(cause)?.girdles ? BORER : SELDOM_KILLS)
}
