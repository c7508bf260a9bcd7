import type { ProductClass } from '@/core/diagnose/almanac'

/** Classes of product in words a crew uses. */
export const CLASS_WORD: Readonly<Record<ProductClass, string>> = {
  insecticide: 'insecticide',
  miticide: 'miticide',
  fungicide: 'fungicide',
  bactericide: 'bactericide',
  fertiliser: 'hard feeding',
  'crown-spray': 'a crown spray',
  'bark-spray': 'a bark spray',
  soil: 'a soil systemic',
  injection: 'trunk injection',
}
