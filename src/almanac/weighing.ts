import type { Seen } from '@/core/diagnose/almanac'
import { judge, type Judgement } from '@/core/diagnose/judge'
import { nextChecks, weigh, type Check, type Weighed } from '@/core/diagnose/weigh'
import { CAUSES } from './causes'
import { FINDING_BY_ID } from './findings'
import type { FirmAlmanac } from './own'

export interface Weighing {
  weighed: Weighed[]
  checks: Check[]
  judgement: Judgement
}

/**
 * Weighs what was seen on a tree; the screen and the signature use this same one. A firm's own almanac takes the place of
 * the common one where it is given.
 */
export function weighTree(host: string, month: number, seen: Seen, almanac: FirmAlmanac = COMMON): Weighing {
  const input = { host, month, seen, ...almanac }
  const weighed = weigh(input)
  const checks = nextChecks(input)
  return { weighed, checks, judgement: judge({ ...input, weighed, checks }) }
}

/** The checks that tell most, whatever time they take; for those who ask from afar. */
export function mostTelling(host: string, month: number, seen: Seen, most: number): Check[] {
  return nextChecks({ host, month, seen, ...COMMON }, most, 'gain')
}

const COMMON: FirmAlmanac = { causes: CAUSES, findings: FINDING_BY_ID, district: {} }
