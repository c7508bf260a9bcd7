import type { Action } from '@/core/decide/propose'

/** What is done, as it is told to somebody who is not of the trade. */
export const FOR_CLIENT: Record<Action, string> = {
  treat: 'we treat it',
  care: 'we care for it, and put no strong product on',
  watch: 'we watch it, and do nothing to it',
  sample: 'a laboratory is asked before anything is done',
  refer: 'somebody qualified looks at it first; keep away from beneath it',
  remove: 'it is taken down',
  healthy: 'nothing; it is healthy',
}

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
