import type { Action } from '@/core/decide/propose'

/** A decision as it is told afterwards. */
export const DECIDED: Record<Action, string> = {
  treat: 'Decided to treat',
  care: 'Decided on care only',
  watch: 'Decided to watch',
  sample: 'Decided to send a sample',
  refer: 'Referred',
  remove: 'Decided to remove',
  healthy: 'Found healthy',
}
