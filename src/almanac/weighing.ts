import type { Seen } from '@/core/diagnose/almanac'
import { nextChecks, type Check } from '@/core/diagnose/weigh'
import { weighing, type Weighing } from '@/core/diagnose/weighing'
import { CAUSES } from './causes'
import { FINDING_BY_ID } from './findings'
import type { FirmAlmanac } from './own'

/**
 * Weighs what was seen on a tree; the screen and the signature use this same one. A firm's own almanac takes the place of
 * the common one where it is given.
 */
export function weighTree(host: string, month: number, seen: Seen, almanac: FirmAlmanac = COMMON): Weighing {
  return weighing(host, month, seen, almanac)
}

/** The checks that tell most, whatever time they take; for those who ask from afar. */
export function mostTelling(host: string, month: number, seen: Seen, most: number): Check[] {
  return nextChecks({ host, month, seen, ...COMMON }, most, 'gain')
}

const COMMON: FirmAlmanac = { causes: CAUSES, findings: FINDING_BY_ID, district: {} }
