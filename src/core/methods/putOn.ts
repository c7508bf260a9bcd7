import type { PutOnMethod } from './names'
import { barkSpray } from './bark-spray/method'
import { crownSpray } from './crown-spray/method'
import { feed } from './feed/method'
import type { PutOn } from './parts'
import { soilDrench } from './soil-drench/method'
import { soilInjection } from './soil-injection/method'
import { trunkInjection } from './trunk-injection/method'

/** Every method that puts a product on, by its name in cards, plans and records. A new one is its folder and a word here. */
const PUT_ON: { [M in PutOnMethod]: PutOn<M> } = {
  'trunk-injection': trunkInjection,
  'soil-drench': soilDrench,
  'soil-injection': soilInjection,
  'bark-spray': barkSpray,
  'crown-spray': crownSpray,
  feed,
}

/** The parts of a method that puts a product on, for callers that do not know which it is. */
export function putOnMethod(method: PutOnMethod): PutOn<PutOnMethod> {
  return PUT_ON[method] as unknown as PutOn<PutOnMethod>
}
