import type { Cause } from '@/core/diagnose/almanac'
import { DISEASES } from './causes/diseases'
import { INSECTS } from './causes/insects'
import { SITE } from './causes/site'

/** Goes up whenever an entry changes; a signed diagnosis keeps the version it was weighed with. */
export const ALMANAC_VERSION = '2026.1'

/** Every cause the almanac holds so far: those of ash, mountain ash, oak, maple and linden, and what any site can do. */
export const CAUSES: readonly Cause[] = [...INSECTS, ...DISEASES, ...SITE]

const byId = new Map(CAUSES.map((c) => [c.id, c]))

/** The cause of an id, or undefined. */
export function cause(id: string): Cause | undefined {
  return byId.get(id)
}

/** The name of a cause; `something-else` has one too. */
export function causeName(id: string): string {
  return id === 'something-else' ? 'Something else' : (byId.get(id)?.name ?? id)
}
