import type { PutOnMethod } from './names'
import type { z } from 'zod'
import { trunkInjection, trunkInjectionShape } from './trunk-injection/use'
import { soilDrench, soilDrenchShape } from './soil-drench/use'
import { soilInjection, soilInjectionShape } from './soil-injection/use'
import { barkSpray, barkSprayShape } from './bark-spray/use'
import { crownSpray, crownSprayShape } from './crown-spray/use'
import { feed, feedShape } from './feed/use'

/** What a card says of each method that puts something on, and what a plan by it is drawn from: as they are written and kept. */
export const PUT_ON_SCHEMAS = {
  'trunk-injection': { terms: trunkInjection, shape: trunkInjectionShape },
  'soil-drench': { terms: soilDrench, shape: soilDrenchShape },
  'soil-injection': { terms: soilInjection, shape: soilInjectionShape },
  'bark-spray': { terms: barkSpray, shape: barkSprayShape },
  'crown-spray': { terms: crownSpray, shape: crownSprayShape },
  feed: { terms: feed, shape: feedShape },
} as const satisfies Record<PutOnMethod, { terms: z.ZodType; shape: z.ZodType }>

/** What a plan by a method is drawn from. */
export type PutOnShape<M extends PutOnMethod> = z.output<(typeof PUT_ON_SCHEMAS)[M]['shape']>
