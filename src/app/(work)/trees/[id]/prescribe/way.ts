import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import type { PrescribeView } from '@/server/read/tree'

/** A way as it is offered for a tree. */
export type Way = PrescribeView['ways'][number]
export type InjectionWay = Way & { use: UseOf<'trunk-injection'> }

/** A way by one method, for its bench. */
export function isWay<M extends Method>(way: Way, method: M): way is Way & { use: UseOf<M> } {
  return way.use.method === method
}
