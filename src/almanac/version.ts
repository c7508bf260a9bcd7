import type { OwnEntry } from './ownEntry'

/** Goes up whenever an entry changes; a signed diagnosis keeps the version it was weighed with. */
export const ALMANAC_VERSION = '2026.4'

/** The version that is weighed with; where the firm works changes no weight. `versionWith([])` is that of the almanac alone. */
export function versionWith(own: readonly OwnEntry[]): string {
  const entries = own.filter((e) => e.kind !== 'jurisdiction').length
  return entries === 0 ? ALMANAC_VERSION : `${ALMANAC_VERSION} with ${entries} own`
}
