import { BORER, RETURNS, SELDOM_KILLS, WILT, type Treatable } from '@/core/decide/treatable'
import { cause as causeOf } from './causes'

/** Causes that kill otherwise than by girdling. */
const OF: Readonly<Record<string, Treatable>> = {
  'hemlock-woolly-adelgid': RETURNS,
  'dutch-elm-disease': WILT,
  'verticillium-wilt': { kind: 'wilt', good: 25, none: 60 },
  'oak-wilt': WILT,
}

/**
 * How trees with a cause answer to treatment. A maple often lives on with its wilt; an elm or a red oak does not.
 * @example treatableOf('emerald-ash-borer').kind // 'borer'
 */
export function treatableOf(cause: string): Treatable {
  return OF[cause] ?? (causeOf(cause)?.girdles ? BORER : SELDOM_KILLS)
}
