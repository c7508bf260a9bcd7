import type { Method, PutOnMethod } from '../card/card'
import { handMethod, isHand } from './hand'

/** Where what is put on goes: rules of soil, leaf, bark, bees and food ask this, never the name of a method. */
export type Goes = 'into the trunk' | 'into the soil' | 'onto the bark' | 'over the crown' | 'onto the ground'

/** What work opens: the trunk, the soil over roots, or living wood by a cut. */
export type Opens = 'trunk' | 'soil' | 'wood'

const GOES: Readonly<Record<PutOnMethod, Goes>> = {
  'trunk-injection': 'into the trunk',
  'soil-drench': 'into the soil',
  'soil-injection': 'into the soil',
  'bark-spray': 'onto the bark',
  'crown-spray': 'over the crown',
  feed: 'onto the ground',
}

/** Where a product goes by a method; null where nothing is put on. `goes('soil-drench')` is 'into the soil' */
export function goes(method: Method): Goes | null {
  return isHand(method) ? null : GOES[method]
}

/** What a method opens; null where it opens nothing. `opens('collar')` is 'soil' */
export function opens(method: Method): Opens | null {
  if (isHand(method)) return handMethod(method).opens ?? null
  return GOES[method] === 'into the trunk' ? 'trunk' : null
}
