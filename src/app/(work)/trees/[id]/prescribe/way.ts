import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import type { UseOf } from '@/core/methods/plan'
import type { PrescribeView } from '@/server/read/tree'

/** A way as it is offered for a tree. */
export type Way = PrescribeView['ways'][number]
export type InjectionWay = Way & { use: UseOf<'trunk-injection'> }

/** A way by ports in the trunk, for its bench. */
export function isInjection(way: Way): way is InjectionWay {
  return isByPorts(way.use)
}
