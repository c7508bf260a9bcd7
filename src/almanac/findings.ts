import { ownName } from './ownName'
import type { Finding } from '@/core/diagnose/almanac'
import { BASE_SOIL_FRUIT } from './findings/baseSoilFruit'
import { LEAF } from './findings/leaf'
import { SHOOT } from './findings/shoot'
import { SITE_AND_CROWN } from './findings/siteAndCrown'
import { TRUNK } from './findings/trunk'
import { TEST_FINDINGS } from './laboratory'

/** Everything an examination can record, in the order a tree is walked. */
export const FINDINGS: readonly Finding[] = [
  ...SITE_AND_CROWN,
  ...LEAF,
  ...SHOOT,
  ...TRUNK,
  ...BASE_SOIL_FRUIT,
  ...TEST_FINDINGS,
]

/** Findings by id. */
export const FINDING_BY_ID: ReadonlyMap<string, Finding> = new Map(FINDINGS.map((x) => [x.id, x]))

/** The name of a finding, a firm's own too. */
export function findingName(id: string): string {
  return FINDING_BY_ID.get(id)?.name ?? ownName(id) ?? id
}
