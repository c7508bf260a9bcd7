import { type PutOnMethod, isHand } from './names'
import type { Method } from '../card/card'
import { inOrder, type HowWell, type Way } from '../decide/way'
import { answers } from '../gate/ways'
import { goes } from './goes'
import type { UseOf } from './plan'
import { putOnMethod } from './putOn'
import { isSystemicWay } from './systemic'

/** Why a way stands where it does among those that may be chosen; the greater `score` stands first. */
export interface Merit {
  score: number
  reasons: string[]
}

const years = (n: number) =>
  n === 1
    ? 'one year'
    : `${String(n).replace('.5', '½').replace(/^0½/, 'half a')} ${n < 1 ? 'year' : 'years'}`

/** By how well the almanac says that a way works. */
const WELL: Record<HowWell, number> = {
  'ends it': 24,
  'holds it down': 16,
  'helps the tree bear it': 8,
  'a stop-gap': 0,
}

/**
 * The order in which ways are offered: by how well the almanac says that the method works on the cause; what it does not name
 * comes last. Then by house rule: what lasts before what is repeated, what opens no wood before what does,
 * what counts to no limit of the ground before what does, a slow feed before a quick one; against a borer that girdles, what
 * is fast before all. Each with its reasons in words.
 *
 * @example merit(soilDrench, { girdles: false, ways, kinds: ['systemic insecticide'], feeds: false, again: 1825 }).reasons // ['holds it down', 'holds 5 years', 'no wound', …]
 */
export function merit(
  use: UseOf<Method>,
  q: {
    girdles: boolean
    /** Of the almanac, on the cause. */
    ways: readonly Pick<Way, 'method' | 'well' | 'first' | 'kinds'>[]
    /** The kinds of active in the product; null where they are not known. */
    kinds: readonly string[] | null
    /** After so many days it is due again for this cause; null where nobody says. */
    again: number | null
    /** The product only feeds. */
    feeds: boolean
    /** It answers something that was found at the tree, whatever the cause. */
    answers?: boolean
  },
): Merit {
  const reasons: string[] = []
  let score = 0
  const where = goes(use.method)
  if (q.feeds && where !== 'onto the ground')
    return { score: -40, reasons: ['only feeds: beside another way, in place of none'] }
  const way = inOrder(q.ways).find((w) => w.method === use.method && answers(w, q.kinds))
  if (way) {
    score += WELL[way.well]
    reasons.push(way.well)
    if (way.first)
      reasons.push(`first ${way.first.charAt(0).toLowerCase()}${way.first.slice(1).replace(/\.$/, '')}`)
  } else if (q.answers) {
    reasons.push('answers what was found here')
  } else if (q.ways.length > 0) {
    score -= 20
    reasons.push('no way of the almanac for this')
  }
  if (isSystemicWay(use.method) && q.again !== null) {
    const holds = Math.round((q.again / 365) * 2) / 2
    score += 10 * Math.min(5, holds)
    reasons.push(`holds ${years(holds)}`)
  }
  if (where === 'into the trunk') {
    score += 8
    // A borer that girdles leaves no year to wait for roots to bring it up.
    if (q.girdles) score += 30
    reasons.push('fast and contained in the tree', 'wounds the trunk')
  } else if (where === null) {
    reasons.push('nothing is put on')
  } else if (where === 'into the soil' || where === 'onto the bark') {
    score += 4
    reasons.push('no wound')
  }
  if (use.limits?.activePerAreaYear) {
    score -= 6
    reasons.push('counts toward the yearly limit of the ground')
  }
  const own = isHand(use.method) ? undefined : putOnMethod(use.method).merit?.(use as UseOf<PutOnMethod>)
  score += own?.score ?? 0
  reasons.push(...(own?.reasons ?? []))
  return { score, reasons }
}
