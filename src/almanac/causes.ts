import { ownName } from './ownName'
import type { Cause } from '@/core/diagnose/almanac'
import { BORERS } from './causes/borers'
import { CANKERS } from './causes/cankers'
import { CATERPILLARS } from './causes/caterpillars'
import { DECAY_AND_ROOTS } from './causes/decayAndRoots'
import { DISEASES } from './causes/diseases'
import { FRUIT_INSECTS } from './causes/fruitInsects'
import { FRUIT_TREE_DISEASES } from './causes/fruitTreeDiseases'
import { GROWTH_AND_ANIMALS } from './causes/growthAndAnimals'
import { INSECTS } from './causes/insects'
import { LEAF_AND_NEEDLE_DISEASES } from './causes/leafAndNeedleDiseases'
import { LEAF_FEEDERS } from './causes/leafFeeders'
import { LEAF_MINERS_AND_SAWFLIES } from './causes/leafMinersAndSawflies'
import { SAP_FEEDERS } from './causes/sapFeeders'
import { SCALES } from './causes/scales'
import { SITE } from './causes/site'
import { STEM_BORERS } from './causes/stemBorers'
import { WILTS } from './causes/wilts'
import { WOOD_AND_ROOT_DISEASES } from './causes/woodAndRootDiseases'
import { HONEYDEW } from './honeydew'
import { MEANWHILE } from './meanwhile'
import { OPENS } from './opens'

const ENTRIES: readonly Cause[] = [
  ...INSECTS,
  ...BORERS,
  ...STEM_BORERS,
  ...SAP_FEEDERS,
  ...SCALES,
  ...LEAF_FEEDERS,
  ...LEAF_MINERS_AND_SAWFLIES,
  ...CATERPILLARS,
  ...FRUIT_INSECTS,
  ...DISEASES,
  ...FRUIT_TREE_DISEASES,
  ...LEAF_AND_NEEDLE_DISEASES,
  ...CANKERS,
  ...WILTS,
  ...WOOD_AND_ROOT_DISEASES,
  ...DECAY_AND_ROOTS,
  ...SITE,
  ...GROWTH_AND_ANIMALS,
]

/** Every host on which something rains honeydew: what lives on it is found there too. */
const STICKY_HOSTS: readonly string[] = [
  ...new Set(ENTRIES.filter((c) => HONEYDEW.includes(c.id)).flatMap((c) => (c.hosts === '*' ? [] : c.hosts))),
]

/** Every cause the almanac holds. */
export const CAUSES: readonly Cause[] = ENTRIES.map((c) => ({
  ...c,
  ...(c.livesOn === HONEYDEW && { hosts: STICKY_HOSTS }),
  ...(OPENS[c.id] && { opens: OPENS[c.id] }),
  ...(MEANWHILE[c.id] && { meanwhile: MEANWHILE[c.id] }),
}))

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
