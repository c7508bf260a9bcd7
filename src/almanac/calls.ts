import { acts, hasBench, putsOn } from '@/core/decide/way'
import type { ActionClass } from '@/core/diagnose/almanac'
import { HEALTHY } from '@/core/diagnose/weigh'
import { cause as causeOf } from './causes'
import type { OwnEntry } from './ownEntry'

/** A way of the firm's own on a cause, and whether it puts a product on. */
export interface OwnWay {
  what: string
  product: boolean
}

/**
 * What a signed cause calls for in a firm's almanac: by the almanac, by the firm's own entry of that cause; `none` for what is no
 * cause. `callsOf('own-quay-spot', [{ kind: 'cause', id: 'own-quay-spot', action: 'pruning', … }]) // 'pruning'`
 */
export function callsOf(cause: string, own: readonly OwnEntry[]): ActionClass | typeof HEALTHY {
  if (cause === HEALTHY) return HEALTHY
  const ours = own.find((e) => e.kind === 'cause' && e.id === cause)
  if (ours?.kind === 'cause') return ours.action ?? 'wait'
  return causeOf(cause)?.action ?? 'none'
}

/** The firm's own way that ends or holds a cause, the best first; null where it has none. Ways that only look are none. */
export function ownWayOn(cause: string, own: readonly OwnEntry[]): OwnWay | null {
  const ways = own.flatMap((e) =>
    e.kind === 'way' && e.cause === cause && acts(e) && hasBench(e.method) ? [e] : [],
  )
  const best = ways.find((w) => w.well === 'ends it') ?? ways.find((w) => w.well === 'holds it down')
  return best ? { what: best.what.replace(/\.$/, ''), product: putsOn(best.method) } : null
}
