import { isHand } from './names'
import type { Method } from '../card/card'
import { handMethod } from './hand'
import type { Goes } from './parts'
import { putOnMethod } from './putOn'

/** What work opens: the trunk, the soil over roots, or living wood by a cut. */
export type Opens = 'trunk' | 'soil' | 'wood'

/** Where a product goes by a method; null where nothing is put on. `goes('soil-drench')` is 'into the soil' */
export function goes(method: Method): Goes | null {
  return isHand(method) ? null : putOnMethod(method).goes
}

/** What a method opens; null where it opens nothing. `opens('collar')` is 'soil' */
export function opens(method: Method): Opens | null {
  if (isHand(method)) return handMethod(method).opens ?? null
  return goes(method) === 'into the trunk' ? 'trunk' : null
}
