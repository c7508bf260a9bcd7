import { ownName } from './ownName'
import type { Cause } from '@/core/diagnose/almanac'
import { BORERS } from './causes/borers'
import { DISEASES } from './causes/diseases'
import { FRUIT_TREE_DISEASES } from './causes/fruitTreeDiseases'
import { GROWTH_AND_ANIMALS } from './causes/growthAndAnimals'
import { INSECTS } from './causes/insects'
import { LEAF_FEEDERS } from './causes/leafFeeders'
import { SAP_FEEDERS } from './causes/sapFeeders'
import { SITE } from './causes/site'
import { WOOD_AND_ROOT_DISEASES } from './causes/woodAndRootDiseases'

/** Goes up whenever an entry changes; a signed diagnosis keeps the version it was weighed with. */
export const ALMANAC_VERSION = '2026.2'

/** Every cause the almanac holds. */
export const CAUSES: readonly Cause[] = [
  ...INSECTS,
  ...BORERS,
  ...SAP_FEEDERS,
  ...LEAF_FEEDERS,
  ...DISEASES,
  ...FRUIT_TREE_DISEASES,
  ...WOOD_AND_ROOT_DISEASES,
  ...SITE,
  ...GROWTH_AND_ANIMALS,
]

const byId = new Map(CAUSES.map((c) => [c.id, c]))

/** The cause of an id, or undefined. */
export function cause(id: string): Cause | undefined {
  return byId.get(id)
}

/** What is signed beside the causes of the almanac: what fits none, and a tree that nothing is wrong with. */
const BESIDE: Readonly<Record<string, string>> = { 'something-else': 'Something else', healthy: 'Healthy' }

/** The name of a cause; `something-else` and `healthy` have one too. */
export function causeName(id: string): string {
  return BESIDE[id] ?? byId.get(id)?.name ?? ownName(id) ?? id
}
