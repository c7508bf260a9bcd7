import type { Seen } from '@/core/diagnose/almanac'
import { weighing, type Weighing } from '@/core/diagnose/weighing'
import { CAUSES } from './causes'
import { FINDING_BY_ID } from './findings'
import { FOLIAGE } from './hosts'
import type { FirmAlmanac } from './own'
import type { Jurisdiction } from './jurisdiction'
import { reportingIn } from './reporting'

/** The almanac as it is printed, without a firm's own. */
export const COMMON: FirmAlmanac = {
  causes: CAUSES,
  findings: FINDING_BY_ID,
  district: {},
  foliage: FOLIAGE,
  jurisdiction: null,
}

/**
 * Weighs what was seen on a tree; the screen and the signature use this same one. A firm's own almanac takes the place of
 * the common one where it is given, and so does where it works; without a jurisdiction what most places ask for is flagged.
 */
export function weighTree(
  host: string,
  month: number,
  seen: Seen,
  almanac: FirmAlmanac = COMMON,
  jurisdiction: Jurisdiction | null = almanac.jurisdiction,
): Weighing {
  return weighing(host, month, seen, almanac, jurisdiction ? reportingIn(jurisdiction) : undefined)
}
