/** Where a tree stands in the chain of work: whose hands it waits for. */
export const STAGES = [
  'examine',
  'weigh',
  'decide',
  'prescribe',
  'run',
  'check',
  'done',
  'otherwise',
] as const
export type Stage = (typeof STAGES)[number]

/** What the stage of a tree is worked out from: the newest of each step, each resting on the one before. */
export interface StageFacts {
  /** Anything was looked at in the newest examination. */
  looked: boolean
  /** The newest examination has a signed cause. */
  diagnosed: boolean
  /** What was decided on that cause; null before. */
  action: string | null
  /** How the prescription on that decision stands; null without one. */
  prescription: 'handed' | 'done' | 'partly' | 'not treated' | null
  /** A promised check of the prescription has no result yet. */
  openChecks: boolean
  /** Where the newest result sends the tree back to; null where it goes on. */
  sentBack: 'examine' | 'decide' | 'prescribe' | null
}

/**
 * The stage of a tree. Work that ended with less than the label's least goes back to the decision, and so does what a check
 * sends back; a decision that is not to treat is `otherwise`: it waits for what it promised, and nothing is with the crew.
 *
 * @example stageOf({ looked: true, diagnosed: false, action: null, prescription: null, … }) // 'weigh'
 */
export function stageOf(f: StageFacts): Stage {
  if (!f.diagnosed) return f.looked ? 'weigh' : 'examine'
  if (f.action === null) return 'decide'
  if (f.prescription === 'handed') return 'run'
  if (f.sentBack) return f.sentBack
  if (f.prescription === null) return f.action === 'treat' ? 'prescribe' : 'otherwise'
  if (f.prescription === 'partly' || f.prescription === 'not treated') return 'decide'
  return f.openChecks ? 'check' : 'done'
}

const BEHIND: Record<Stage, readonly string[]> = {
  examine: [],
  weigh: ['examine'],
  decide: ['examine', 'weigh'],
  otherwise: ['examine', 'weigh', 'decide'],
  prescribe: ['examine', 'weigh', 'decide'],
  run: ['examine', 'weigh', 'decide', 'prescribe'],
  check: ['examine', 'weigh', 'decide', 'prescribe', 'run'],
  done: ['examine', 'weigh', 'decide', 'prescribe', 'run', 'check'],
}

/** True when a tree at this stage has the step behind it. `isBehind('decide', 'run') === true` */
export function isBehind(
  step: 'examine' | 'weigh' | 'decide' | 'prescribe' | 'run' | 'check',
  stage: Stage,
): boolean {
  return BEHIND[stage].includes(step)
}
