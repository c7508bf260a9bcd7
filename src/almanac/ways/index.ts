import { partsRoots } from '@/core/methods/barrier/partsRoots'
import { inOrder, type Way } from '@/core/decide/way'
import type { OwnEntry } from '../ownEntry'
import { DISEASE_WAYS } from './diseases'
import { INSECT_WAYS } from './insects'
import { MORE_DISEASE_WAYS } from './moreDiseases'
import { MORE_INSECT_WAYS } from './moreInsects'
import { SITE_WAYS } from './siteAndAnimals'

/** The ways on every cause of the almanac. */
export const WAYS: Readonly<Record<string, readonly Way[]>> = {
  ...INSECT_WAYS,
  ...DISEASE_WAYS,
  ...MORE_INSECT_WAYS,
  ...MORE_DISEASE_WAYS,
  ...SITE_WAYS,
}

/** The ways on a cause with a firm's own among them, the best first. `waysOf('apple-scab')[0].method` is `'crown-spray'`. */
export function waysOf(cause: string, own: readonly OwnEntry[] = []): Way[] {
  return inOrder([
    ...(WAYS[cause] ?? []),
    ...own.flatMap((e) => (e.kind === 'way' && e.cause === cause ? [e] : [])),
  ])
}

/**
 * True for a cause that goes on to neighbours through joined roots and wood: what is sick of it is felled in a line of works.
 * @example carriesOn(waysOf('dutch-elm-disease')) // true
 */
export function carriesOn(ways: readonly Way[]): boolean {
  return ways.some((w) => w.time?.after !== undefined && partsRoots({ method: w.time.after }))
}
