import type { ActionClass } from '@/core/diagnose/almanac'

/** The classes of action in words a crew uses. */
export const ACTION_WORDS: Record<ActionClass, string> = {
  'protect-systemic': 'protect with a systemic',
  'sap-feeder-care': 'wash, oil or soap, keep ants off',
  sanitation: 'clean up, cut or pick by hand',
  'leaf-feeder-care': 'treat young larvae, or prune nests',
  'cover-spray': 'plan covers for the next season',
  barrier: 'guard, cage or fence',
  pruning: 'prune',
  'water-care': 'put water and soil right',
  'root-collar-work': 'work at the root collar',
  laboratory: 'send a sample first',
  wait: 'wait and look again',
  none: 'do nothing at all',
  'remove-or-plan': 'judge the risk, plan removal',
}
